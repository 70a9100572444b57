import { isSetLine, type StationState, type LineState, type OutingState } from '@burrow/core/ledger';
import { lineProblem } from '@burrow/core/law';
import { lineToPull, tipUpHeights } from '@burrow/core/rig';
import { clamp, clockText, depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { radius, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { flagOf, flagText, tipUpName } from './tip-ups';

interface Props {
  onClose: () => void;
  outing: OutingState;
  hole: StationState;
  zone: string;
  units: UnitPreference;
  bottomM: number | null;
  nowMs: number;
  /** A fish came up on this line. */
  onFish: (line: string) => void;
}

const deadBait = 'Dead bait under a flag';
/** Where setting the bottom begins where nothing tells it, m. */
const startBottomM = 8;

/** Tip-ups that are set: their flags with a timer, and one more at a height over the bottom. */
export function TipUpSheet({ onClose, outing, hole, zone, units, bottomM, nowMs, onFish }: Props) {
  const { ledger } = useLedger();
  const { mapDepthM } = hole;
  const [heightM, setHeight] = useState<number>(tipUpHeights.startM);
  const [plumbedM, setPlumbed] = useState<number | null>(null);
  const floorM = plumbedM ?? bottomM;
  const scope = { id: outing.id, zone };
  const set = outing.lines.filter((l) => isSetLine(l) && l.upMs === null);
  const card = useWater().detail.data?.value.file.water.rules;
  const out = outing.lines.filter((l) => l.upMs === null).length;
  const tooMany = card ? lineProblem(card, out) : null;
  const depthM = floorM === null ? null : lineToPull(Math.max(1, floorM), clamp(heightM, 0.05, Math.max(1, floorM) - 0.15));
  const down = (rod: string, stationId: string, atM: number | null) =>
    ({ kind: 'line-down', body: { line: newId(), station: stationId, rod, presentation: deadBait, ...(atM === null ? {} : { depthM: Math.round(atM * 100) / 100 }) } }) as const;
  const again = (line: LineState) => void ledger.writeAll(scope, [{ kind: 'line-up', body: { line: line.id } }, down(line.rod, line.station, line.depths.at(-1)?.depthM ?? null)]);
  /** What came to it, and the line down again with a fresh bait as deep as it hung. */
  const answered = (line: LineState, reaction: 'missed' | 'robbed') => {
    const depth = line.depths.at(-1)?.depthM;
    return void ledger.writeAll(scope, [
      { kind: 'reaction', body: { station: line.station, line: line.id, reaction, ...(depth === undefined ? {} : { depthM: depth }) } },
      { kind: 'line-up', body: { line: line.id } },
      down(line.rod, line.station, depth ?? null),
    ]);
  };
  return (
    <Sheet
      title="Tip-ups"
      open
      onClose={onClose}
      footer={
        <Action
          kind="main"
          height={64}
          label={depthM === null ? 'Set here: the bottom first' : `Set here, ${depthText(depthM, units)} of line`}
          disabled={depthM === null}
          onPress={() => void ledger.write(scope, 'line-down', down(tipUpName(outing), hole.id, depthM).body)}
        />
      }
    >
      {tooMany ? <Caution headline="By your rule card">{tooMany}</Caution> : null}
      {set.length === 0 ? <Text tone="second">None set. Loose line, the flag bent under; your rules say how many lines and how near you must stay.</Text> : null}
      {set.map((line) => (
        <TipUp
          key={line.id}
          line={line}
          where={`hole ${outing.stations.find((h) => h.id === line.station)?.label ?? '?'}, ${line.depths.length > 0 ? depthText(line.depths[line.depths.length - 1].depthM, units) : 'depth unknown'}, since ${clockText(line.downMs, zone)}`}
          nowMs={nowMs}
          onFlag={() => void ledger.write(scope, 'flag-up', { line: line.id })}
          onFish={() => onFish(line.id)}
          onAgain={() => again(line)}
          onAnswer={(reaction) => answered(line, reaction)}
          onUp={() => void ledger.write(scope, 'line-up', { line: line.id })}
        />
      ))}
      <Stepper
        label="Over the bottom"
        text={depthText(heightM, units)}
        onStep={(d) => setHeight((m) => clamp(m + (d * metresPerDepthUnit(units)) / 2, 0.1, tipUpHeights.mostM * 2))}
        hint="A hand or two is the start; up to a long arm for lake trout."
      />
      <Stepper
        label="Bottom"
        text={floorM === null ? null : depthText(floorM, units)}
        empty="not sounded"
        onStep={(d) => setPlumbed(floorM === null ? (mapDepthM ?? startBottomM) : clamp(floorM + (d * metresPerDepthUnit(units)) / 2, 1, 100))}
        hint={
          plumbedM === null && bottomM !== null
            ? 'Off the flasher. A line with a weight tells it too.'
            : `By a line let down with a weight.${mapDepthM === null ? '' : ` The map expects ${depthText(mapDepthM, units)}.`}`
        }
      />
    </Sheet>
  );
}

interface TipUpProps {
  line: LineState;
  where: string;
  nowMs: number;
  onFlag: () => void;
  onFish: () => void;
  onAgain: () => void;
  onAnswer: (reaction: 'missed' | 'robbed') => void;
  onUp: () => void;
}

function TipUp({ line, where, nowMs, onFlag, onFish, onAgain, onAnswer, onUp }: TipUpProps) {
  const palette = usePalette();
  const flagMs = flagOf(line);
  return (
    <View
      style={{
        gap: 8,
        padding: 12,
        borderRadius: radius,
        borderWidth: flagMs === null ? 1 : 3,
        borderColor: flagMs === null ? palette.line : palette.ember,
        backgroundColor: palette.card,
      }}
    >
      <Text strong>{flagMs === null ? line.rod : `${line.rod}: flag up ${flagText(nowMs - flagMs)}`}</Text>
      <Text size="small" tone="second">
        {flagMs === null ? where : `${where}. The jig rod made fast first. Kneel, lift the line off the ice, pull the slack in by hand; when you feel weight, strike.`}
      </Text>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {flagMs === null ? (
          <Action grow height={64} kind="main" label="Flag up" onPress={onFlag} />
        ) : (
          <Action grow height={64} kind="main" icon="fish" label="Fish" onPress={onFish} />
        )}
        {flagMs === null ? <Action grow height={64} label="Take up" onPress={onUp} /> : null}
      </View>
      {flagMs === null ? null : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Action grow height={64} label="Felt it, missed" onPress={() => onAnswer('missed')} />
          <Action grow height={64} label="Bait gone" onPress={() => onAnswer('robbed')} />
          <Action grow height={64} label="Nothing: set again" onPress={onAgain} />
          <Action grow height={64} label="Take up" onPress={onUp} />
        </View>
      )}
    </View>
  );
}
