import { lineAtAngle, lineDepth, lineForDepth, massThatHolds, sinkTime, type LineShape, type Lure } from '@burrow/core/rig';
import { clamp, currentText, depthText, lineText, lureMassesG, lureText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { usePreferences } from '@/data/preferences';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

const metals = [
  { id: 'tungsten', label: 'Tungsten' },
  { id: 'lead', label: 'Lead' },
  { id: 'brass', label: 'Brass' },
] as const;
const forms = [
  { id: 'teardrop', label: 'Jig' },
  { id: 'spoon', label: 'Spoon' },
  { id: 'tube', label: 'Tube' },
] as const;
/** Reckoned with where no depth is known, and said so, m. */
const assumedM = 5;
/** A line within this of upright is as good as straight down, °. */
const uprightDeg = 10;
const lines = [0.1, 0.12, 0.15, 0.18, 0.22, 0.28, 0.35];

/** Numbers of the rig on the spot: how long it sinks, and where it hangs in a current. */
export function RigSheet({ jigM, drifts, units, onClose }: { jigM: number | null; drifts: boolean; units: UnitPreference; onClose: () => void }) {
  const [material, setMaterial] = useState<(typeof metals)[number]['id']>('tungsten');
  const [shape, setShape] = useState<(typeof forms)[number]['id']>('teardrop');
  const masses = lureMassesG(units);
  const [mass, setMass] = useState(3);
  const { kit } = usePreferences();
  // The first rod's own line, where it is known.
  const ownMm = kit.rods[0]?.lineMm ?? null;
  const [line, setLine] = useState(() => (ownMm === null ? 2 : lines.reduce((best, mm, k) => (Math.abs(mm - ownMm) < Math.abs(lines[best] - ownMm) ? k : best), 0)));
  const [currentMs, setCurrent] = useState(0);
  const [leanDeg, setLean] = useState(0);
  const lure: Lure = { massG: masses[mass], material, shape };
  const depthM = Math.max(0.5, jigM ?? assumedM);
  const seconds = sinkTime(lure, depthM, lines[line]);
  // On ice the current is guessed at; adrift one sees how the line leans, and the drift follows from it.
  const hang: LineShape & { driftMs?: number } = drifts ? lineAtAngle(lure, lines[line], depthM, leanDeg) : lineDepth(lure, lines[line], depthM, currentMs);
  const isStill = drifts ? leanDeg === 0 : currentMs === 0;
  const holds = hang.driftMs !== undefined ? massThatHolds({ material, shape }, masses, lines[line], depthM, hang.driftMs, uprightDeg) : null;
  const step = (at: number, by: number, of: readonly unknown[]) => clamp(at + by, 0, of.length - 1);
  return (
    <Sheet title="Rig on the spot" open onClose={onClose}>
      <Text heading={2} size="lead">{`${seconds.toFixed(seconds < 10 ? 1 : 0)} s down to ${depthText(depthM, units)}`}</Text>
      {jigM === null ? <Text tone="straw">{`No depth is known here yet: reckoned for ${depthText(depthM, units)}, assumed.`}</Text> : null}
      <Text tone="second">
        {isStill
          ? 'On slack line in still water. A line that stops before its time has been taken: strike.'
          : `With ${depthText(depthM, units)} of line out in this current it hangs at ${depthText(hang.depthM, units)}, ${depthText(hang.setBackM, units)} off to the side, the line ${Math.round(hang.surfaceAngleDeg)}° from upright.${drifts ? (holds === null ? ' None of these weights holds it upright: drift slower, or anchor.' : ` ${lureText(holds, units)} would hold it within ${uprightDeg}°.`) : ''}${drifts ? ` To hang at ${depthText(depthM, units)} let out ${depthText(lineForDepth(lure, lines[line], depthM, leanDeg), units)}.` : ''}`}
      </Text>
      <Choice label="Form" options={forms} value={shape} onChange={setShape} wrap />
      <Choice label="Metal" options={metals} value={material} onChange={setMaterial} wrap />
      <Stepper label="Weight" text={lureText(masses[mass], units)} onStep={(d) => setMass(step(mass, d, masses))} />
      <Stepper label="Line" text={lineText(lines[line], units)} onStep={(d) => setLine(step(line, d, lines))} />
      {drifts ? (
        <Stepper
          label="Lean of the line"
          text={leanDeg === 0 ? 'upright' : `${leanDeg}°`}
          onStep={(d) => setLean((deg) => clamp(deg + 5 * d, 0, 60))}
          hint="At the surface, from upright: a fist at arm's length is about 10°."
        />
      ) : (
        <Stepper
          label="Current"
          text={currentMs === 0 ? 'none' : currentText(currentMs, units)}
          onStep={(d) => setCurrent((c) => clamp(Math.round((c + 0.05 * d) * 100) / 100, 0, 0.8))}
          hint={`Watch a speck in the hole: a hand’s width a second is about ${currentText(0.1, units)}.`}
        />
      )}
    </Sheet>
  );
}
