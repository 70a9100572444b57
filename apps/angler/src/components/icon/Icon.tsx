import { mdiClose } from '@mdi/js';
import Svg, { Path } from 'react-native-svg';

export const icons = { close: mdiClose } as const;
export type IconName = keyof typeof icons;

export function Icon({ name, size = 24, color }: { name: IconName; size?: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={icons[name]} fill={color} />
    </Svg>
  );
}
