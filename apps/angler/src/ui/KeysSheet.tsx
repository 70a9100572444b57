import { Sheet } from './Sheet';
import { Text } from './Text';
import type { ThumbKey } from './ThumbBar';

/** What each key does, and what the arrows do. */
export function KeysSheet({ keys, arrows, open, onClose }: { keys: readonly ThumbKey[]; arrows?: string; open: boolean; onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      {keys.map((k) => (
        <Text key={k.id}>{`${k.shortcut}: ${k.label}`}</Text>
      ))}
      {arrows ? <Text>{arrows}</Text> : null}
    </Sheet>
  );
}
