import { clamp, depthText, metresPerDepthUnit, tempText } from '@burrow/core/units';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import type { Scope } from '@/data/ledger';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

/** Where setting a temperature, °C, and a clarity, m, begin. */
const [startC, startSecchiM] = [4, 3];

interface Props {
  scope: Scope;
  station: string;
  /** Depth of the jig, m; null of one that is not in the water. */
  atM: number | null;
  /** True depth beside the one the flasher shows. */
  shown: ReactNode;
  onLogged: () => void;
}

/** A temperature read at the jig, and how far one sees into the water. */
export function LineMeasures({ scope, station, atM, shown, onLogged }: Props) {
  const { units } = usePreferences();
  const { ledger } = useLedger();
  const [tempC, setTempC] = useState<number | null>(null);
  const [secchiM, setSecchi] = useState<number | null>(null);
  return (
    <>
      <View style={{ gap: 8 }}>
        <Stepper
          label="Water at the jig"
          text={tempC === null ? null : tempText(tempC, units)}
          onStep={(d) => setTempC((t) => (t === null ? startC : clamp(t + d * (units.temp === 'F' ? 1 / 1.8 : 0.5), 0, 20)))}
          onClear={() => setTempC(null)}
          hint="Read off a thermometer; it sets the pauses, and makes depths true."
        />
        {atM === null ? <Text size="small">Lower the line first: a temperature is logged with the depth of the jig it was read at.</Text> : null}
        {shown}
        <Action
          label="Log this temperature"
          disabled={atM === null || tempC === null}
          onPress={() => void ledger.write(scope, 'temperature-measured', { station, depthM: atM!, tempC: tempC! }).then(onLogged)}
        />
      </View>
      <View style={{ gap: 8 }}>
        <Stepper
          label="Clarity"
          text={secchiM === null ? null : depthText(secchiM, units)}
          onStep={(d) => setSecchi((m) => (m === null ? startSecchiM : clamp(m + d * metresPerDepthUnit(units) * 0.5, 0.15, 30)))}
          onClear={() => setSecchi(null)}
          hint="Where a white disc, or the jig, is lost from sight. It sets how deep light reaches."
        />
        <Action label="Log this clarity" disabled={secchiM === null} onPress={() => void ledger.write(scope, 'clarity-measured', { station, secchiM: secchiM! }).then(onLogged)} />
      </View>
    </>
  );
}
