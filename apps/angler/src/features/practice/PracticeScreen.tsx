import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Drill } from './Drill';
import { Lessons } from './Lessons';
import { LogPlayer } from './LogPlayer';
import { usePreferences } from '@/data/preferences';

const parts = [
  { id: 'drill', label: 'Drills' },
  { id: 'lessons', label: 'Lessons' },
  { id: 'log', label: 'Play a log' },
] as const;
type Part = (typeof parts)[number]['id'];
/** Water that a log is coached in, where nothing tells, °C. */
const winterWaterC = 4;

/** Can I read it? Drills with a simulated flasher, what the flasher cannot show, and recorded logs. */
export function PracticeScreen() {
  const { units, species } = usePreferences();
  const [part, setPart] = useState<Part>('drill');
  return (
    <View style={{ flex: 1 }}>
      <View style={{ paddingHorizontal: 16, paddingTop: 8 }}>
        <Choice label="Practise by" options={parts} value={part} onChange={setPart} />
      </View>
      <View style={{ flex: 1, minHeight: 0 }}>
        {part === 'drill' ? <Drill /> : part === 'lessons' ? <Lessons units={units} /> : <LogPlayer speciesId={species} waterTempC={winterWaterC} units={units} />}
      </View>
    </View>
  );
}
