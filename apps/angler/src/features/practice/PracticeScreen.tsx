import { useState } from 'react';
import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Drill } from './Drill';
import { FloatDrill } from './FloatDrill';
import { Lessons } from './Lessons';
import { LogPlayer } from './LogPlayer';
import { usePreferences } from '@/data/preferences';

const parts = [
  { id: 'drill', label: 'Drills' },
  { id: 'float', label: 'Float' },
  { id: 'lessons', label: 'Lessons' },
  { id: 'log', label: 'Logs' },
] as const;
type Part = (typeof parts)[number]['id'];
/** Water that a log is coached in, where nothing tells, °C. */
const winterWaterC = 4;

/** Can I read it? Drills with a simulated flasher, what the flasher cannot show, and recorded logs. */
export function PracticeScreen() {
  const [part, setPart] = useState<Part>('drill');
  return (
    <View style={{ flex: 1 }}>
      <View style={{ paddingHorizontal: 16, paddingTop: 8 }}>
        <Choice label="Practise by" options={parts} value={part} onChange={setPart} />
      </View>
      <View style={{ flex: 1, minHeight: 0 }}>
        <PracticePart part={part} />
      </View>
    </View>
  );
}

function PracticePart({ part }: { part: Part }) {
  const { units, species } = usePreferences();
  if (part === 'drill') return <Drill />;
  if (part === 'float') return <FloatDrill />;
  return part === 'lessons' ? <Lessons units={units} /> : <LogPlayer speciesId={species} waterTempC={winterWaterC} units={units} />;
}
