import { winterDays, type ColumnInput } from '@burrow/core/column';
import { buildDepthMap, hypsographyOf, surveyedArea, type Sounding } from '@burrow/core/ground';
import { islandsOf, shoreOf, soundingsOf, type WaterFile } from '@burrow/contract/formats/water-geojson';

export interface WinterTask {
  /** The water's file, read here: the thread that answers everybody has no use for it. */
  waterJson: string;
  /** Depths of the log, beside those of the file. */
  sounded: Sounding[];
  column: Omit<ColumnInput, 'hypsography'>;
}

export type WinterResult = { ok: true; winter: Pick<ReturnType<typeof winterDays>, 'days' | 'freezeUpMs' | 'iceOutMs'> } | { ok: false; why: string };

/** One water's winter, on a thread of its own: the map, the fit and the days. What cannot be computed is answered, not thrown. */
export default function winter({ waterJson, sounded, column }: WinterTask): WinterResult {
  try {
    const file = JSON.parse(waterJson) as WaterFile;
    const soundings = [...soundingsOf(file), ...sounded];
    const area = surveyedArea(shoreOf(file), soundings, islandsOf(file));
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
