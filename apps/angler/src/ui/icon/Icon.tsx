import Svg, { Path } from 'react-native-svg';
import { paths } from './paths';

/** A hole through ice with the line in it: drawn for this app. */
const hole =
  'M12 3c5 0 9 1.6 9 3.6 0 1.8-3.4 3.3-7.8 3.6V21h-2.4V10.200C6.400 9.900 3 8.400 3 6.600 3 4.600 7 3 12 3Zm0 1.800c-4 0-7 1-7 1.800s3 1.800 7 1.800 7-1 7-1.800-3-1.800-7-1.800Z';

/** A rod with its line out and the bait at its end: drawn for this app. */
const cast =
  'M3.600 21L2 20.100C5.600 13.900 7.300 9.400 9.200 4.400C9.900 2.600 12 2 13.800 3C16.700 4.700 18.200 8.200 18.600 13.200L20.900 15.500L18 18.400L15.100 15.500L17 13.600C16.600 9 15.300 6 13 4.700C12.100 4.200 11.200 4.300 10.900 5C9 10 7.200 14.700 3.600 21Z';

/** A float upright on the water: drawn for this app. */
const peg =
  'M11.200 1.500h1.600V6c2.200.700 3.600 2.400 3.600 4.500 0 1-.300 1.900-.900 2.700H21v1.900h-7.400l-.800 2.400v5h-1.600v-5l-.800-2.400H3v-1.900h5.500c-.600-.800-.900-1.700-.900-2.700C7.600 8.400 9 6.700 11.200 6Zm.8 6.200c-1.500 0-2.600 1.200-2.600 2.800 0 1.500 1.100 2.700 2.600 2.700s2.600-1.200 2.600-2.700c0-1.600-1.100-2.800-2.600-2.800Z';

/** A ball of feed and what falls out of it: drawn for this app. */
const fed =
  'M12 2a4.800 4.800 0 1 1 0 9.600A4.800 4.800 0 0 1 12 2Zm0 1.900a2.900 2.900 0 1 0 0 5.800 2.900 2.900 0 0 0 0-5.800ZM8.500 13h2v2h-2Zm5 0h2v2h-2ZM11 15.500h2v2h-2Zm-4.500.500h2v2h-2Zm9 0h2v2h-2ZM3 20h18v1.900H3Z';

/** A hull from above with its lines behind it: drawn for this app. */
const pass =
  'M12 1.500c2.400 2.300 3.600 4.800 3.600 7.600 0 1.300-.300 2.600-.800 3.900H9.200c-.500-1.300-.800-2.600-.800-3.900 0-2.800 1.200-5.300 3.600-7.600Zm-2.400 13h1.700L9.500 22.300l-1.700-.400Zm3.100 0h1.700l1.800 7.400-1.700.400Z';

/** Lines with weights at their depths under the water: drawn for this app. */
const depths = 'M2 3h20v1.900h-3.100v9.200a2.300 2.300 0 1 1-1.900 0V4.900h-4.100v4.200a2.300 2.300 0 1 1-1.900 0V4.900H7v11.200a2.300 2.300 0 1 1-1.900 0V4.900H2Z';

const icons = { pass, depths, ...paths, hole, cast, peg, fed } as const;
export type IconName = keyof typeof icons;

/** An icon beside its label; never read out itself. */
export function Icon({ name, size = 24, color }: { name: IconName; size?: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={icons[name]} fill={color} fillRule="evenodd" />
    </Svg>
  );
}
