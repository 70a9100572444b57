import { View } from 'react-native';
import { change, usePreferences } from '@/data/preferences';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';

const points = [
  { id: 'ends', label: 'Fish their ends' },
  { id: 'sides', label: 'Pressed water: the wall beside' },
] as const;
const coldPlaces = [
  { id: 'by-sun', label: 'By the sun of the last days' },
  { id: 'coves', label: 'Coves' },
  { id: 'basin', label: 'Open basin' },
] as const;

/** Where schools differ about places: on points of this water, and in cold open water. */
export function PlaceSides({ water }: { water: string }) {
  const { pressedWaters, coldPlaces: cold } = usePreferences();
  const others = pressedWaters.filter((id) => id !== water);
  return (
    <View style={{ gap: 8 }}>
      <Text strong>On points, schools differ</Text>
      <Choice
        label="On points"
        options={points}
        value={pressedWaters.includes(water) ? 'sides' : 'ends'}
        onChange={(side) => change({ pressedWaters: side === 'sides' ? [...others, water] : others })}
        wrap
      />
      <Text strong>Cold open water: coves or the basin</Text>
      <Choice label="In cold open water" options={coldPlaces} value={cold} onChange={(side) => change({ coldPlaces: side })} wrap />
    </View>
  );
}
