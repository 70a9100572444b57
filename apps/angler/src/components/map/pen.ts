import type { LonLat } from '@burrow/core/ground';
import { fromLonLat } from 'ol/proj';
import Stroke from 'ol/style/Stroke';
import type { Palette } from '@/theme/palette';
import { bold } from '@/theme/theme';

/** A place in the map's own coordinates. */
export const at = (p: LonLat | readonly number[]) => fromLonLat([p[0], p[1]]);

/** A light edge round writing, so that it reads over lines. */
export const halo = (palette: Palette) => new Stroke({ color: palette.card, width: 4 });
export const font = (px: number) => `700 ${px}px ${bold}, sans-serif`;
