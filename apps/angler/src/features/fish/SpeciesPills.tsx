import { speciesOf, type FishPlace } from '@burrow/core/fish';
import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { SpeciesSheet } from './SpeciesSheet';

interface Props {
  label?: string;
  /** Null while none was chosen. */
  value: string | null;
  /** Ids of the likely ones, the likeliest first. */
  likely: readonly string[];
  place: FishPlace;
  onChange: (id: string) => void;
  /** The likely ones in one row that scrolls, instead of the first few in as many rows as they take. */
  isRow?: boolean;
  hasAny?: boolean;
}

/** Likely ones shown at once: a wall of names would push what stands below out of reach. */
const atHand = 5;

/** Which fish: the likely ones at hand, every other one step away. */
export function SpeciesPills({ label = 'Species', value, likely, place, onChange, isRow, hasAny }: Props) {
  const [isChoosing, setChoosing] = useState(false);
  // The chosen one in sight, without moving those about it.
  const shown = likely.slice(0, atHand);
  const rest = isRow ? likely.slice(atHand) : [];
  const ids = value === null || shown.includes(value) ? [...shown, ...rest] : [value, ...shown, ...rest.filter((id) => id !== value)];
  return (
    <View>
      <Choice
        label={label}
        wrap={!isRow}
        options={ids.map((id) => ({ id, label: speciesOf(id).short }))}
        value={value}
        onChange={onChange}
        more={{ label: 'Another fish', onPress: () => setChoosing(true) }}
      />
      {isChoosing ? (
        <SpeciesSheet
          title="Which fish?"
          place={place}
          hasAny={hasAny}
          onClose={() => setChoosing(false)}
          onFish={(id) => {
            setChoosing(false);
            onChange(id);
          }}
        />
      ) : null}
    </View>
  );
}
