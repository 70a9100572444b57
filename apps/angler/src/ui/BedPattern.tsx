import { Defs, Line, Pattern, Rect } from 'react-native-svg';
import { usePalette } from '@/theme/theme';

/** The hatching of the bed, to fill with `url(#id)`; each drawing on a page wants an id of its own. */
export function BedPattern({ id }: { id: string }) {
  const palette = usePalette();
  return (
    <Defs>
      <Pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <Rect width="8" height="8" fill={palette.card} />
        <Line x1="0" y1="0" x2="0" y2="8" stroke={palette.plum} strokeWidth="2.5" />
      </Pattern>
    </Defs>
  );
}
