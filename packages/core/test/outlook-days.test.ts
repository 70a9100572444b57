import { stepsOn, usualMethod } from '../src/methods';
import { hourMs, imperial, localTime, minuteMs } from '../src/units';
import { alertsFor, answerOutlook, dayPlan, measurementsOf, movedItem, outlookWords, secchiOf, startingPlan, weighRules, withoutItem } from '../src/outlook';
import { answerColumn, forcingOf, type ColumnAnswer } from '../src/column';
import { fold, type LedgerEvent } from '../src/ledger';
import { coneHypsography } from '../src/winter';
import { findFronts, findPhases, weatherAt, withSeen, type WeatherHour } from '../src/weather';
import { testId } from './events';

const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
const at = (iso: string) => Date.parse(`${iso}:00-09:00`);
const startMs = at('2026-10-01T00:00');

/** A made-up winter: mild October, a warming spell in November, frost, a cold front on 16 January. Shares nothing with the demo's station. */
const winter: WeatherHour[] = Array.from({ length: 112 * 24 }, (_, h) => {
  const ms = startMs + h * hourMs;
  const day = h / 24;
  const spell = 9 * Math.exp(-(((ms - at('2026-11-11T12:00')) / (55 * hourMs)) ** 2));
  const since = (ms - at('2027-01-16T19:00')) / hourMs;
  const front = since > -60 ? 1 / (1 + Math.exp(-since / 0.8)) : 0;
  const deck = Math.exp(-(((since + 3) / 8) ** 2));
  return {
    atMs: ms,
    airC: 11 - 20 / (1 + Math.exp(-(day - 36) / 9)) + spell + 3 * Math.cos(((h % 24) - 14.5) * (Math.PI / 12)) - 7 * front,
    pressureHpa: 1019 - 9 * Math.exp(-((since / (since < 0 ? 13 : 6)) ** 2)) + (since > 4 ? 6 * Math.exp(-(((since - 30) / 20) ** 2)) : 0),
    windMs: 3 + 4 * Math.exp(-((since / 7) ** 2)),
    windFromDeg: front > 0.5 ? 315 : 200,
    cloud: Math.max(deck * 0.95, since > 5 && since < 40 ? 0.1 : 0.35),
    precipMm: deck > 0.7 ? 0.8 : 0,
    snowCm: Math.max(0, Math.min(14, (day - 55) * 0.4)),
  };
});
const until = (ms: number) => winter.filter((r) => r.atMs <= ms + 120 * hourMs);
const columnAt = (nowMs: number): ColumnAnswer =>
  answerColumn({ hypsography: coneHypsography(13.4, 6.1e5), secchiM: 3.2, elevationM: 312, place, series: until(nowMs), measurements: [], nowMs });

function day(iso: string, speciesId = 'black-crappie') {
  const nowMs = at(iso);
  const column = columnAt(nowMs);
  const input = { speciesId, nowMs, place, series: until(nowMs).filter((r) => r.atMs > nowMs - 240 * hourMs), column };
  const outlook = answerOutlook(input);
  const sun = outlook.sun.find((s) => localTime(s.sunriseMs, place.timeZone).day === localTime(nowMs, place.timeZone).day)!;
  return {
    nowMs,
    column,
    outlook,
    words: outlookWords(outlook, input, imperial),
    plan: dayPlan(outlook.windows, sun, outlook.depth, { ...startingPlan, steps: stepsOn(outlook.surface) }, nowMs, imperial),
  };
}

const coming = day('2027-01-16T06:40');
const behind = day('2027-01-17T06:40');
const warming = day('2026-11-11T06:40');
const clock = (ms: number) => {
  const t = localTime(ms, place.timeZone);
  return t.hour + t.minute / 60;
};

test('a front on its way, the bright day behind it and a warming spell in open water give different windows, depths and plans', () => {
  expect([coming, behind, warming].map((d) => d.outlook.phaseNow!.name)).toEqual(['approach', 'post-front clear', 'warming trend']);
  const first = [coming, behind, warming].map((d) => d.outlook.windows[0]);
  expect(coming.outlook.windows[0].value).toBeGreaterThan(1.4 * behind.outlook.windows[0].value);
  expect(new Set(first.map((w) => `${clock(w.fromMs)}-${clock(w.toMs)}`)).size).toBe(3);
  const looks = [coming, behind, warming].map((d) => d.outlook.depth!);
  expect(looks.map((l) => l.stage)).toEqual(['midwinter', 'midwinter', 'open cold water']);
  expect(looks[2].look).not.toEqual(looks[0].look);
  const plans = [coming, behind, warming].map((d) => d.plan.map((i) => `${clock(i.atMs).toFixed(2)} ${i.what}`).join('; '));
  expect(new Set(plans).size).toBe(3);
});

test('each day says why in words', () => {
  expect(coming.words.why).toMatch(/falling glass ahead of a front/);
  expect(coming.words.why).toMatch(/\d+ to \d+(\.5)? ft down/);
  expect(behind.words.why).toMatch(/^Today: bright and high behind a front: .* Crappie feed best \d\d:\d\d to \d\d:\d\d on (Mon|Tue|Wed)/);
  expect(warming.outlook.windows[0].reasons.map((r) => r.ruleId)).toContain('clock.warmed');
  expect(clock(warming.outlook.windows[0].peakMs)).toBeGreaterThan(11);
  expect(warming.outlook.depth!.rule.reason).toMatch(/schools hang well off the bottom/);
});

test('the plan sets out in time, fishes the window at its depth and is off before dark', () => {
  const { plan, outlook } = coming;
  const [window] = outlook.windows;
  const fish = plan.find((i) => i.kind === 'fish')!;
  expect(plan.map((i) => i.kind).slice(0, 3)).toEqual(['set out', 'set up', 'fish']);
  expect(fish.atMs).toBeGreaterThanOrEqual(window.fromMs);
  expect(fish.what).toMatch(/^Fish \d+(\.5)? ft to \d+(\.5)? ft$/);
  const leave = plan.at(-1)!;
  expect(leave.kind).toBe('leave');
  const dusk = outlook.sun.find((s) => s.duskMs > coming.nowMs)!.duskMs;
  expect(leave.untilMs).toBeLessThanOrEqual(dusk);
  for (let i = 1; i < plan.length; i++) expect(plan[i].atMs).toBeGreaterThanOrEqual(plan[i - 1].atMs);
  expect(dayPlan([], outlook.sun[0], null, startingPlan, coming.nowMs, imperial)).toEqual([]);
});

test('a plan can be changed: what follows gives way, nothing overtakes what stands before it', () => {
  const { plan } = coming;
  const later = movedItem(plan, 'drill', 90);
  for (let i = 1; i < later.length; i++) expect(later[i].atMs).toBeGreaterThanOrEqual(later[i - 1].atMs);
  expect(later.find((i) => i.id === 'drill')!.atMs).toBe(plan.find((i) => i.id === 'drill')!.atMs + 90 * minuteMs);
  const early = movedItem(plan, 'drill', -600);
  expect(early[1].atMs).toBeGreaterThan(early[0].atMs);
  expect(withoutItem(plan, 'drill').map((i) => i.id)).not.toContain('drill');
  expect(movedItem(plan, 'nothing', 5)).toEqual(plan);
});

test('schools change the hours: the glass alone knows no clouds, the light alone no glass', () => {
  const ask = (side: 'glass' | 'light' | 'both') =>
    answerOutlook({ speciesId: 'black-crappie', nowMs: coming.nowMs, place, series: until(coming.nowMs), viewpoints: { 'pressure-or-light': side, 'early-or-warmed': 'by-water' } })
      .activity;
  expect(new Set(ask('light').map((a) => a.phaseShare))).toEqual(new Set([1]));
  const noon = ask('glass').findIndex((a) => clock(a.atMs) === 12);
  expect(ask('light')[noon].lightShare).toBeGreaterThan(ask('glass')[noon].lightShare);
  expect(ask('glass')[noon].phaseShare).toBe(ask('both')[noon].phaseShare);
});

/** A log of a winter in which fish bit `times` as often ahead of fronts as else. */
function log(times: number): LedgerEvent[] {
  const events: LedgerEvent[] = [];
  const phases = findPhases(winter, findFronts(winter, 47), at('2027-01-20T00:00'));
  const write = (outing: string, ms: number, kind: string, body: object) =>
    events.push({ id: testId(), outing, angler: 'a', device: 'd', at: new Date(ms).toISOString(), kind, v: 2, body } as unknown as LedgerEvent);
  let debt = 0;
  for (let d = 100; d < 112; d++) {
    const outing = testId();
    const [hole, line] = [testId(), testId()];
    const from = startMs + d * 24 * hourMs + 8 * hourMs;
    write(outing, from, 'outing-started', { water: 'w', waterName: 'W', species: ['black-crappie'], goal: 'numbers', method: usualMethod.id });
    write(outing, from, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [-140, 47] });
    write(outing, from, 'line-down', { line, hole, rod: 'r', presentation: 'p', depthM: 6 });
    for (let m = 0; m < 9 * 60; m += 10) {
      const ms = from + m * minuteMs;
      debt += (phases.find((p) => ms >= p.fromMs && ms < p.toMs)?.name === 'approach' ? times : 1) * 0.25;
      if (debt >= 1) {
        debt--;
        write(outing, ms, 'reaction', { station: hole, line, reaction: 'bite', depthM: 6 });
      }
    }
    write(outing, from + 9 * hourMs, 'line-up', { line });
    write(outing, from + 9 * hourMs, 'outing-ended', {});
  }
  return events;
}

test('the log moves a rule toward what it says, by how much it has seen, and fieldcraft keeps the rest', () => {
  const nowMs = at('2027-01-20T00:00');
  const phases = findPhases(winter, findFronts(winter, 47), nowMs);
  const said = (times: number) => weighRules(fold(log(times)), 'w', phases, place, 'twilight', nowMs).get('weather.approach')!;
  const [none, strong] = [said(0.2), said(4)];
  expect(none.factor).toBeLessThan(1.5);
  expect(strong.factor).toBeGreaterThan(none.factor + 0.3);
  expect(strong.minutes).toBeGreaterThan(120);
  for (const e of [none, strong]) {
    expect(e.share).toBeGreaterThan(0);
    expect(e.share).toBeLessThan(1);
  }
  const empty = weighRules(fold([]), 'w', phases, place, 'twilight', nowMs);
  expect(empty.size).toBe(0);
  const elsewhere = weighRules(fold(log(4)), 'another', phases, place, 'twilight', nowMs);
  expect(elsewhere.size).toBe(0);
});

test('alerts: a front within half a day, water up by a degree, a thaw, oxygen failing where one fishes', () => {
  const alerts = (column: ColumnAnswer | null, outlook: Partial<Parameters<typeof alertsFor>[1]>, nowMs = coming.nowMs) =>
    alertsFor(column, { depth: null, nextFront: undefined, storm: null, skin: null, ...outlook }, 'black-crappie', nowMs, place.timeZone, imperial);
  const front = (inH: number) => ({ atMs: coming.nowMs + inH * hourMs, kind: 'cold' as const, uncertaintyH: 1, strength: 1, evidence: [] });
  expect(alerts(null, { nextFront: front(8) }).map((a) => a.id)).toEqual(['front']);
  expect(alerts(null, { nextFront: front(14) })).toEqual([]);
  expect(alerts(null, { storm: { atMs: coming.nowMs + 3 * hourMs, windMs: 16, precipMm: 0 } })).toEqual([
    expect.objectContaining({ id: 'storm', isCaution: true, text: expect.stringMatching(/^Wind to 36 mph about 09:40/) }),
  ]);
  expect(alerts(behind.column, behind.outlook, behind.nowMs).map((a) => a.id)).not.toContain('ice-lost');
  const thaw = { ...coming.column, now: { ...coming.column.now, hoursAbove: 30 } };
  expect(alerts(thaw, { depth: coming.outlook.depth })[0]).toMatchObject({ id: 'ice-lost', isCaution: true });
  const warmed = { ...warming.column, dayAgo: { ...warming.column.now, tempC: warming.column.now.tempC.map((t) => t - 1.2) } };
  expect(alerts(warmed, { depth: warming.outlook.depth }, warming.nowMs).map((a) => a.id)).toContain('water-up');
  const spent = { ...coming.column.now, oxygenMgL: coming.column.now.oxygenMgL.map((o, i) => (coming.column.now.depthM[i] > 7 ? 0.5 : o)) };
  expect(alerts({ ...coming.column, ahead: [coming.column.now, spent] }, { depth: coming.outlook.depth }).map((a) => a.id)).toContain('oxygen');
  const gale = until(coming.nowMs).map((r) => (r.atMs === coming.nowMs - 40 * minuteMs + 4 * hourMs ? { ...r, windMs: 18 } : r));
  expect(answerOutlook({ speciesId: 'black-crappie', nowMs: coming.nowMs, place, series: gale }).storm?.windMs).toBe(18);
  expect(coming.outlook.storm).toBeNull();
});

test('without a wind nobody says how cold it feels, nor that skin has half an hour', () => {
  const input = {
    speciesId: 'black-crappie',
    nowMs: coming.nowMs,
    place,
    series: until(coming.nowMs).map((r) => (r.atMs > coming.nowMs - 2 * hourMs ? { ...r, windMs: null } : r)),
  };
  const outlook = answerOutlook(input);
  expect(outlook.coldest).toBeUndefined();
  expect(outlookWords(outlook, input, imperial).cold).toBe('How cold it feels is not known, without temperature or wind: dress for worse than it looks.');
});

test('what the angler reads off the barometer stands for the station, or as an hour of its own', () => {
  const rows = winter.slice(0, 5);
  const seen = withSeen(rows, [
    { ms: rows[2].atMs + 10 * minuteMs, pressureHpa: 1003, cloud: 1 },
    { ms: rows[4].atMs + 3 * hourMs, airC: -4 },
  ]);
  expect(seen).toHaveLength(6);
  expect(seen[2]).toMatchObject({ pressureHpa: 1003, cloud: 1, airC: rows[2].airC });
  expect(seen[5]).toMatchObject({ airC: -4, pressureHpa: null });
  expect(rows[2].pressureHpa).not.toBe(1003);
  expect(weatherAt(seen, rows[2].atMs)!.cloud).toBe(1);
});

test('the column takes what was measured on its own water, and weather with a hole in it is refused', () => {
  const events = log(1);
  const hole = (events[1].body as { station: string }).station;
  const ice = { ...events[1], id: testId(), kind: 'ice-measured', body: { station: hole, clearM: 0.3, whiteM: 0.05, snowM: 0.04 } } as LedgerEvent;
  const drop = { ...events[1], id: testId(), kind: 'temperature-measured', body: { station: hole, depthM: 6, tempC: 3.4 } } as LedgerEvent;
  const state = fold([...events, ice, drop]);
  expect(measurementsOf(state, 'w').map((m) => [m.kind, m.value])).toEqual([
    ['tempC', 3.4],
    ['iceClearM', 0.3],
    ['iceWhiteM', 0.05],
    ['snowM', 0.04],
  ]);
  expect(measurementsOf(state, 'elsewhere')).toEqual([]);
  const clarity = (secchiM: number, n: number) =>
    ({ ...events[1], id: testId(), at: new Date(at('2027-01-15T08:00') + n * hourMs).toISOString(), kind: 'clarity-measured', body: { secchiM } }) as LedgerEvent;
  const clear = fold([...events, clarity(4, 0), clarity(2.5, 1)]);
  expect(secchiOf(clear, 'w', at('2027-01-20T00:00'), 3)).toBe(2.5);
  expect(secchiOf(clear, 'w', at('2027-01-15T08:30'), 3)).toBe(4);
  expect(secchiOf(clear, 'elsewhere', at('2027-01-20T00:00'), 3)).toBe(3);
  const gap = winter.filter((_, h) => h < 300 || h > 400);
  expect(() => forcingOf(gap, place)).toThrow(/air temperature is missing from .* for 101 hours: expected gaps of at most 48 hours/);
});
