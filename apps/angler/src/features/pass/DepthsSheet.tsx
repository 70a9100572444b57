import { clamp, depthText, distanceText, lineText, lureText, metresPerDepthUnit } from '@burrow/core/units';
import { View } from 'react-native';
import { change } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { PassControl } from './usePass';

/** Setting a weight begins here, g. */
const startMassG = 14;

/** Depth of each line, with the line to let out for it; how many lines, and what hangs on them. */
export function DepthsSheet({ control }: { control: PassControl }) {
  const { lines, spread, units, troll, legal, setSheet, setLines, setDepth, drawLines, liftLines, outFor, speedMs, isSpeedMeasured, untried, baitDepthsOf } = control;
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 1 : 0.25);
  const rows =
    lines.length > 0
      ? lines.map((l, k) => ({ id: l.id as string | null, name: l.name, depthM: l.depthM, advice: spread[k]?.[0] ?? null, k }))
      : spread.map((s, k) => ({ id: null, name: k % 2 === 0 ? 'left' : 'right', depthM: s[0], advice: s[0], k }));
  const set = (part: Partial<typeof troll>) => change({ troll: { ...troll, ...part } });
  const massOf = (k: number, d: 1 | -1) => {
    const next = [...troll.massesG];
    while (next.length <= k) next.push(next.at(-1) ?? startMassG);
    if (troll.massesG.length > k) next[k] = clamp(next[k] + d * (next[k] < 20 ? 1 : next[k] < 60 ? 5 : 10), 1, 500);
    set({ massesG: next });
  };
  const isOff = lines.some((l, k) => spread[k] && l.depthM !== null && Math.abs(l.depthM - spread[k][0]) > 0.3);
  return (
    <Sheet
      title={lines.length === 0 ? 'Set the lines' : 'Depths'}
      open
      onClose={() => setSheet(null)}
      footer={
        lines.length === 0 ? (
          <Action
            kind="main"
            height={64}
            label={`${spread.length === 1 ? 'Line' : 'Lines'} out at ${spread.map((s) => depthText(s[0], units)).join(', ')}`}
            onPress={() => void setLines()}
          />
        ) : isOff ? (
          <Action kind="main" height={64} label={`Set them to ${spread.map((s) => depthText(s[0], units)).join(', ')}`} onPress={() => void drawLines()} />
        ) : undefined
      }
    >
      <Text tone="second">
        {control.fished.some((f) => f.bites > 0) ? 'Drawn to what bit; one line stays where nobody has fished.' : 'Spread over what the fish may be in, until something bites.'}
        {untried ? ` Nobody has fished ${depthText(untried.fromM, units)} to ${depthText(untried.toM, units)} yet.` : ''}
      </Text>
      {legal !== undefined && troll.rods > legal ? (
        <Caution headline={`By your rule card: ${legal} ${legal === 1 ? 'line' : 'lines'} at once`}>The spread is made for as many as the card allows.</Caution>
      ) : null}
      {rows.map((row) => {
        const out = row.depthM === null ? null : outFor(row.k, row.depthM);
        const baits = out === null || troll.baits === 1 ? null : baitDepthsOf(row.k, out, troll.secondAboveM);
        return (
          <View key={row.id ?? row.k} style={{ gap: 4 }}>
            {row.id === null ? (
              <Text strong>{`${row.name}: ${row.depthM === null ? 'no depth' : depthText(row.depthM, units)}`}</Text>
            ) : (
              <Stepper
                label={`The ${row.name} line`}
                text={row.depthM === null ? null : depthText(row.depthM, units)}
                onStep={(d) => void setDepth(row.id!, clamp((row.depthM ?? 3) + d * stepM, 0.2, 100))}
                hint={row.advice !== null && row.depthM !== null && Math.abs(row.advice - row.depthM) > 0.3 ? `The spread asks for ${depthText(row.advice, units)}.` : undefined}
              />
            )}
            <Text size="small" tone={out === null ? 'straw' : 'ink'}>
              {out === null
                ? troll.massesG[row.k] === undefined
                  ? 'Set its weight, and the line to let out is worked out.'
                  : 'No 200 m of line takes this weight so deep at this speed: heavier, thinner or slower.'
                : `Let out ${distanceText(out, units)}${baits && baits.length > 1 ? `; its second bait runs at ${depthText(baits[1], units)}` : ''}.`}
            </Text>
            <Stepper
              label={`Weight on the ${row.name} line`}
              text={troll.massesG[row.k] === undefined ? null : lureText(troll.massesG[row.k], units)}
              empty="not said"
              onStep={(d) => massOf(row.k, d)}
            />
          </View>
        );
      })}
      <Stepper
        label="Lines"
        text={String(troll.rods)}
        onStep={(d) => set({ rods: clamp(troll.rods + d, 1, 8) })}
        hint={legal === undefined ? 'How many the law allows here: no rule card is written. Check the local rules.' : `Your rule card allows ${legal}.`}
      />
      <Choice
        label="Baits on a line"
        wrap
        options={[
          { id: '1', label: 'One bait a line' },
          { id: '2', label: 'Two baits a line' },
        ]}
        value={String(troll.baits) as '1' | '2'}
        onChange={(n) => set({ baits: n === '2' ? 2 : 1 })}
      />
      <Stepper
        label="Thickness of the line"
        text={lineText(troll.lineMm, units)}
        onStep={(d) => set({ lineMm: Math.round(100 * clamp(troll.lineMm + 0.01 * d, 0.05, 1.5)) / 100 })}
      />
      <Text
        size="small"
        tone="second"
      >{`Worked out for a plain lead at ${speedMs.toFixed(1)} m/s, ${isSpeedMeasured ? 'by the phone, over the ground' : 'not measured: the speed that stands under More'}. A lip, a blade or a dead bait drags more and runs shallower: one touch of the bed tells how much.`}</Text>
      {lines.length > 0 ? <Action height={56} label="Lines in" onPress={() => void liftLines()} /> : null}
    </Sheet>
  );
}
