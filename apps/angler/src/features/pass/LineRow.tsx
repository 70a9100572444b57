import { trollSpeedText, type PassLines } from '@burrow/core/troll';
import { clamp, depthText, distanceText, lureText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { setTroll, unsaidBait, usePreferences, type Presentation } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { PassEntries } from './usePassLog';

/** Setting a weight begins here, g. */
const startMassG = 14;
/** From here on a mass moves by 5 g, and from there by 10 g. */
const [byFiveG, byTenG] = [20, 60];

const put = <T,>(list: readonly T[], k: number, value: T, empty: T): T[] =>
  Array.from({ length: Math.max(k + 1, list.length) }, (_, i) => (i === k ? value : i < list.length ? list[i] : empty));

/** Shorter than this a line is counted as depth is, m. */
const shortM = 15;
const outText = (m: number, units: UnitPreference) => (m < shortM ? depthText(m, units) : distanceText(m, units));

/** What the depths of the lines are set by, with a chart or without. */
export interface DepthsControl {
  running: PassLines;
  log: PassEntries;
  speed: { ms: number; by: 'measured' | 'estimated' | 'assumed' };
  /** Depth under the boat, m; null where it is not known. */
  underM: number | null;
  /** Lines that the rule card allows; undefined without one. */
  legal: number | undefined;
  onClose: () => void;
}

export interface RowLine {
  /** Null while the line is not out. */
  id: string | null;
  name: string;
  depthM: number | null;
  /** What the spread asks for, m. */
  adviceM: number | null;
  /** Its place from the left. */
  k: number;
}

/** One line: its depth and the line to let out, what hangs on it, and what one touch of the bed tells. */
export function LineRow({ row, control }: { row: RowLine; control: DepthsControl }) {
  const { units, troll } = usePreferences();
  const [bait, upper] = useBaitsOn(row.k);
  const [opened, setOpened] = useState<'bait' | 'touch' | null>(null);
  const turn = (part: 'bait' | 'touch') => setOpened(opened === part ? null : part);
  const massG = troll.massesG[row.k];
  const massOf = (d: 1 | -1) => {
    const next = [...troll.massesG];
    while (next.length <= row.k) next.push(next.at(-1) ?? startMassG);
    if (massG !== undefined) next[row.k] = clamp(massG + d * (massG < byFiveG ? 1 : massG < byTenG ? 5 : 10), 1, 500);
    // Another weight is another bait behind it, as far as anybody knows.
    setTroll({ massesG: next, dragsM2: put(troll.dragsM2, row.k, null, null) });
  };
  return (
    <View style={{ gap: 4 }}>
      <LineDepth row={row} control={control} />
      <LetOut row={row} control={control} />
      <Stepper label={`Weight on the ${row.name} line`} text={massG === undefined ? null : lureText(massG, units)} empty="not said" onStep={massOf} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Action
          grow
          selected={opened === 'bait'}
          label={baitsText(bait, upper, troll.baits)}
          spoken={`Bait on the ${row.name} line: ${bait?.name ?? 'not said'}${troll.baits === 1 ? '' : `, above it ${upper?.name ?? 'not said'}`}`}
          onPress={() => turn('bait')}
        />
        {row.id !== null && massG !== undefined ? (
          <Action grow selected={opened === 'touch'} label="It touched the bed" spoken={`The ${row.name} line touched the bed`} onPress={() => turn('touch')} />
        ) : null}
      </View>
      {opened === 'bait' ? <Baits row={row} onDone={() => setOpened(null)} /> : null}
      {opened === 'touch' ? <Touch k={row.k} control={control} stepM={stepOf(units)} onDone={() => setOpened(null)} /> : null}
    </View>
  );
}

/** What hangs at the end of a line and above it; undefined where nobody said. */
function useBaitsOn(k: number): [Presentation | undefined, Presentation | undefined] {
  const { presentations, troll } = usePreferences();
  const of = (id: string | null | undefined) => presentations.find((p) => p.id === id);
  return [of(troll.lures[k]), of(troll.upperLures[k])];
}

const baitsText = (bait: Presentation | undefined, upper: Presentation | undefined, baits: number): string =>
  baits === 1 ? (bait?.name ?? unsaidBait) : `${bait?.name ?? unsaidBait}; upper: ${upper?.name ?? 'not said'}`;

/** Which bait runs at the end of a line, and where it has two which above. */
function Baits({ row, onDone }: { row: RowLine; onDone: () => void }) {
  const { presentations, troll } = usePreferences();
  const [bait, upper] = useBaitsOn(row.k);
  const options = [...presentations.map((p) => ({ id: p.id, label: p.name })), { id: '', label: 'Not said' }];
  const hasUpper = troll.baits > 1;
  // Another bait draws otherwise: what was told of its drag is of the one before.
  const dragsM2 = put(troll.dragsM2, row.k, null, null);
  return (
    <>
      {hasUpper ? <Text strong>At its end</Text> : null}
      <Choice
        label={`Bait on the ${row.name} line`}
        wrap
        options={options}
        value={bait?.id ?? ''}
        onChange={(id) => {
          setTroll({ lures: put(troll.lures, row.k, id === '' ? null : id, null), dragsM2 });
          if (!hasUpper) onDone();
        }}
      />
      {hasUpper ? (
        <>
          <Text strong>Above it</Text>
          <Choice
            label={`Upper bait on the ${row.name} line`}
            wrap
            options={options}
            value={upper?.id ?? ''}
            onChange={(id) => setTroll({ upperLures: put(troll.upperLures, row.k, id === '' ? null : id, null), dragsM2 })}
          />
        </>
      ) : null}
    </>
  );
}

const stepOf = (units: UnitPreference) => metresPerDepthUnit(units) * (units.depth === 'ft' ? 1 : 0.25);

/** The depth of a line, to set while it is out. */
function LineDepth({ row: { id, name, depthM, adviceM }, control }: { row: RowLine; control: DepthsControl }) {
  const { units } = usePreferences();
  if (id === null) return <Text strong>{`${name}: ${depthM === null ? 'no depth' : depthText(depthM, units)}`}</Text>;
  const isOff = adviceM !== null && depthM !== null && Math.abs(adviceM - depthM) > 0.3;
  return (
    <Stepper
      label={`The ${name} line`}
      text={depthM === null ? null : depthText(depthM, units)}
      onStep={(d) => void control.log.setDepth(id, clamp((depthM ?? 3) + d * stepOf(units), 0.2, 100))}
      hint={isOff ? `The spread asks for ${depthText(adviceM, units)}.` : undefined}
    />
  );
}

/** How much line to let out for the depth, or why that cannot be said. */
function LetOut({ row: { k, depthM }, control: { running } }: { row: RowLine; control: DepthsControl }) {
  const { units, troll } = usePreferences();
  const out = depthM === null ? null : running.outFor(k, depthM);
  if (out === null)
    return (
      <Text size="small" tone="straw">
        {troll.massesG[k] === undefined
          ? 'Set its weight, and the line to let out is worked out.'
          : 'No 200 m of line takes this weight so deep at this speed: heavier, thinner or slower.'}
      </Text>
    );
  const second = troll.baits === 1 ? undefined : running.baitDepthsOf(k, out, troll.secondAboveM)?.[1];
  const drag = typeof troll.dragsM2[k] === 'number' ? 'With the drag that your touch of the bed told.' : 'For a bare weight: what it draws is not known yet.';
  return <Text size="small">{`Let out ${outText(out, units)}${second === undefined ? '' : `; its second bait runs at ${depthText(second, units)}`}. ${drag}`}</Text>;
}

/** How deep the water was where a bait touched the bed: from it comes what the bait drags. */
function Touch({ k, control, stepM, onDone }: { k: number; control: DepthsControl; stepM: number; onDone: () => void }) {
  const { units } = usePreferences();
  const { underM, speed, log, running } = control;
  const [ownM, setOwn] = useState<number | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const line = running.lines[k];
  // Where the map has far more water than the line runs in, it is not the map's depth that was touched.
  const byMap = underM !== null && line.depthM !== null && underM <= line.depthM * 1.1 ? underM : null;
  const depthM = ownM ?? byMap;
  if (line.lineOutM === null) return <Text tone="straw">Set its depth once, so that the line let out is known.</Text>;
  const take = () => {
    try {
      void log.touchedBed(k, depthM!);
      onDone();
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      setWrong(`That cannot be: with ${outText(line.lineOutM!, units)} out it cannot run so deep. The weight, the speed or the depth is another.`);
    }
  };
  return (
    <View style={{ gap: 6 }}>
      <Stepper
        label="Water where it touched"
        text={depthM === null ? null : depthText(depthM, units)}
        empty="not said"
        onStep={(d) => {
          setWrong(null);
          setOwn(Math.max(0.3, (depthM ?? line.depthM ?? 3) + (depthM === null ? 0 : d * stepM)));
        }}
        hint={ownM === null && byMap !== null ? 'By the map, where you are now: set what the sounder says.' : undefined}
      />
      {wrong ? <Text tone="straw">{wrong}</Text> : null}
      {depthM === null ? null : <Action kind="main" height={56} label={`With ${outText(line.lineOutM, units)} out: take its drag from that`} onPress={take} />}
      <Text size="small" tone="second">{`Reckoned at ${trollSpeedText(speed.ms, units)}, ${speed.by}. It is set to this depth, and what it drags counts from now on.`}</Text>
    </View>
  );
}
