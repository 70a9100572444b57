import type { Craft, Method } from '@burrow/core/methods';
import { tempText, type UnitPreference } from '@burrow/core/units';
import { usePreferences } from '@/data/preferences';
import { Caution } from '@/ui/Caution';
import type { CastControl } from './useCast';

/** Water this cold takes the breath, °C. */
const coldC = 15;

/** The caution of cold water, where one is on it or beside it; null where nobody knows how cold. */
export function ColdWaterNote({ tempC, method, craft, units }: { tempC: number | null; method: Method; craft: Craft; units: UnitPreference }) {
  if (tempC !== null && tempC > coldC) return null;
  const [first] = method.hazards({ craft, units } as Parameters<typeof method.hazards>[0]);
  return (
    <Caution
      headline={tempC === null ? 'Take the water for cold: flotation on' : `Water ${tempText(tempC, units)}: flotation on`}
    >{`Cold takes the breath first, then the hands. ${first ? `${first.headline}. ${first.text}` : ''}`}</Caution>
  );
}

/** The same at a stand. */
export function ColdWater({ control: { settings, method } }: { control: CastControl }) {
  const { units } = usePreferences();
  return <ColdWaterNote tempC={settings.temp.by === 'assumed' ? null : settings.temp.value} method={method} craft={settings.craft} units={units} />;
}
