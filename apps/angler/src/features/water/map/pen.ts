import type { LonLat } from '@burrow/core/ground';
import { fromLonLat, toLonLat } from 'ol/proj';
import Stroke from 'ol/style/Stroke';
import type { Palette } from '@/theme/palette';
import { bold } from '@/theme/theme';

/** A place in the map's own coordinates. */
export const at = (p: LonLat | readonly number[]) => fromLonLat([p[0], p[1]]);

/** A place of the map in longitude and latitude, to the centimetre: what goes there and back stays what it was. */
export const placeAt = (coordinate: number[]): LonLat => toLonLat(coordinate).map((d) => Number(d.toFixed(7))) as unknown as LonLat;

/** A light edge round writing, so that it reads over lines. */
export const halo = (palette: Palette) => new Stroke({ color: palette.card, width: 4 });
export const font = (px: number) => `700 ${px}px ${bold}, sans-serif`;
