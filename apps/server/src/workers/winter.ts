import { winterDays, type ColumnInput } from '@burrow/core/column';
import { buildDepthMap, hypsographyOf, surveyedArea, type LonLat, type Sounding } from '@burrow/core/ground';

export interface WinterTask {
  /** Null where nobody has drawn one. */
  shore: LonLat[] | null;
  islands: LonLat[][];
  soundings: Sounding[];
  column: Omit<ColumnInput, 'hypsography'>;
}

export type WinterResult = { ok: true; winter: Pick<ReturnType<typeof winterDays>, 'days' | 'freezeUpMs' | 'iceOutMs'> } | { ok: false; why: string };

/** One water's winter, on a thread of its own: the map, the fit and the days. What cannot be computed is answered, not thrown. */
export default function winter({ shore, islands, soundings, column }: WinterTask): WinterResult {
  try {
    const area = surveyedArea(shore, soundings, islands);
    const { days, freezeUpMs, iceOutMs } = winterDays({
      ...column,
      hypsography: hypsographyOf(buildDepthMap(area.ring, soundings, { shore: area.isShore, islands: area.islands })),
    });
    return { ok: true, winter: { days, freezeUpMs, iceOutMs } };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ok: false, why: error.message };
  }
}
