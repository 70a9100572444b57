import { floatOverSchool } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import { clamp, currentText, depthText, liftText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

interface FloatSetting {
  speciesId: string;
  tempC: number;
  /** Null where nobody knows the wind, and the depth under the stand. */
  windMs: number | null;
  underM: number | null;
  units: UnitPreference;
}

/** A float over a school: where its stop goes, how it is moved, and where the wind takes it. */
export function FloatAdvice({ speciesId, tempC, windMs, underM, units }: FloatSetting) {
  const [topM, setTop] = useState<number | null>(null);
  const unitM = metresPerDepthUnit(units);
  const float = topM === null ? null : floatOverSchool(topM, speciesOf(speciesId).offsetM, tempC, Math.min(30, windMs ?? 0));
  return (
    <View style={{ gap: 6 }}>
      <Stepper
        label="Float over a school: its top"
        text={topM === null ? null : depthText(topM, units)}
        empty="not seen"
        onStep={(d) =>
          setTop((m) => (m === null ? clamp(Math.round((underM ?? 6) / 2 / unitM) * unitM, 0.5, 60) : clamp(m + d * unitM * (units.depth === 'ft' ? 1 : 0.25), 0.5, 60)))
        }
        onClear={() => setTop(null)}
      />
      {float ? (
        <Text>{`Stop at ${depthText(float.stopM, units)}. Pull ${liftText(float.pullM, units)}, let it settle ${Math.round(float.settleS)} s. ${windMs === null ? '' : `It drifts with the wind, about ${currentText(float.driftMs, units)}. `}${float.reason}`}</Text>
      ) : null}
    </View>
  );
}
