import { tempText } from '@burrow/core/units';
import { Caution } from '@/ui/Caution';
import type { CastControl } from './useCast';

/** Water this cold takes the breath, °C. */
const coldC = 15;

/** The caution of cold water, where one is on it. */
export function ColdWater({ control }: { control: CastControl }) {
  const { settings, method, units } = control;
  if (settings.temp.value > coldC) return null;
  const [first] = method.hazards({ craft: settings.craft, units } as Parameters<typeof method.hazards>[0]);
  return (
    <Caution
      headline={`Water ${tempText(settings.temp.value, units)}: flotation on`}
    >{`Cold takes the breath first, then the hands. ${first ? `${first.headline}. ${first.text}` : ''}`}</Caution>
  );
}
