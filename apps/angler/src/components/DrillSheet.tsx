import type { LonLat } from '@burrow/core/ground';
import type { OutingState } from '@burrow/core/ledger';
import { simulatedBottom } from '@burrow/core/simulator';
import { countingThickness } from '@burrow/core/safety';
import { clamp, depthText, iceNeededText, iceText, metresPerDepthUnit, metresPerIceUnit } from '@burrow/core/units';
import { useState } from 'react';
import { newId } from '@/data/ledger';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useLastIce } from '@/data/water';
import { Action } from './Action';
import { Caution } from './Caution';
import { Sheet } from './Sheet';
import { Stepper } from './Stepper';

interface Props {
  onClose: () => void;
  outing: OutingState;
  zone: string;
  at: LonLat;
  expectedM: number;
  onDrilled: () => void;
}

/** A new hole: its ice and its depth, asked once. The figures start at the last measured ice and the map's depth. */
export function DrillSheet({ open, ...form }: Props & { open: boolean }) {
  return open ? <DrillForm {...form} /> : null;
}

function DrillForm({ onClose, outing, zone, at, expectedM, onDrilled }: Props) {
  const { units, leastIceM } = usePreferences();
  const { ledger } = useLedger();
  const last = useLastIce(outing.water);
  const [clearM, setClear] = useState(last?.clearM ?? 0.2);
  const [whiteM, setWhite] = useState(last?.whiteM ?? 0);
  const [depthM, setDepth] = useState(expectedM);
  const iceStep = metresPerIceUnit(units) * (units.ice === 'in' ? 0.5 : 1);
  const depthStep = metresPerDepthUnit(units) * (units.depth === 'ft' ? 0.5 : 0.1);
  const countsM = countingThickness({ clearM, whiteM });
  const drill = async () => {
    const hole = newId();
    await ledger.writeAll({ id: outing.id, zone }, [
      { kind: 'hole-drilled', body: { hole, label: String(outing.holes.length + 1), at: [at[0], at[1]] } },
      { kind: 'ice-measured', body: { hole, clearM, whiteM } },
      { kind: 'depth-sounded', body: { hole, depthM, source: 'flasher' } },
    ]);
    onDrilled();
  };
  return (
    <Sheet title={`Hole ${outing.holes.length + 1}`} open onClose={onClose} footer={<Action kind="main" height={64} label="Hole is drilled" onPress={() => void drill()} />}>
      <Stepper label="Clear ice" text={iceText(clearM, units)} onStep={(d) => setClear((m) => clamp(m + d * iceStep, 0, 2))} />
      <Stepper label="White ice" text={iceText(whiteM, units)} onStep={(d) => setWhite((m) => clamp(m + d * iceStep, 0, 2))} hint="Milky ice from snow and flooding counts half." />
      {countsM < leastIceM ? (
        <Caution
          headline={`Counts as ${iceText(countsM, units)}: not enough`}
        >{`Below your own least of ${iceNeededText(leastIceM, units)}. Go back the way you came. The hole is logged all the same.`}</Caution>
      ) : (
        <Caution headline={`Counts as ${iceText(countsM, units)} here`}>It says nothing about the next hole. Check each one.</Caution>
      )}
      <Stepper
        label="Depth on the flasher"
        text={depthText(depthM, units)}
        onStep={(d) => setDepth((m) => clamp(m + d * depthStep, simulatedBottom.leastM, simulatedBottom.mostM))}
        hint={`The map expected ${depthText(expectedM, units)}.`}
      />
    </Sheet>
  );
}
