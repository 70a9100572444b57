import { estimateWeight, isDepthInjuryLikely, keysOf, longestRulerMm, speciesOf, type Species } from '@burrow/core/fish';
import type { OutingState } from '@burrow/core/ledger';
import { depthText, tempText, weightText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useSpecies } from '@/data/species';
import { useWater } from '@/data/water';
import { nothingSaid, saidOf, type FishFigures } from '@/features/entries/fish-figures';
import { FishDetails } from '@/features/fish/FishDetails';
import { KeepPlan } from '@/features/fish/KeepPlan';
import { SpeciesPills } from '@/features/fish/SpeciesPills';
import { useKeeping } from '@/features/fish/useKeeping';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { FishKeySheet } from './FishKeySheet';
import { LengthRuler } from './LengthRuler';

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

/** A landed fish: species, length, kept or released; what else is known of it behind one tap. */
export function FishSheet({ open, onClose, outing, zone, station, line, depthM, bottomM, airC, onLogged, onCast = null, alongM = null, at = null, release }: Props) {
  const { units } = usePreferences();
  const { ledger } = useLedger();
  const { detail } = useWater();
  const file = detail.data?.value.file;
  const { offered, place } = useSpecies(file, outing.water);
  // What it is is asked: only what was caught last here today stands there already.
  const [picked, setPicked] = useState<string | null>(null);
  const id = picked ?? outing.fish.at(-1)?.species ?? null;
  const [isKeying, setKeying] = useState(false);
  const [showsDetails, setShowsDetails] = useState(false);
  const [figures, setFigures] = useState<FishFigures>(nothingSaid);
  const put = (part: Partial<FishFigures>) => setFigures((before) => ({ ...before, ...part }));
  const species = id === null ? null : speciesOf(id);
  const card = file?.water.rules;
  const keeping = useKeeping(outing, id, figures.lengthMm, card, zone);
  const { problems, isWarned } = keeping;
  const likely = [...new Set([...outing.fish.map((f) => f.species).reverse(), ...offered.map((s) => s.id as string)])];

  const log = async (fate: 'fish-kept' | 'fish-released') => {
    const fish = newId();
    const [landed] = await ledger.writeAll({ id: outing.id, zone }, [
      {
        kind: 'fish-landed',
        body: {
          fish,
          station,
          species: id!,
          ...saidOf(figures),
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
    setFigures(nothingSaid);
    setPicked(null);
    setShowsDetails(false);
    onLogged(landed.id, `${species!.short} ${fate === 'fish-kept' ? `kept${keeping.withOneMore}` : 'released'}`);
  };
  const choose = (fish: string) => {
    setPicked(fish);
    setFigures({ ...figures, lengthMm: null });
  };

  return (
    <Sheet
      title="Fish"
      open={open}
      onClose={onClose}
      footer={
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow height={68} label="Released" disabled={id === null} onPress={() => void log('fish-released')} />
          <Action
            grow
            height={68}
            disabled={id === null}
            kind={problems.length > 0 ? 'plain' : 'main'}
            label={problems.length > 0 && !isWarned ? 'Kept all the same' : 'Kept'}
            onPress={() => (isWarned ? keeping.read() : void log('fish-kept'))}
          />
        </View>
      }
    >
      <SpeciesPills value={id} likely={likely} place={place} onChange={choose} />
      {problems.length > 0 ? (
        <Caution headline={`${isWarned ? '' : 'Read it again: '}${keeping.byCard ? 'By your rule card' : 'By your own plan'}`}>{problems.join(' ')}</Caution>
      ) : null}
      {id !== null && keysOf(id).length > 0 ? <Action kind="bare" icon="eye" label="Which fish is it?" onPress={() => setKeying(true)} /> : null}
      {species ? (
        <>
          <LengthRuler
            lengthMm={figures.lengthMm}
            startMm={species.ruler.usualMm}
            fromMm={species.ruler.fromMm}
            toMm={longestRulerMm}
            units={units}
            onChange={(lengthMm) => put({ lengthMm })}
          />
          <Text align="center" tone={figures.lengthMm === null ? 'second' : 'ink'}>
            {weightWords(species, figures, units)}
          </Text>
        </>
      ) : (
        <Text tone="second">Choose which fish it is. Nobody has caught one here today.</Text>
      )}
      {showsDetails ? <FishDetails figures={figures} units={units} put={put} /> : <Action kind="bare" label="Weight, girth, photo, note" onPress={() => setShowsDetails(true)} />}
      {species && depthM !== null && isDepthInjuryLikely(species, depthM) ? (
        <Caution
          headline={`From ${depthText(depthM, units)}: likely hurt by depth`}
        >{`A ${species.short.toLowerCase()} from this deep often does not live when released. Keep what you catch here within the limit, or fish shallower.`}</Caution>
      ) : null}
      {airC !== null && airC < freezingC ? (
        <Caution headline={`${tempText(airC, units)}: gills and eyes freeze in seconds`}>Unhook over the hole. No photograph, no snow, straight back.</Caution>
      ) : null}
      {species ? (
        <Text
          size="small"
          tone="second"
        >{`${species.handling}${release ? ` ${release}` : ''} ${keeping.keptToday === 0 ? 'None' : keeping.keptToday} kept today. ${keeping.planText ? `${keeping.planText} ` : ''}${card ? 'Check the local rules.' : 'Check the local limit and size: no rule card is written for this water.'}`}</Text>
      ) : null}
      <KeepPlan outing={outing} zone={zone} />
      {isKeying && id !== null ? (
        <FishKeySheet
          species={id}
          card={card}
          units={units}
          onClose={() => setKeying(false)}
          onFish={(fish) => {
            setKeying(false);
            choose(fish);
          }}
        />
      ) : null}
    </Sheet>
  );
}

/** How heavy it is: as weighed, else what its length makes likely, said so. */
function weightWords(species: Species, { lengthMm, weightG }: FishFigures, units: UnitPreference): string {
  if (weightG !== null) return `${weightText(weightG, units)} weighed`;
  if (lengthMm === null) return 'Drag the ruler to its length, or leave it';
  const weight = estimateWeight(species.id, lengthMm);
  if (weight) return `About ${weightText(weight.weightG, units)}, give or take ${weightText(weight.spreadG, units)}; in full condition ${weightText(weight.fullG, units)}`;
  return species.like || species.isAssumed ? 'Its weight by length is not known here' : 'No weight by length for one of this size';
}
