import { bankSegments, bankStrip, bankWords, sunHours, type BankSetting } from '../src/banks';
import { LocalFrame, type GroundFeature, type LonLat } from '../src/ground';
import { expectedText, featureText, holeStays, nextWords, ownNearby, ownText, planWords, thinPlaces, type PlaceReason } from '../src/holes';
import { fold, type EventBodies, type EventKind, type EventOf, type LedgerEvent } from '../src/ledger';
import { hourMs, imperial, metric, minuteMs } from '../src/units';
import type { WeatherHour } from '../src/weather';
import { usualMethod } from '../src/methods';

const frame = new LocalFrame(-140, 47);
const startMs = Date.parse('2027-01-16T16:00:00Z');
const here: LonLat = [-140, 47];
const there = frame.toLonLat(30, 0);
const away = frame.toLonLat(200, 0);

let count = 0;
/** One event, its body checked against its kind; ids grow in the order of writing. */
const event = <K extends EventKind>(min: number, kind: K, body: EventBodies[K]): LedgerEvent =>
  ({
    id: `e${String(count++).padStart(4, '0')}`,
    outing: 'o',
    angler: 'a',
    device: 'd',
    at: new Date(startMs + min * minuteMs).toISOString(),
    kind,
    v: 2,
    body,
  }) as EventOf<K> as LedgerEvent;

const morning = (): LedgerEvent[] => [
  event(0, 'outing-started', { water: 'pond', waterName: 'Pond', species: ['black-crappie'], goal: 'numbers', method: usualMethod.id }),
  event(1, 'station-opened', { station: 'h1', kind: 'hole', label: '1', at: [...here] }),
  event(1, 'ice-measured', { station: 'h1', clearM: 0.2, whiteM: 0 }),
  // Two looks within a minute are one fish; the third is another.
  event(5, 'reaction', { station: 'h1', reaction: 'looked' }),
  event(6, 'reaction', { station: 'h1', reaction: 'refused' }),
  event(12, 'reaction', { station: 'h1', reaction: 'looked' }),
  event(31, 'station-opened', { station: 'h2', kind: 'hole', label: '2', at: [...away] }),
  event(31, 'ice-measured', { station: 'h2', clearM: 0.04, whiteM: 0.06 }),
  event(51, 'moved', { fromStation: 'h2', station: 'h1' }),
  event(55, 'reaction', { station: 'h1', reaction: 'bite' }),
];

describe('stays from the log', () => {
  const ledger = fold(morning());

  test('run from one arrival to the next, the last to now, with different fish counted', () => {
    const stays = holeStays(ledger, 'pond', startMs + 61 * minuteMs);
    expect(stays.map(({ minutes, visits, agoMin }) => [minutes, visits, agoMin])).toEqual([
      [30, 2, 30],
      [20, 0, 10],
      [10, 1, 0],
    ]);
    expect(holeStays(ledger, 'other', startMs + 61 * minuteMs)).toEqual([]);
  });

  test('end with the outing, and none is longer than somebody would fish without a word', () => {
    const ended = fold([...morning(), event(58, 'outing-ended', {})]);
    expect(holeStays(ended, 'pond', startMs + 900 * minuteMs).at(-1)!.minutes).toBe(7);
    expect(holeStays(ledger, 'pond', startMs + 900 * minuteMs).at(-1)!.minutes).toBe(150);
  });

  test('own holes close by are added up, far ones are not', () => {
    const stays = holeStays(ledger, 'pond', startMs + 61 * minuteMs);
    expect(ownNearby(stays, there)).toEqual({ visits: 3, minutes: 40 });
    expect(ownNearby(stays, away)).toEqual({ visits: 0, minutes: 20 });
    expect(ownText(ownNearby(stays, there))).toBe('Your own holes close by: 3 fish in 40 min.');
    expect(ownText(ownNearby(stays, away))).toBe('Your own holes close by: nothing in 20 min.');
    expect(ownText({ visits: 0, minutes: 2 })).toBeNull();
  });

  test('thin ice is where the ice counted for less than the own least, white by half, and only lately', () => {
    expect(thinPlaces(ledger, 'pond', 0.1, startMs)).toEqual([away]);
    expect(thinPlaces(ledger, 'pond', 0.06, startMs)).toEqual([]);
    expect(thinPlaces(ledger, 'pond', 0.1, startMs + 60 * minuteMs)).toEqual([]);
    expect(thinPlaces(ledger, 'other', 0.1, startMs)).toEqual([]);
  });
});

describe('words', () => {
  const basin: PlaceReason = { ruleId: 'place.wintering-basin', text: 'The basin is the wintering hole.', weight: 0.9 };
  const band: PlaceReason = { ruleId: 'place.depth-band', text: 'Deep enough.', weight: 1.1 };
  const none = { visits: 0, minutes: 0 };
  const go = { isRevisit: false };

  test('the next hole: what the last one showed, then the rule before the depth', () => {
    expect(nextWords(go, { minutes: 18.4, visits: 0 }, [band, basin], none, 0.5)).toBe('Nothing in 18 min at the last. The basin is the wintering hole.');
    expect(nextWords(go, { minutes: 25, visits: 3 }, [band], none, 0.5)).toBe('3 fish in 25 min at the last. Deep enough.');
    expect(nextWords(go, undefined, [], none, 0.5)).toBe('The best of what is left.');
    expect(nextWords({ isRevisit: true }, undefined, [basin], { visits: 3, minutes: 40 }, 0.5)).toBe('It gave fish and has rested.');
    expect(nextWords({ isRevisit: true }, undefined, [basin], none, 0.5)).toBe('It is close, and has rested.');
  });

  test('the own log stands beside the rule, and in its stead where the rule has failed', () => {
    const own = { visits: 6, minutes: 40 };
    expect(nextWords(go, undefined, [basin], own, 0.8)).toBe('The basin is the wintering hole. Your own holes close by: 6 fish in 40 min.');
    expect(nextWords(go, undefined, [basin], own, 0.1)).toBe('Your own holes close by: 6 fish in 40 min.');
  });

  test('a plan says its walk and its reach, and why it has fewer holes than asked for', () => {
    expect(planWords({ walkM: 300, covered: 0.294 }, 8, 8, metric)).toEqual({
      headline: 'Eight holes, 300 m to walk',
      detail: 'Within their reach: 29 % of the fish expected on this water.',
    });
    expect(planWords({ walkM: 0, covered: 0.1 }, 1, 8, metric).headline).toBe('One hole, 0 m to walk');
    expect(planWords({ walkM: 0, covered: 0.1 }, 1, 8, metric).detail).toMatch(/More would not fit your walk or the ice measured\.$/);
    expect(planWords({ walkM: 900, covered: 0.5 }, 14, 14, metric).headline).toBe('14 holes, 900 m to walk');
  });

  test('a depth is never said to be surer than it can be read', () => {
    expect(expectedText(9.144, 0.01, imperial)).toBe('30 ft ±0.5');
    expect(expectedText(9, 0.01, metric)).toBe('9 m ±0.1');
    expect(expectedText(9, 0.6, metric)).toBe('9 m ±1.2');
  });

  test('a feature says what, how deep, where and how sure', () => {
    const hump: GroundFeature = { kind: 'hump', at: here, depthM: 2, reliefM: 3, confidence: 0.9, side: 'west' };
    expect(featureText(hump, metric)).toEqual({ name: 'hump', detail: '2 m, stands out by 3 m, west of the deepest, likely' });
    expect(featureText({ ...hump, kind: 'flat', confidence: 0.6 }, metric).detail).toBe('2 m, west of the deepest, perhaps');
    expect(featureText({ ...hump, kind: 'basin', side: '', confidence: 1 }, metric).detail).toMatch(/the deepest of all, sure$/);
  });
});

describe('the shore unrolled', () => {
  const square: LonLat[] = [
    [-200, -200],
    [200, -200],
    [200, 200],
    [-200, 200],
  ].map(([x, y]) => frame.toLonLat(x, y));
  const south = Array.from({ length: 41 }, (_, i) => frame.toLonLat(-200 + 10 * i, -200));
  const { ring, segments } = bankSegments(square, [{ line: south, heightM: 15, steepness: 'wall' }]);
  const place = { lon: -140, lat: 47, timeZone: 'Etc/GMT+9' };
  const noon = Date.parse('2027-01-16T21:00:00Z');
  const row = (atMs: number): WeatherHour => ({ atMs, airC: 3, pressureHpa: 1020, windMs: 2, windFromDeg: 270, cloud: 0, precipMm: 0, snowCm: 0 });
  const past = sunHours(
    Array.from({ length: 49 }, (_, h) => row(noon + (h - 48) * hourMs)),
    place,
    noon - 48 * hourMs,
    noon,
  );
  const setting: BankSetting = { secchiM: 0.7, tempC: 5, airC: 3, windMs: 2, windFromDeg: 270, cloud: 0, viewpoint: 'lee' };
  const strip = bankStrip(ring, segments, past, setting, [noon - 14 * hourMs, noon], place);

  test('at night no bank has sun, at noon the northern one has and the walled southern one has not', () => {
    expect(strip.banks.every((b) => b.sunlit[0] === false)).toBe(true);
    const facing = (deg: number) => strip.banks.filter((b) => Math.abs(((b.segment.facesDeg - deg + 540) % 360) - 180) < 1);
    expect(facing(180).every((b) => b.sunlit[1])).toBe(true);
    // Away from the corners, where the wall's own end lies.
    expect(
      facing(0)
        .filter((b) => Math.abs(b.segment.x) < 150)
        .every((b) => !b.sunlit[1]),
    ).toBe(true);
  });

  test('in cold stained water without wind the best is the north bank, and it says so with its rules', () => {
    const words = bankWords(strip, setting, metric);
    expect(words.headline).toMatch(/^The north bank, /);
    expect(words.detail).toMatch(/the sunlit bank warms first.* Fish tight to it\. How steep it is nobody sounded/);
    expect(words.ruleIds).toEqual(['bank.stained-cold']);
  });

  test('clear water is fished further off, in the units of the angler', () => {
    expect(bankWords(strip, { ...setting, secchiM: 3 }, metric).detail).toMatch(/Fish 4 m to 12 m off it/);
    expect(bankWords(strip, { ...setting, tempC: null }, metric).detail).toBe(`${bankWords(strip, setting, metric).detail} The water’s temperature is not known: taken for cold.`);
    expect(bankWords(strip, { ...setting, secchiM: 3 }, imperial).detail).toMatch(/Fish 4 yd to 13 yd off it/);
  });
});
