import { shownDepth, type EchoHeader } from '@burrow/core/sonar';
import { depthFine, tempText, type UnitPreference } from '@burrow/core/units';
import { Text } from '@/ui/Text';

interface Props {
  header: EchoHeader;
  bottomM: number;
  units: UnitPreference;
}

/** True depth beside the one that the flasher itself shows: it is set to one speed of sound, and cold water carries it slower. */
export function ShownDepth({ header, bottomM, units }: Props) {
  if (header.waterTempC === undefined) return null;
  return (
    <Text size="small" tone="second">
      {`Depths are true, for water of ${tempText(header.waterTempC, units)}: the bottom is at ${depthFine(bottomM, units)}. A flasher set to ${header.soundSpeedMs} m/s shows it at ${depthFine(shownDepth(bottomM, header), units)}.`}
    </Text>
  );
}
