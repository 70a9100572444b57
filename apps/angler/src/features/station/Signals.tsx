import { View } from 'react-native';
import { change, usePreferences } from '@/data/preferences';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';

const beats = [
  { id: 'off', label: 'To see only' },
  { id: 'sound', label: 'Sound' },
  { id: 'vibration', label: 'Vibration' },
] as const;
const calls = [
  { id: 'off', label: 'Silent' },
  { id: 'voice', label: 'Voice' },
  { id: 'vibration', label: 'Vibration' },
] as const;

/** Whether the beat is heard or felt, and whether a fish coming up is called out. */
export function Signals() {
  const { beatBy, callBy } = usePreferences();
  return (
    <View style={{ gap: 8 }}>
      <Text strong>The beat</Text>
      <Choice label="The beat by" options={beats} value={beatBy} onChange={(id) => change({ beatBy: id })} wrap />
      <Text strong>When a fish comes up</Text>
      <Choice label="A fish coming up by" options={calls} value={callBy} onChange={(id) => change({ callBy: id })} wrap />
    </View>
  );
}
