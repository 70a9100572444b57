import { anyFish, fishToChoose, fishTyped, isKnownSpecies, type FishOffer, type FishPlace } from '@burrow/core/fish';
import { Suspense, useState } from 'react';
import { Pressable, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

interface Props {
  title: string;
  place: FishPlace;
  onClose: () => void;
  onFish: (id: string) => void;
  /** Offers "any fish" too: one can fish for it, and lands none of it. */
  hasAny?: boolean;
}

/** Rows shown before anything is typed. */
const shownAtOnce = 40;

/** Any fish there is: caught here, of this water, of this part of the world, of the others; or one with a name of one's own. */
export function SpeciesSheet({ title, place, onClose, onFish, hasAny }: Props) {
  const [typed, setTyped] = useState('');
  const offers = fishToChoose(place, typed);
  const [showsAll, setShowsAll] = useState(false);
  const shown = showsAll || typed !== '' ? offers : offers.slice(0, shownAtOnce);
  const own = fishTyped(typed);
  return (
    <Sheet title={title} open onClose={onClose}>
      <Suspense fallback={null}>
        <Field label="Type a name, common or scientific" value={typed} onChangeText={setTyped} maxLength={60} autoCorrect={false} />
      </Suspense>
      {hasAny && typed === '' ? <Action width="100%" height={56} label="Anything" onPress={() => onFish(anyFish)} /> : null}
      <View role="list">
        {shown.map((offer) => (
          <FishRow key={offer.id} offer={offer} onPress={() => onFish(offer.id)} />
        ))}
      </View>
      {shown.length < offers.length ? <Action kind="bare" label={`All ${offers.length} fish`} onPress={() => setShowsAll(true)} /> : null}
      {own !== undefined && !isKnownSpecies(own) ? (
        <View style={{ gap: 6 }}>
          <Text tone="second">{offers.length === 0 ? 'No fish of the list is called so.' : 'None of these? It can bear the name you typed.'}</Text>
          <Action width="100%" height={56} label={`Call it ${own}`} onPress={() => onFish(own)} />
        </View>
      ) : null}
    </Sheet>
  );
}

/** One fish of the list, with its scientific name and how often it was caught here. */
function FishRow({ offer, onPress }: { offer: FishOffer; onPress: () => void }) {
  const palette = usePalette();
  const { name, scientific, caught, isRegional } = offer;
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={name}
        onPress={onPress}
        style={{ minHeight: 56, paddingVertical: 6, justifyContent: 'center', borderBottomWidth: 1, borderBottomColor: palette.line }}
      >
        <View style={{ flexDirection: 'row', gap: 12, alignItems: 'baseline' }}>
          <View style={{ flex: 1 }}>
            <Text strong>{name}</Text>
          </View>
          {caught > 0 ? (
            <Text size="small">{`${caught} caught here`}</Text>
          ) : isRegional ? null : (
            <Text size="small" tone="second">
              not of this region
            </Text>
          )}
        </View>
        {scientific ? (
          <Text size="small" tone="second">
            {scientific}
          </Text>
        ) : null}
      </Pressable>
    </View>
  );
}
