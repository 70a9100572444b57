import { castText } from '@burrow/core/casting';
import { fromStation, hangsText, scoutedText } from '@burrow/core/holes';
import type { OutingState } from '@burrow/core/ledger';
import { depthText, type LonLat } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { plumbedFigures } from '@/features/entries/figures';
import { FigureStepper } from '@/features/entries/FigureStepper';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { quarters } from '@/ui/quarters';
import { Text } from '@/ui/Text';

/** Distances told apart by eye, m. */
const distances = [0, 4, 7, 10, 15, 25, 40] as const;
const baits = [
  { id: 'yes', label: 'Bait on the way' },
  { id: 'no', label: 'No bait on the way' },
] as const;

const saws = [
  { id: 'school', label: 'Fish' },
  { id: 'empty', label: 'Nothing' },
] as const;

interface Props {
  outing: OutingState;
  station: string;
  zone: string;
  /** Where the station lies and where one is now, on a pass that has gone on. */
  moved?: { station: LonLat; now: LonLat };
  onLogged: () => void;
}

/** What a sounder or the eye shows in passing or to the side: a school, how deep its top over which water, whether bait was seen, which way it goes; or nothing. */
export function SchoolField({ outing, station, zone, moved, onLogged }: Props) {
  const { units } = usePreferences();
  const { ledger } = useLedger();
  const [isOpen, setOpen] = useState(false);
  const [bearing, setBearing] = useState<string | null>(null);
  const [out, setOut] = useState<string | null>(null);
  const [saw, setSaw] = useState<(typeof saws)[number]['id']>('school');
  const [topM, setTop] = useState<number | null>(null);
  const [bottomM, setBottom] = useState<number | null>(null);
  const [bait, setBait] = useState<(typeof baits)[number]['id'] | null>(null);
  const [moves, setMoves] = useState<string | null>(null);
  const scouted = scoutedText(outing.felt, units, outing.species[0]);
  if (!isOpen)
    return (
      <>
        {scouted ? <Text size="small">{scouted}</Text> : null}
        <Action height={64} label="A school to the side" onPress={() => setOpen(true)} />
      </>
    );
  const isSchool = saw === 'school';
  const isTopUnder = isSchool && topM !== null && bottomM !== null && topM > bottomM;
  const isUnder = out === '0';
  const log = async () => {
    const seen = { bearingDeg: Number(bearing ?? 0), outM: Number(out) };
    await ledger.write({ id: outing.id, zone }, 'felt', {
      station,
      what: saw,
      ...(moved ? fromStation(moved.station, moved.now, seen) : seen),
      by: 'eye',
      ...(topM === null || !isSchool ? {} : { topM }),
      ...(bottomM === null ? {} : { bottomM }),
      ...(bait === null ? {} : { hasBait: bait === 'yes' }),
      ...(moves === null || !isSchool ? {} : { movesDeg: Number(moves) }),
    });
    onLogged();
  };
  const deep = { ...plumbedFigures(units)[1], to: 100, start: 5 };
  return (
    <View role="group" aria-label="A school to the side" style={{ gap: 10 }}>
      <Text strong>A school to the side</Text>
      <Choice label="What was seen" options={saws} value={saw} onChange={setSaw} />
      <Choice
        label="Distance of the school"
        wrap
        options={distances.map((m) => ({ id: String(m), label: m === 0 ? 'Under me' : castText(m, units) }))}
        value={out}
        onChange={setOut}
      />
      {isUnder ? null : <Choice label="Bearing of the school" wrap options={quarters} value={bearing} onChange={setBearing} />}
      {isSchool ? <FigureStepper figure={deep} label="Its top" value={topM} onChange={setTop} /> : null}
      <FigureStepper figure={deep} label="Water there" value={bottomM} onChange={setBottom} />
      {isSchool && topM !== null && bottomM !== null && topM <= bottomM ? <Text size="small">{hangsText(topM, bottomM, units, outing.species[0])}</Text> : null}
      <Choice label="Bait on the way" wrap options={baits} value={bait} onChange={setBait} />
      {bait === 'no' ? <Text size="small">No bait on the way up: no need to go further that way.</Text> : null}
      {isSchool ? (
        <>
          <Text size="small" tone="second">
            It moves towards, where that is seen
          </Text>
          <Choice label="It moves towards" wrap options={quarters} value={moves} onChange={setMoves} />
        </>
      ) : null}
      {isTopUnder ? <Text size="small">{`Expected a top above the bed, at ${depthText(bottomM, units)} or shallower.`}</Text> : null}
      <Action
        kind="main"
        height={64}
        label={isSchool ? 'Log this school' : 'Log that nothing was there'}
        disabled={isTopUnder || out === null || (!isUnder && bearing === null)}
        onPress={() => void log()}
      />
    </View>
  );
}
