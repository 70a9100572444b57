import Svg, { Path } from 'react-native-svg';
import { paths } from './paths';

/** A hole through ice with the line in it: drawn for this app. */
const hole =
  'M12 3c5 0 9 1.6 9 3.6 0 1.8-3.4 3.3-7.8 3.6V21h-2.4V10.200C6.400 9.900 3 8.400 3 6.600 3 4.600 7 3 12 3Zm0 1.800c-4 0-7 1-7 1.800s3 1.800 7 1.800 7-1 7-1.800-3-1.800-7-1.800Z';

const icons = { ...paths, hole } as const;
export type IconName = keyof typeof icons;

/** An icon beside its label; never read out itself. */
export function Icon({ name, size = 24, color }: { name: IconName; size?: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={icons[name]} fill={color} fillRule="evenodd" />
    </Svg>
  );
}
