import { Snackbar } from 'react-native-paper';
import { PaperTheme } from '@/theme/PaperTheme';

/** What has just been logged, for eight seconds, with its undo. Loaded when the first thing is said. */
export default function UndoSnackbar({ text, onUndo, onDismiss, liftPx = 0 }: { text: string; onUndo: () => void; onDismiss: () => void; liftPx?: number }) {
  return (
    <PaperTheme>
      <Snackbar visible duration={8000} onDismiss={onDismiss} wrapperStyle={{ bottom: liftPx }} action={{ label: 'Undo', onPress: onUndo }}>
        {text}
      </Snackbar>
    </PaperTheme>
  );
}
