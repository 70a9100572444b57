import { bankWords, type BankSetting } from '@burrow/core/banks';
import type { OutlookInput } from '@burrow/core/outlook';
import { temperatureAt, type Situation } from '@burrow/core/situation';
import { hourMs, startOfDay } from '@burrow/core/units';
import { shoreOf } from '@burrow/contract/formats/water-geojson';
import type { WaterDetail } from '@burrow/contract/api';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { shortlyKeptMs } from './computed';
import { groundWorker } from './ground';
import { usePreferences } from './preferences';

/** The water of a bank is told at this depth, m. Convention. */
const shallowM = 0.3;
/** Hours of the day that the strip shows. */
const [fromHour, toHour] = [7, 18];

/** The banks of a water by sun and wind through the day, computed in the ground worker when asked for. */
export function useBanks(water: WaterDetail | undefined, input: OutlookInput | null, situation: Situation | null, isAsked: boolean) {
  const { windViewpoint, units } = usePreferences();
  const hour = input ? Math.floor(input.nowMs / hourMs) * hourMs : 0;
  // A temperature that nobody told is no figure: the advice says that it is not known.
  const shallow = situation && temperatureAt(situation, shallowM);
  const tempC = shallow && shallow.by !== 'assumed' ? Math.round(10 * shallow.value) / 10 : null;
  const secchiM = situation?.clarity.value ?? null;
  const answer = useQuery({
    queryKey: ['banks', water?.id, hour, windViewpoint, units, tempC, secchiM],
    enabled: isAsked && water !== undefined && input !== null && secchiM !== null,
    staleTime: Infinity,
    gcTime: shortlyKeptMs,
    networkMode: 'always',
    placeholderData: keepPreviousData,
    queryFn: async () => {
      const outline = shoreOf(water!.file);
      if (!outline) throw new Error('Which bank: the shore of this water is not drawn yet. Map, Mark, Shore.');
      const { series, place, nowMs } = input!;
      const { airC, wind, cloud } = situation!;
      if (!airC || wind?.value.fromDeg == null || !cloud) throw new Error('Which bank: expected temperature, wind and cloud of this hour, and the weather lacks one of them.');
      const setting: BankSetting = {
        secchiM: secchiM!,
        tempC,
        airC: airC.value,
        windMs: wind.value.speedMs,
        windFromDeg: wind.value.fromDeg,
        cloud: cloud.value,
        viewpoint: windViewpoint,
      };
      const midnight = startOfDay(nowMs, place.timeZone);
      const hoursMs = Array.from({ length: toHour - fromHour + 1 }, (_, k) => midnight + (fromHour + k) * hourMs);
      const notes = water!.file.features.flatMap(({ properties, geometry }) =>
        properties.role === 'bank' && geometry.type === 'LineString'
          ? [
              {
                line: geometry.coordinates,
                heightM: (properties as { height_m: number }).height_m,
                ...('steepness' in properties ? { steepness: properties.steepness as 'steep' } : {}),
              },
            ]
          : [],
      );
      const strip = await (await groundWorker()).banks({ water: water!.id, outline, notes, series: [...series], place, nowMs, hoursMs, setting });
      return { strip, setting, words: bankWords(strip, setting, units) };
    },
  });
  return { banks: answer.data ?? null, why: answer.isError ? (answer.error as Error).message : null };
}
