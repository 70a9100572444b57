import { floatFamily, type FloatWork } from '@burrow/core/casting';
import { clamp, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { View } from 'react-native';
import { change, isForWay, putPresentation, unsaid, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

interface Props {
  float: FloatWork | null;
  /** Lifts what is in the water: the next cast takes the new bait down. */
  onChanged: () => void;
  onStop: (toM: number) => void;
}

/** What is on the line at a stand, and under a float where its stop is. */
export function CastBait({ float, onChanged, onStop }: Props) {
  const { presentations, presentation, units } = usePreferences();
  const forCast = presentations.filter((p) => isForWay(p, 'cast'));
  const hasFloat = forCast.some((p) => p.tackle?.family === floatFamily);
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 0.5 : 0.1);
  const take = (id: string) => {
    change({ presentation: id });
    onChanged();
  };
  return (
    <View style={{ gap: 6 }}>
      <Text strong>On the line</Text>
      {forCast.length > 0 ? <Choice label="On the line" wrap options={forCast.map((p) => ({ id: p.id, label: p.name }))} value={presentation} onChange={take} /> : null}
      {hasFloat ? null : (
        <Action height={64} label="Under a float" onPress={() => take(putPresentation({ name: 'Float and small bait', tackle: { family: floatFamily, ...unsaid } }, null))} />
      )}
      {float ? (
        <Stepper
          label="The float’s stop"
          text={depthText(float.stopM, units)}
          onStep={(d) => onStop(clamp(float.stopM + d * stepM, 0.2, 30))}
          hint={float.isSliding ? 'A sliding float: stop, bead, float. Without the bead the knot slips through.' : 'Fixed at both ends of its stem.'}
        />
      ) : null}
    </View>
  );
}
