import { stepsOn } from '@burrow/core/methods';
import { answerColumn } from '@burrow/core/column';
import { buildDepthMap, hypsographyOf } from '@burrow/core/ground';
import { fold } from '@burrow/core/ledger';
import { answerOutlook, dayPlan, measurementsOf, outlookWords, startingPlan, weighRules } from '@burrow/core/outlook';
import { hourMs, imperial } from '@burrow/core/units';
import { findFronts, findPhases } from '@burrow/core/weather';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { outlineOf, parseLedger, parseWaterFile, parseWeatherCsv, soundingsOf } from '../src/formats';

const read = (file: string) => readFileSync(path.resolve('demo', file), 'utf8');
const water = parseWaterFile(read('tamber-lake.geojson'));
const series = parseWeatherCsv(read('weather.csv'));
const ledger = fold(parseLedger(read('season.ndjson')));
const map = buildDepthMap(outlineOf(water), soundingsOf(water));
const place = { lon: map.lon0, lat: map.lat0, timeZone: water.water.timezone };

/** The Outlook of the demo's water on one of its mornings, with what was measured and logged until then. */
function morning(iso: string) {
  const nowMs = Date.parse(iso);
  const known = series.filter((r) => r.atMs <= nowMs + 120 * hourMs);
  const column = answerColumn({
    hypsography: hypsographyOf(map),
    secchiM: water.water.secchi_m,
    elevationM: water.water.elevation_m,
    place,
    series: known,
    measurements: measurementsOf(ledger, 'tamber-lake').filter((m) => m.atMs <= nowMs),
    nowMs,
  });
  const before = { ...ledger, outings: ledger.outings.filter((o) => o.startedMs < nowMs) };
  const evidence = weighRules(before, 'tamber-lake', findPhases(known, findFronts(known, place.lat), nowMs), place, 'twilight', nowMs);
  const input = { speciesId: 'black-crappie', nowMs, place, series: known.filter((r) => r.atMs > nowMs - 240 * hourMs), column, evidence };
  const outlook = answerOutlook(input);
  const sun = outlook.sun.find((s) => s.duskMs > nowMs)!;
  return {
    column,
    outlook,
    words: outlookWords(outlook, input, imperial),
    plan: dayPlan(outlook.windows, sun, outlook.depth, { ...startingPlan, steps: stepsOn(outlook.surface) }, nowMs, imperial),
  };
}

const days = {
  'front coming': morning('2027-01-16T06:40:00-09:00'),
  'bright day behind it': morning('2027-01-17T06:40:00-09:00'),
  'warming trend in open water': morning('2026-11-11T06:40:00-09:00'),
};

test('three days of the demo differ in phase, windows, depths and plans', () => {
  const all = Object.values(days);
  expect(all.map((d) => d.outlook.phaseNow!.name)).toEqual(['approach', 'post-front clear', 'warming trend']);
  expect(
    new Set(
      all.map((d) =>
        d.outlook.windows
          .slice(0, 2)
          .map((w) => `${w.fromMs % 86_400_000}-${w.toMs % 86_400_000} ${w.value.toFixed(2)}`)
          .join(),
      ),
    ).size,
  ).toBe(3);
  expect(new Set(all.map((d) => d.outlook.depth!.look!.fromM.toFixed(1))).size).toBe(3);
  expect(new Set(all.map((d) => d.plan.map((i) => i.what).join())).size).toBe(3);
  expect(new Set(all.map((d) => d.words.headline)).size).toBeGreaterThan(1);
});

test('each for reasons one can read', () => {
  expect(days['front coming'].words.why).toMatch(/Cloud and a falling glass ahead of a front .* A cold front comes at 19:00/);
  expect(days['bright day behind it'].words.why).toMatch(/^Today: bright and high behind a front: fish lie tight to bottom/);
  expect(days['bright day behind it'].plan).toEqual([]);
  expect(days['warming trend in open water'].words.why).toMatch(/A warming spell wakes fish from midday on/);
  expect(days['warming trend in open water'].outlook.depth!.rule.where).toBe('stacked off the bottom over the wintering basin');
  expect(days['front coming'].outlook.depth!.rule.where).toBe('in basins beside a steep break');
});

test('the season’s log has come to weigh in January, and could not in November', () => {
  expect(days['front coming'].outlook.windows[0].logShare).toBeGreaterThan(0.4);
  expect(days['warming trend in open water'].outlook.windows[0].logShare).toBe(0);
});

test('the demo’s water is as the scenario has it: ice of a foot, warmest below, spent near the bottom', () => {
  const { now, fit } = days['front coming'].column;
  expect(now.iceClearM + now.iceWhiteM).toBeGreaterThan(0.3);
  expect(now.tempC.at(-1)!).toBeGreaterThan(now.tempC[4] + 2);
  expect(now.oxygenMgL.at(-1)!).toBeLessThan(3);
  expect(fit!.tempRms!.after).toBeLessThan(0.2);
});
