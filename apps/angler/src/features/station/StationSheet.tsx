import type { LonLat } from '@burrow/core/ground';
import type { EventBodies, OutingState } from '@burrow/core/ledger';
import type { Method } from '@burrow/core/methods';
import { countingThickness } from '@burrow/core/safety';
import { clamp, depthText, iceNeededText, iceText, depthStepM, metresPerDepthUnit, metresPerIceUnit } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';

/** Thickness of the two kinds of ice, m. */
interface Ice {
  clearM: number;
  whiteM: number;
}

const noIce: Ice = { clearM: 0, whiteM: 0 };
/** Where setting a depth begins on a water of which none is known, m. */
const usualDepthM = 3;

interface Props {
  method: Method;
  onClose: () => void;
  outing: OutingState;
  zone: string;
  at: LonLat;
  /** What the map expects there, m; null where there is none. */
  expectedM: number | null;
  /** Who says where it is. */
  placed: EventBodies['station-opened']['placed'];
  /** Told when it is written, and whether one goes on to the next place instead of fishing here. */
  onOpened: (goesOn: boolean) => void;
}

/** A new place to fish: its depth, and on ice its thickness, asked once with nothing filled in. What is skipped stays not measured. */
export function StationSheet({ open, ...form }: Props & { open: boolean }) {
  return open ? <StationForm {...form} /> : null;
}

function StationForm({ method, onClose, outing, zone, at, expectedM, placed, onOpened }: Props) {
  const { units } = usePreferences();
  const { ledger } = useLedger();
  const [ice, setIce] = useState<Ice | null>(null);
  const [depthM, setDepth] = useState<number | null>(null);
  const depthStep = depthStepM(units);
  const bigStep = metresPerDepthUnit(units) * (units.depth === 'ft' ? 5 : 1);
  const startDepthM = expectedM ?? outing.stations.findLast((s) => s.depthM !== null)?.depthM ?? usualDepthM;
  const stepDepth = (byM: number) => setDepth((m) => clamp((m ?? startDepthM) + byM, depthStep, 300));
  const open = async (goesOn: boolean) => {
    const station = newId();
    await ledger.writeAll({ id: outing.id, zone }, [
      {
        kind: 'station-opened',
        body: {
          station,
          kind: method.stationKind,
          label: String(outing.stations.length + 1),
          at: [at[0], at[1]],
          ...(placed ? { placed } : {}),
          ...(expectedM === null ? {} : { mapDepthM: Math.round(expectedM * 100) / 100 }),
        },
      },
      ...(ice ? [{ kind: 'ice-measured' as const, body: { station, ...ice } }] : []),
      ...(depthM === null ? [] : [{ kind: 'depth-sounded' as const, body: { station, depthM, source: 'entered' as const } }]),
    ]);
    onOpened(goesOn);
  };
  return (
    <Sheet
      title={`${method.station} ${outing.stations.length + 1}`}
      open
      onClose={onClose}
      footer={
        <View style={{ flexDirection: 'row', gap: 8 }}>
          {method.isOnIce ? <Action grow height={64} label="Drilled: on to the next" onPress={() => void open(true)} /> : null}
          <Action grow kind="main" height={64} label={method.opened} onPress={() => void open(false)} />
        </View>
      }
    >
      {method.isOnIce ? <IceSteppers ice={ice} onIce={setIce} /> : null}
      <Stepper
        label="Depth by flasher or line"
        text={depthM === null ? null : depthText(depthM, units)}
        empty="not sounded"
        onStep={(d) => (depthM === null ? setDepth(startDepthM) : stepDepth(d * depthStep))}
        onClear={() => setDepth(null)}
        big={{ text: depthText(bigStep, units), onStep: (d) => stepDepth(d * bigStep) }}
        hint={
          expectedM === null
            ? 'No map expects anything here: what you measure begins one. Skipped, it stays not sounded.'
            : `The map expects ${depthText(expectedM, units)}: an estimate, not a sounding.`
        }
      />
    </Sheet>
  );
}

/** The two kinds of ice and what they count as; skipped, they stay not measured. */
function IceSteppers({ ice, onIce }: { ice: Ice | null; onIce: (ice: Ice | null) => void }) {
  const { units, leastIceM } = usePreferences();
  const unitM = metresPerIceUnit(units);
  const [fineM, bigM] = units.ice === 'in' ? [0.5 * unitM, 2 * unitM] : [unitM, 5 * unitM];
  const countsM = ice && countingThickness(ice);
  // Ice is counted up from nothing: a figure that stands there before it was measured would be somebody's guess.
  const step = (which: keyof Ice, byM: number) => onIce({ ...(ice ?? noIce), [which]: clamp((ice ?? noIce)[which] + byM, 0, 2) });
  return (
    <>
      <Stepper
        label="Clear ice"
        text={ice && iceText(ice.clearM, units)}
        onStep={(d) => step('clearM', d * fineM)}
        onClear={() => onIce(null)}
        big={{ text: iceText(bigM, units), onStep: (d) => step('clearM', d * bigM) }}
      />
      <Stepper
        label="White ice"
        text={ice && (ice.whiteM === 0 ? 'none' : iceText(ice.whiteM, units))}
        onStep={(d) => step('whiteM', d * fineM)}
        hint="Milky ice from snow and flooding counts half."
      />
      {countsM === null ? (
        <Caution headline="Ice not measured here">Measure it before every few steps. Skipped, it is logged as not measured, and nothing is said of it.</Caution>
      ) : countsM < leastIceM ? (
        <Caution
          headline={`Counts as ${iceText(countsM, units)}: not enough`}
        >{`Below your own least of ${iceNeededText(leastIceM, units)}. Go back the way you came. The hole is logged all the same.`}</Caution>
      ) : (
        <Caution headline={`Counts as ${iceText(countsM, units)} here`}>It says nothing about the next hole. Check each one.</Caution>
      )}
    </>
  );
}
