import { Snackbar } from 'react-native-paper';
import { PaperTheme } from '@/theme/PaperTheme';

interface Props {
  text: string;
  /** Absent where there is nothing to take back. */
  onUndo?: () => void;
  onDismiss: () => void;
  /** Room at the right of the top edge that keys stand in, px; given where it lies at the top of a picture, so that it covers no button. */
  onTop?: number;
}

/** What has just been logged, for eight seconds, with its undo. Loaded when the first thing is said. */
export default function UndoSnackbar({ text, onUndo, onDismiss, onTop }: Props) {
  return (
    <PaperTheme>
      <Snackbar
        visible
        duration={8000}
        onDismiss={onDismiss}
        wrapperStyle={onTop === undefined ? {} : { top: 0, bottom: 'auto', right: onTop, width: 'auto', left: 0 }}
        action={onUndo && { label: 'Undo', onPress: onUndo }}
      >
        {text}
      </Snackbar>
    </PaperTheme>
  );
}
