import { clockText, dayText } from '@burrow/core/units';
import { evidenceText, type Front, type Phase } from '@burrow/core/weather';
import { usePreferences } from '@/data/preferences';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

export type Opened = { kind: 'front'; front: Front } | { kind: 'phase'; phase: Phase } | null;

const phaseNames: Record<Phase['name'], string> = {
  approach: 'A front is coming',
  passage: 'The front passes',
  'post-front clear': 'Bright behind a front',
  settling: 'Settling after a front',
  steady: 'Steady weather',
  'warming trend': 'A warming spell',
  'cold rain': 'Cold rain',
  'not enough to say': 'Not enough to say',
};

/** What a front or a phase was read from. */
export function EvidenceSheet({ opened, timeZone, onClose }: { opened: Opened; timeZone: string; onClose: () => void }) {
  const { units } = usePreferences();
  const title = opened?.kind === 'front' ? `${opened.front.kind[0].toUpperCase()}${opened.front.kind.slice(1)} front` : opened ? phaseNames[opened.phase.name] : '';
  const span = (a: number, b: number) =>
    `${dayText(a, timeZone)} ${clockText(a, timeZone)} to ${dayText(b, timeZone) === dayText(a, timeZone) ? '' : `${dayText(b, timeZone)} `}${clockText(b, timeZone)}`;
  return (
    <Sheet title={title} open={opened !== null} onClose={onClose} footer={<Action label="Done" onPress={onClose} />}>
      {opened?.kind === 'front' ? (
        <>
          <Text>{`${dayText(opened.front.atMs, timeZone)} ${clockText(opened.front.atMs, timeZone)}, give or take ${Math.ceil(opened.front.uncertaintyH)} h. Read from the hourly series after taking out the day's own rhythm and the air tide:`}</Text>
          {opened.front.evidence.map((e) => (
            <View key={e.sign} style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
              <Text>{e.sign}</Text>
              <Text strong>{evidenceText(e, units)}</Text>
            </View>
          ))}
        </>
      ) : opened?.phase.missing ? (
        <Text>{`${span(opened.phase.fromMs, opened.phase.toMs)}. Missing: ${opened.phase.missing.join(', ')}.`}</Text>
      ) : opened ? (
        <Text>{`${span(opened.phase.fromMs, opened.phase.toMs)}. How sure: ${Math.round(opened.phase.confidence * 100)} in 100${opened.phase.confidence < 0.95 ? ', less the further ahead' : ', observed'}.`}</Text>
      ) : null}
    </Sheet>
  );
}
