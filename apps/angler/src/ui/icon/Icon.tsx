import Svg, { Path } from 'react-native-svg';
import { paths } from './paths';

/** A hole through ice with the line in it: drawn for this app. */
const hole =
  'M12 3c5 0 9 1.6 9 3.6 0 1.8-3.4 3.3-7.8 3.6V21h-2.4V10.200C6.400 9.900 3 8.400 3 6.600 3 4.600 7 3 12 3Zm0 1.800c-4 0-7 1-7 1.800s3 1.800 7 1.800 7-1 7-1.800-3-1.800-7-1.800Z';

/** A rod with its line out and the bait at its end: drawn for this app. */
const cast =
  'M3.600 21L2 20.100C5.600 13.900 7.300 9.400 9.200 4.400C9.900 2.600 12 2 13.800 3C16.700 4.700 18.200 8.200 18.600 13.200L20.900 15.500L18 18.400L15.100 15.500L17 13.600C16.600 9 15.300 6 13 4.700C12.100 4.200 11.200 4.300 10.900 5C9 10 7.200 14.700 3.600 21Z';

const icons = { ...paths, hole, cast } as const;
export type IconName = keyof typeof icons;

/** An icon beside its label; never read out itself. */
export function Icon({ name, size = 24, color }: { name: IconName; size?: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={icons[name]} fill={color} fillRule="evenodd" />
    </Svg>
  );
}
