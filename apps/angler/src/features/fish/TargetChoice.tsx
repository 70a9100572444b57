import { adviceOfWords, speciesOf } from '@burrow/core/fish';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useLedger } from '@/data/session';
import { useChooseSpecies, useSpecies } from '@/data/species';
import { useOuting, useWater } from '@/data/water';
import { Icon } from '@/ui/icon/Icon';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { SpeciesPills } from './SpeciesPills';
import { SpeciesSheet } from './SpeciesSheet';

/** Which fish the advice on a water is for; the first of the list stands for it, and is said to, until somebody chooses. */
export function TargetChoice() {
  const { water, detail } = useWater();
  const { species, isChosen, offered, place } = useSpecies(detail.data?.value.file, water?.id);
  const choose = useChooseSpecies(water?.id);
  // Who fishes here is not known before the log is open.
  const { ready } = useLedger();
  const advised = adviceOfWords(species);
  return (
    <View style={{ gap: 4 }}>
      <SpeciesPills label="Fish" isRow hasAny value={isChosen ? species : null} likely={offered.map((s) => s.id)} place={place} onChange={choose} />
      {isChosen || !ready ? null : <Text size="small" tone="straw">{`Nobody has said which fish: this is for ${speciesOf(species).short.toLowerCase()}.`}</Text>}
      {isChosen && advised ? (
        <Text size="small" tone="straw">
          {advised}
        </Text>
      ) : null}
    </View>
  );
}

/** The facts over a station, which lead to what is fished for. */
export function FactsLine({ facts }: { facts: string }) {
  const palette = usePalette();
  const outing = useOuting();
  const { detail } = useWater();
  const { species, place } = useSpecies(detail.data?.value.file, outing?.water);
  const choose = useChooseSpecies(outing?.water);
  const [isChoosing, setChoosing] = useState(false);
  const line = (
    <Text size="small" tone="second" numberOfLines={1}>
      {facts}
    </Text>
  );
  if (!outing) return line;
  return (
    <>
      <Pressable
        role="button"
        aria-label={`${facts}. Fishing for ${speciesOf(species).short}: change`}
        hitSlop={14}
        onPress={() => setChoosing(true)}
        style={{ flexDirection: 'row', gap: 6, alignItems: 'center', minHeight: 28 }}
      >
        <View style={{ flexShrink: 1 }}>{line}</View>
        <Icon name="edit" size={14} color={palette.second} />
      </Pressable>
      {isChoosing ? (
        <SpeciesSheet
          title="What do you fish for?"
          place={place}
          hasAny
          onClose={() => setChoosing(false)}
          onFish={(id) => {
            setChoosing(false);
            choose(id);
          }}
        />
      ) : null}
    </>
  );
}
