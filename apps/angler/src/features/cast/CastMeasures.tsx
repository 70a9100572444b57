import type { OutingState } from '@burrow/core/ledger';
import { clamp, depthText, metresPerDepthUnit, tempText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';

interface Props {
  outing: OutingState;
  station: string;
  zone: string;
  /** The level that the map stands on now, m. */
  levelM: number;
  units: UnitPreference;
  onLogged: () => void;
}

/** Where setting a temperature, °C, its depth, m, and a clarity, m, begin. */
const [startC, surfaceM, startSecchiM] = [6, 0.3, 2];

/** Water temperature, clarity and level, as read from the bank. */
export function CastMeasures({ outing, station, zone, levelM, units, onLogged }: Props) {
  const { ledger } = useLedger();
  const scope = { id: outing.id, zone };
  const [tempC, setTempC] = useState<number | null>(null);
  const [secchiM, setSecchi] = useState<number | null>(null);
  const [level, setLevel] = useState<number | null>(null);
  const [by, setBy] = useState<'gauge' | 'mark'>('mark');
  const unitM = metresPerDepthUnit(units);
  const close = (then: Promise<unknown>) => void then.then(onLogged);
  return (
    <>
      <View style={{ gap: 8 }}>
        <Stepper
          label="Water temperature"
          text={tempC === null ? null : tempText(tempC, units)}
          onStep={(d) => setTempC((t) => (t === null ? startC : clamp(t + d * (units.temp === 'F' ? 1 / 1.8 : 0.5), 0, 25)))}
          onClear={() => setTempC(null)}
          hint="It sets the pauses, how far fish move, and what brings you back to a rested lie."
        />
        <Action
          label="Log this temperature"
          disabled={tempC === null}
          onPress={() => close(ledger.write(scope, 'temperature-measured', { station, depthM: surfaceM, tempC: Math.round(10 * tempC!) / 10 }))}
        />
      </View>
      <View style={{ gap: 8 }}>
        <Stepper
          label="Clarity"
          text={secchiM === null ? null : depthText(secchiM, units)}
          onStep={(d) => setSecchi((m) => (m === null ? startSecchiM : clamp(m + d * unitM * 0.5, 0.15, 30)))}
          onClear={() => setSecchi(null)}
          hint="Where a white disc, or the bait, is lost from sight."
        />
        <Action label="Log this clarity" disabled={secchiM === null} onPress={() => close(ledger.write(scope, 'clarity-measured', { station, secchiM: secchiM! }))} />
      </View>
      <View style={{ gap: 8 }}>
        <Stepper
          label="Level of the water"
          text={level === null ? null : level === 0 ? 'as sounded' : `${depthText(Math.abs(level), units)} ${level < 0 ? 'lower' : 'higher'}`}
          empty={levelM === 0 ? 'as when it was sounded' : `logged ${depthText(Math.abs(levelM), units)} ${levelM < 0 ? 'lower' : 'higher'}`}
          onStep={(d) => setLevel((m) => clamp(Math.round(((m ?? levelM) + d * unitM * (units.depth === 'ft' ? 1 : 0.25)) * 1000) / 1000, -60, 30))}
          onClear={() => setLevel(null)}
          hint="Against the level the depths of the map were taken at. The map, the band and the advice move with it."
        />
        <Choice
          label="Read by"
          options={[
            { id: 'mark', label: 'A mark on the bank' },
            { id: 'gauge', label: 'A gauge' },
          ]}
          value={by}
          onChange={setBy}
        />
        <Action label="Log this level" disabled={level === null} onPress={() => close(ledger.write(scope, 'level-measured', { levelM: level!, by }))} />
      </View>
    </>
  );
}
