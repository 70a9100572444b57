import { estimateWeight, isDepthInjuryLikely, keysOf, speciesOf, speciesTable } from '@burrow/core/fish';
import { keepProblems, keptOf } from '@burrow/core/law';
import { nowMs } from '@/data/clock';
import { useSpecies } from '@/data/species';
import { useWater } from '@/data/water';
import type { OutingState } from '@burrow/core/ledger';
import { depthText, tempText, weightText } from '@burrow/core/units';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { FishKeySheet } from './FishKeySheet';
import { LengthRuler } from './LengthRuler';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface Props {
  open: boolean;
  onClose: () => void;
  outing: OutingState;
  zone: string;
  station: string;
  line: string | undefined;
  depthM: number | null;
  bottomM: number | null;
  airC: number | null;
  onLogged: (eventId: string, text: string) => void;
  /** The cast it took on, and how far out, m. */
  onCast?: { cast: string; outM: number } | null;
  /** How far down the run it took, m. */
  alongM?: number | null;
  /** Where on a pass it took. */
  at?: readonly [number, number] | null;
  /** Where to put it back. */
  release?: string;
}

/** Colder than this gills and eyes freeze in seconds, °C. */
const freezingC = -5;

/** Species offered before asking for more. */
const atHand = 5;

/** A landed fish: species, length, kept or released. */
export function FishSheet({ open, onClose, outing, zone, station, line, depthM, bottomM, airC, onLogged, onCast = null, alongM = null, at = null, release }: Props) {
  const { units } = usePreferences();
  const { ledger, state } = useLedger();
  const { detail } = useWater();
  const file = detail.data?.value.file;
  const { species: chosen, offered: here } = useSpecies(file, outing.water);
  // Fish of this water first, the one fished for at their head; the rest of the table stays within reach.
  const all = useMemo(() => [...new Set([...here.filter((s) => s.id === chosen), ...here, ...speciesTable])], [here, chosen]);
  const [id, setId] = useState(chosen);
  const [showsAll, setShowsAll] = useState(false);
  const [isKeying, setKeying] = useState(false);
  // The likely ones at hand; a wall of names would push the ruler out of reach.
  const offered = showsAll ? all : all.slice(0, Math.min(atHand, here.length));
  const species = speciesOf(id);
  const [lengths, setLengths] = useState<Record<string, number>>({});
  const lengthMm = lengths[id] ?? null;
  const weight = lengthMm === null ? null : estimateWeight(species.id, lengthMm);
  const card = file?.water.rules;
  const kept = keptOf(state, id, nowMs(), zone);
  const problems = card ? keepProblems(card, { species: id, name: species.short, lengthMm }, kept, units) : [];
  // Said before the fish is kept; the angler decides, and has read it.
  const [readFor, setReadFor] = useState('');
  const warned = `${id} ${problems.join(' ')}`;
  const isWarned = problems.length > 0 && readFor !== warned;
  const hurt = depthM !== null && isDepthInjuryLikely(species, depthM);

  const log = async (fate: 'fish-kept' | 'fish-released') => {
    const fish = newId();
    const [landed] = await ledger.writeAll({ id: outing.id, zone }, [
      {
        kind: 'fish-landed',
        body: {
          fish,
          station,
          species: species.id,
          ...(lengthMm === null ? {} : { lengthMm: Math.round(lengthMm) }),
          ...(line ? { line } : {}),
          ...(depthM === null ? {} : { depthM }),
          ...(bottomM === null ? {} : { bottomM }),
          ...onCast,
          ...(alongM === null ? {} : { alongM: Math.round(10 * alongM) / 10 }),
          ...(at === null ? {} : { at: [at[0], at[1]] as [number, number] }),
        },
      },
      { kind: fate, body: { fish } },
    ]);
    setLengths({});
    onLogged(landed.id, `${species.short} ${fate === 'fish-kept' ? 'kept' : 'released'}`);
  };

  return (
    <Sheet
      title="Fish"
      open={open}
      onClose={onClose}
      footer={
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow height={68} label="Released" onPress={() => void log('fish-released')} />
          <Action
            grow
            height={68}
            kind={problems.length > 0 ? 'plain' : 'main'}
            label={problems.length > 0 && !isWarned ? 'Kept all the same' : 'Kept'}
            onPress={() => (isWarned ? setReadFor(warned) : void log('fish-kept'))}
          />
        </View>
      }
    >
      <Choice label="Species" wrap options={offered.map((s) => ({ id: s.id as string, label: s.short }))} value={id} onChange={setId} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {showsAll ? null : <Action kind="bare" label="Another fish" onPress={() => setShowsAll(true)} />}
        {keysOf(id).length > 0 ? <Action kind="bare" icon="eye" label="Which fish is it?" onPress={() => setKeying(true)} /> : null}
      </View>
      <LengthRuler
        lengthMm={lengthMm}
        startMm={species.ruler.usualMm}
        fromMm={species.ruler.fromMm}
        toMm={species.ruler.toMm}
        units={units}
        onChange={(mm) => setLengths({ ...lengths, [id]: mm })}
      />
      <Text align="center" tone={lengthMm === null ? 'second' : 'ink'}>
        {lengthMm === null
          ? 'Drag the ruler to its length, or leave it'
          : weight
            ? `About ${weightText(weight.weightG, units)}, give or take ${weightText(weight.spreadG, units)}`
            : 'Too short for a weight'}
      </Text>
      {hurt && depthM !== null ? (
        <Caution
          headline={`From ${depthText(depthM, units)}: likely hurt by depth`}
        >{`A ${species.short.toLowerCase()} from this deep often does not live when released. Keep what you catch here within the limit, or fish shallower.`}</Caution>
      ) : null}
      {airC !== null && airC < freezingC ? (
        <Caution headline={`${tempText(airC, units)}: gills and eyes freeze in seconds`}>Unhook over the hole. No photograph, no snow, straight back.</Caution>
      ) : null}
      {problems.length > 0 ? <Caution headline={isWarned ? 'By your rule card' : 'Read it again: by your rule card'}>{problems.join(' ')}</Caution> : null}
      <Text
        size="small"
        tone="second"
      >{`${species.handling}${release ? ` ${release}` : ''} ${kept.today === 0 ? 'None' : kept.today} kept today. ${card ? 'Check the local rules.' : 'Check the local limit and size: no rule card is written for this water.'}`}</Text>
      {isKeying ? (
        <FishKeySheet
          species={id}
          card={card}
          units={units}
          onClose={() => setKeying(false)}
          onFish={(fish) => {
            setKeying(false);
            setId(fish as typeof id);
            setShowsAll(true);
          }}
        />
      ) : null}
    </Sheet>
  );
}
