import { Suspense } from 'react';
import { lazily } from '@/ui/lazily';
import type { Logged } from './useLogged';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));

interface Props {
  logged: Pick<Logged, 'said' | 'setSaid' | 'undo'>;
  /** Room at the right of the top edge that keys stand in, px; given where the bar lies at the top of a picture. */
  onTop?: number;
}

/** What has just been logged at a station, for a while, with its undo. */
export function LoggedBar({ logged: { said, setSaid, undo }, onTop }: Props) {
  if (!said) return null;
  return (
    <Suspense fallback={null}>
      <UndoSnackbar
        key={said.undo[0] ?? said.text}
        text={said.text}
        onUndo={said.undo.length > 0 ? () => undo(...said.undo) : undefined}
        // One that has had its time must not take the next along, said in the same moment.
        onDismiss={() => setSaid((now) => (now === said ? null : now))}
        onTop={onTop}
      />
    </Suspense>
  );
}
