import { releaseHere } from '@burrow/core/casting';
import { estimateWeight, isDepthInjuryLikely, keysOf, longestRulerMm, type Species } from '@burrow/core/fish';
import type { OutingState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { depthText, tempText, weightText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { useNow } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import type { FishFigures } from '@/features/entries/fish-figures';
import { FishDetails } from '@/features/fish/FishDetails';
import { KeepPlan } from '@/features/fish/KeepPlan';
import { SpeciesPills } from '@/features/fish/SpeciesPills';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { FishKeySheet } from './FishKeySheet';
import { LengthRuler } from './LengthRuler';
import { useFishDraft, type FishTake } from './useFishDraft';

interface Props extends FishTake {
  open: boolean;
  onClose: () => void;
  outing: OutingState;
  zone: string;
  airC: number | null;
  onLogged: (eventId: string, text: string) => void;
}

/** Colder than this gills and eyes freeze in seconds, °C. */
const freezingC = -5;

/** A landed fish: species, length, kept or released; what else is known of it behind one tap. */
export function FishSheet({ open, onClose, outing, zone, airC, onLogged, ...take }: Props) {
  const { units } = usePreferences();
  const now = useNow(60_000);
  const method = methodOf(outing.stations.find((s) => s.id === take.station)?.method ?? outing.method) ?? usualMethod;
  const { text, viewpoint } = releaseHere(outing, take.station, now, method.isOnIce, airC);
  const release = viewpoint ? `${text} ${viewpoint}.` : text;
  const [isKeying, setKeying] = useState(false);
  const [showsDetails, setShowsDetails] = useState(false);
  const draft = useFishDraft(outing, zone, take, (eventId, text) => {
    setShowsDetails(false);
    onLogged(eventId, text);
  });
  const { id, species, figures, keeping, card, put, choose } = draft;
  const { problems, isWarned } = keeping;
  return (
    <Sheet title="Fish" open={open} onClose={onClose} footer={<Fates draft={draft} />}>
      <SpeciesPills value={id} likely={draft.likely} place={draft.place} onChange={choose} />
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
      {species ? <Action height={48} label="Mud on its belly" selected={figures.hasMud} onPress={() => put({ hasMud: !figures.hasMud })} /> : null}
      {showsDetails ? <FishDetails figures={figures} units={units} put={put} /> : <Action kind="bare" label="Weight, girth, photo, note" onPress={() => setShowsDetails(true)} />}
      {species ? <Handling draft={draft} species={species} depthM={take.depthM} airC={airC} release={release} units={units} /> : null}
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

type Draft = ReturnType<typeof useFishDraft>;

/** Released or kept: what a rule or the own plan speaks against is read first. */
function Fates({ draft: { id, keeping, write } }: { draft: Draft }) {
  const { problems, isWarned } = keeping;
  const isAgainst = problems.length > 0;
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      <Action grow height={68} label="Released" disabled={id === null} onPress={() => void write('fish-released')} />
      <Action
        grow
        height={68}
        disabled={id === null}
        kind={isAgainst ? 'plain' : 'main'}
        label={isAgainst && !isWarned ? 'Kept all the same' : 'Kept'}
        onPress={() => (isWarned ? keeping.read() : void write('fish-kept'))}
      />
    </View>
  );
}

interface HandlingProps {
  draft: Draft;
  species: Species;
  depthM: number | null;
  airC: number | null;
  release: string;
  units: UnitPreference;
}

/** How to handle and put it back: depth it came from, frost, how many are kept. */
function Handling({ draft: { keeping, card }, species, depthM, airC, release, units }: HandlingProps) {
  const lines = [
    species.handling,
    release,
    `${keeping.keptToday === 0 ? 'None' : keeping.keptToday} kept today.`,
    keeping.planText,
    card ? 'Check the local rules.' : 'Check the local limit and size: no rule card is written for this water.',
  ];
  return (
    <>
      {depthM !== null && isDepthInjuryLikely(species, depthM) ? (
        <Caution
          headline={`From ${depthText(depthM, units)}: likely hurt by depth`}
        >{`A ${species.short.toLowerCase()} from this deep often does not live when released. Keep what you catch here within the limit, or fish shallower.`}</Caution>
      ) : null}
      {airC !== null && airC < freezingC ? (
        <Caution headline={`${tempText(airC, units)}: gills and eyes freeze in seconds`}>Unhook over the hole. No photograph, no snow, straight back.</Caution>
      ) : null}
      <Text size="small" tone="second">
        {lines.filter(Boolean).join(' ')}
      </Text>
    </>
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
