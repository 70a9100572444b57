import type { LedgerState } from '../ledger';
import { methodOf } from '../methods';
import { feedingActivity, startingSetting } from '../outlook';
import { isKnownSpecies } from '../fish';
import { hourMs } from '../units';
import { findFronts, findPhases, type Place, type WeatherHour } from '../weather';
import { visitsOf } from '../visits';
import { calibrationOf, type Calibration, type ForetoldStretch } from './calibration';
import { dayPart, stretchesOf } from './stretches';

/**
 * The Outlook of each outing on a water against the bites that came: what it would have said with the weather as it was.
 * @param water id of the water in the ledger
 * @param deepestM of the water, m; it decides between first and warmed hours
 */
export function outlookAgainstLog(ledger: LedgerState, water: string, place: Place, series: readonly WeatherHour[], deepestM: number | null, nowMs: number): Calibration {
  const outings = ledger.outings.filter((o) => o.water === water && isKnownSpecies(o.species[0] ?? ''));
  const own: LedgerState = { ...ledger, outings };
  if (series.length < 2) return calibrationOf([], 0);
  const phases = findPhases(series, findFronts(series, place.lat), nowMs);
  const [firstMs, lastMs] = [series[0].atMs, series[series.length - 1].atMs];
  const methods = [...new Set(outings.flatMap((o) => o.stations.map((s) => s.method)))];
  const foretold = methods.flatMap((method) =>
    stretchesOf(own, method, nowMs, series, place.lat).flatMap((s): ForetoldStretch[] => {
      const toMs = s.fromMs + s.minutes * 60_000;
      // Of hours without weather nothing was foretold.
      if (s.fromMs < firstMs - hourMs || toMs > lastMs + hourMs) return [];
      const species = outings.find((o) => o.id === s.outing)!.species[0];
      const setting = { ...startingSetting, isOpen: methodOf(method)?.isOnIce !== true, deepestM: deepestM ?? startingSetting.deepestM };
      const activity = feedingActivity(species, { fromMs: s.fromMs, toMs }, phases, series, place, setting);
      const part = dayPart((s.fromMs + toMs) / 2, [place.lon, place.lat]);
      return [
        {
          outing: s.outing,
          hours: s.minutes / 60,
          activity: Math.max(0.02, activity.reduce((sum, a) => sum + a.value, 0) / activity.length),
          isLowSun: part === 'dawn' || part === 'dusk',
          bites: s.bites,
        },
      ];
    }),
  );
  return calibrationOf(
    foretold,
    outings.reduce((sum, o) => sum + visitsOf(o, nowMs).length, 0),
  );
}
