import { assumedLineMm, trollSpeedText } from '@burrow/core/troll';
import { clamp, depthText, lineText } from '@burrow/core/units';
import { setTroll, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { LineRow, type DepthsControl, type RowLine } from './LineRow';

/** Who says how fast one goes. */
const speedWords = {
  measured: 'by the phone, over the ground',
  estimated: 'estimated from where the phone was, over the ground',
  assumed: 'assumed: set it under More',
} as const;

/** Depth of each line, with the line to let out for it; how many lines, and what hangs on them. */
export function DepthsSheet({ control }: { control: DepthsControl }) {
  const { units, troll } = usePreferences();
  const { running, log, speed, legal, onClose } = control;
  const { lines, spread, untried } = running;
  const { setLines, drawLines, liftLines } = log;
  const rows: RowLine[] =
    lines.length > 0
      ? lines.map((l, k) => ({ id: l.id, name: l.name, depthM: l.depthM, adviceM: spread[k]?.[0] ?? null, k }))
      : spread.map((s, k) => ({ id: null, name: k % 2 === 0 ? 'left' : 'right', depthM: s[0], adviceM: s[0], k }));
  const isOff = lines.some((l, k) => spread[k] && l.depthM !== null && Math.abs(l.depthM - spread[k][0]) > 0.3);
  return (
    <Sheet
      title={lines.length === 0 ? 'Set the lines' : 'Depths'}
      open
      onClose={onClose}
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
        {running.fished.some((f) => f.bites > 0) ? 'Drawn to what bit; one line stays where nobody has fished.' : 'Spread over what the fish may be in, until something bites.'}
        {untried ? ` Nobody has fished ${depthText(untried.fromM, units)} to ${depthText(untried.toM, units)} yet.` : ''}
      </Text>
      {legal !== undefined && troll.rods > legal ? (
        <Caution headline={`By your rule card: ${legal} ${legal === 1 ? 'line' : 'lines'} at once`}>The spread is made for as many as the card allows.</Caution>
      ) : null}
      {rows.map((row) => (
        <LineRow key={row.id ?? row.k} row={row} control={control} />
      ))}
      <Stepper
        label="Lines"
        text={String(troll.rods)}
        onStep={(d) => setTroll({ rods: clamp(troll.rods + d, 1, 8) })}
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
        onChange={(n) => setTroll({ baits: n === '2' ? 2 : 1 })}
      />
      <Stepper
        label="Thickness of the line"
        text={troll.lineMm === null ? null : lineText(troll.lineMm, units)}
        empty={`${lineText(assumedLineMm, units)}, assumed`}
        onStep={(d) => setTroll({ lineMm: Math.round(100 * clamp((troll.lineMm ?? assumedLineMm) + 0.01 * d, 0.05, 1.5)) / 100 })}
      />
      <Text
        size="small"
        tone="second"
      >{`Worked out for a weight of lead at ${trollSpeedText(speed.ms, units)}, ${speedWords[speed.by]}. A lip, a blade or a dead bait drags more and runs shallower: one touch of the bed tells how much.`}</Text>
      {lines.length > 0 ? <Action height={56} label="Lines in" onPress={() => void liftLines()} /> : null}
    </Sheet>
  );
}
