import { fold, type EventBodies, type EventKind, type LedgerEvent, type OutingState } from '../src/ledger';
import { seededRandom, type Random } from '../src/units';
import { summariseSeason } from '../src/season';
import { visitsOf, type TakeStep, type Visit } from '../src/visits';
import { baseMs, event, testId } from './events';

const minute = 60;
const nowMs = baseMs + 40 * 3_600_000;

/** An outing written entry by entry, seconds after its start. */
class Day {
  readonly outing = testId();
  readonly events: LedgerEvent[] = [];
  constructor(method = 'ice') {
    this.at(0, 'outing-started', { water: 'w', waterName: 'W', species: ['black-crappie'], goal: 'numbers', method });
  }
  at<K extends EventKind>(s: number, kind: K, body: EventBodies[K], device = 'a'): LedgerEvent {
    const made = { ...event(this.outing, s, kind, body), device } as LedgerEvent;
    this.events.push(made);
    return made;
  }
  station(s: number, kind = 'hole', device = 'a'): string {
    const station = testId();
    this.at(s, 'station-opened', { station, kind, label: '1', at: [-140, 47] }, device);
    return station;
  }
  line(s: number, station: string, device = 'a'): string {
    const line = testId();
    this.at(s, 'line-down', { line, station, rod: 'r', presentation: 'Spoon' }, device);
    return line;
  }
  react(s: number, station: string, reaction: EventBodies['reaction']['reaction'], line?: string): void {
    this.at(s, 'reaction', { station, reaction, ...(line ? { line } : {}) });
  }
  fish(s: number, station: string, line?: string): void {
    this.at(s, 'fish-landed', { fish: testId(), station, species: 'black-crappie', ...(line ? { line } : {}) });
  }
  get state(): OutingState {
    return fold(this.events).outings[0];
  }
  get visits(): Visit[] {
    return visitsOf(this.state, nowMs);
  }
  /** Steps of each take, seconds after the start. */
  get takes(): Partial<Record<TakeStep, number>>[] {
    return this.visits.flatMap((v) => v.takes).map((t) => Object.fromEntries(Object.entries(t.steps).map(([step, ms]) => [step, (ms - baseMs) / 1000])));
  }
}

/** A hole with one line down. */
function oneLine() {
  const day = new Day();
  const hole = day.station(10);
  return { day, hole, line: day.line(20, hole) };
}

describe('takes', () => {
  test('a strike four minutes before landing is one take', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.fish(100 + 4 * minute, hole, line);
    expect(day.takes).toEqual([{ bit: 100, landed: 340 }]);
  });

  test('a bite more than six minutes before the landing is a take of its own, also with a later bite between', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.react(300, hole, 'bite', line);
    day.fish(100 + 6 * minute + 1, hole, line);
    expect(day.takes).toEqual([{ bit: 100 }, { bit: 300, landed: 461 }]);
  });

  test('two bites and a fish in a hundred seconds are one', () => {
    const { day, hole, line } = oneLine();
    for (const s of [100, 150]) day.react(s, hole, 'bite', line);
    day.fish(200, hole, line);
    expect(day.takes).toEqual([{ bit: 100, landed: 200 }]);
  });

  test('bites without an end are a take each, a missed one too', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.react(130, hole, 'missed', line);
    expect(day.takes).toEqual([{ bit: 100 }, { bit: 130 }]);
  });

  test('a loss ends its take; a bite after it begins another', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.react(110, hole, 'hooked', line);
    day.react(130, hole, 'lost', line);
    day.react(160, hole, 'bite', line);
    day.fish(200, hole, line);
    expect(day.takes).toEqual([
      { bit: 100, hooked: 110, lost: 130 },
      { bit: 160, landed: 200 },
    ]);
  });

  test('a bite on another line is another fish', () => {
    const { day, hole, line } = oneLine();
    const other = day.line(30, hole);
    day.react(100, hole, 'bite', other);
    day.fish(140, hole, line);
    expect(day.takes).toEqual([{ bit: 100 }, { landed: 140 }]);
  });

  test('of two lines that bit, a fish on no named line belongs to the latest bite', () => {
    const { day, hole, line } = oneLine();
    const other = day.line(30, hole);
    day.react(100, hole, 'bite', line);
    day.react(120, hole, 'bite', other);
    day.fish(150, hole);
    expect(day.takes).toEqual([{ bit: 100 }, { bit: 120, landed: 150 }]);
    expect(day.visits[0].takes[1].line).toBe(other);
  });

  test('a line that comes up between its bite and its own landing leaves one take', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.at(120, 'line-up', { line });
    day.fish(150, hole, line);
    expect(day.takes).toEqual([{ bit: 100, landed: 150 }]);
  });

  test('a line that came up between two bites parts them', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.at(110, 'line-up', { line });
    day.react(130, hole, 'bite', line);
    day.fish(150, hole, line);
    expect(day.takes).toEqual([{ bit: 100 }, { bit: 130, landed: 150 }]);
  });

  test('a look within a minute before a bite on its line belongs to it; alone it is a take without a bite', () => {
    const { day, hole, line } = oneLine();
    day.react(30, hole, 'followed', line);
    day.react(100, hole, 'looked', line);
    day.react(160, hole, 'bite', line);
    day.react(400, hole, 'nipped', line);
    expect(day.takes).toEqual([{ looked: 30 }, { looked: 100, bit: 160 }, { came: 400 }]);
    expect(day.visits[0].takes.map((t) => t.isBite)).toEqual([false, true, false]);
    expect(day.visits[0].answers).toEqual({ followed: 1, looked: 1, bite: 1, nipped: 1 });
  });

  test('a fish that was on and of which nothing more was said keeps the bite before it', () => {
    const { day, hole, line } = oneLine();
    day.react(100, hole, 'bite', line);
    day.react(108, hole, 'hooked', line);
    expect(day.takes).toEqual([{ bit: 100, hooked: 108 }]);
  });
});

describe('visits', () => {
  test.each(['stand', 'swim', 'spot', 'pass'])('leaving a %s for another lifts its lines; a line at a hole stays down', (kind) => {
    const day = new Day('cast');
    const first = day.station(10, kind);
    const line = day.line(20, first);
    day.station(620, kind);
    expect(day.state.lines.find((l) => l.id === line)!.upMs).toBe(baseMs + 620_000);
    expect(day.visits.map((v) => v.minutes)).toEqual([10, 0]);
    const ice = new Day();
    const hole = ice.station(10);
    ice.line(20, hole);
    ice.station(620);
    ice.at(1220, 'outing-ended', {});
    expect(ice.visits.map((v) => v.minutes)).toEqual([20, 0]);
  });

  test('only the phone that leaves lifts its lines', () => {
    const day = new Day('cast');
    const stand = day.station(10, 'stand', 'a');
    const mine = day.line(20, stand, 'a');
    const theirs = day.line(30, stand, 'b');
    day.station(620, 'stand', 'a');
    const up = (id: string) => day.state.lines.find((l) => l.id === id)!.upMs;
    expect([up(mine), up(theirs)]).toEqual([baseMs + 620_000, null]);
  });

  test('the end of a pass lifts what it ran', () => {
    const day = new Day('troll');
    const pass = day.station(10, 'pass');
    day.line(20, pass);
    day.at(320, 'pass-ended', { station: pass });
    expect(day.visits.map((v) => [v.minutes, (v.toMs! - baseMs) / 1000])).toEqual([[5, 320]]);
  });

  test('a way changed at a station ends its visit; a station come back to has another', () => {
    const day = new Day('cast');
    const stand = day.station(10, 'stand');
    day.line(20, stand);
    day.at(320, 'method-changed', { method: 'vertical' });
    const spot = day.station(320, 'spot');
    day.line(330, spot);
    day.at(630, 'method-changed', { method: 'cast' });
    day.at(640, 'moved', { station: stand });
    day.line(650, stand);
    day.fish(700, stand);
    day.at(950, 'outing-ended', {});
    expect(day.visits.map((v) => [v.station, v.method, v.minutes, v.takes.length])).toEqual([
      [stand, 'cast', 5, 0],
      [spot, 'vertical', 5, 0],
      [stand, 'cast', 5, 1],
    ]);
  });

  test('what was logged at a station whose opening was taken back is in a visit all the same', () => {
    const day = new Day('cast');
    const stand = day.station(10, 'stand');
    day.at(30, 'cast', { cast: testId(), station: stand, bearingDeg: 10, distanceM: 20 });
    day.fish(60, stand);
    day.at(90, 'undone', { target: day.events[1].id });
    expect(day.visits.map((v) => [v.station, v.casts.length, v.takes.length])).toEqual([[stand, 1, 1]]);
  });
});

/** A day by chance: places of any kind, lines, casts, all reactions, fish named and unnamed, two phones. */
function randomDay(random: Random): Day {
  const kinds = { ice: 'hole', cast: 'stand', pole: 'swim', vertical: 'spot', troll: 'pass' } as const;
  const methods = Object.keys(kinds) as (keyof typeof kinds)[];
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  let method = pick(methods);
  const day = new Day(method);
  const stations: string[] = [];
  const lines: { line: string; station: string }[] = [];
  let s = 10;
  for (let k = 0; k < 60; k++) {
    s += Math.floor(random() * 200);
    const device = random() < 0.8 ? 'a' : 'b';
    const station = stations.at(-1);
    const dice = random();
    if (station === undefined || dice < 0.08) stations.push(day.station(s, kinds[method], device));
    else if (dice < 0.12) day.at(s, 'method-changed', { method: (method = pick(methods)) }, device);
    else if (dice < 0.17) day.at(s, 'moved', { station: pick(stations) }, device);
    else if (dice < 0.3) lines.push({ line: day.line(s, station, device), station });
    else if (dice < 0.36 && lines.length > 0) day.at(s, 'line-up', { line: pick(lines).line }, device);
    else if (dice < 0.45) day.at(s, 'cast', { cast: testId(), station, bearingDeg: 10, distanceM: 20 }, device);
    else {
      const on = random() < 0.75 && lines.length > 0 ? pick(lines) : { station, line: undefined };
      if (random() < 0.25) day.fish(s, on.station, on.line);
      else
        day.react(
          s,
          on.station,
          pick(['looked', 'stalled', 'followed', 'chased', 'ignored', 'refused', 'fled', 'nipped', 'bite', 'robbed', 'missed', 'hooked', 'lost'] as const),
          on.line,
        );
    }
  }
  if (random() < 0.8) day.at(s + 100, 'outing-ended', {});
  if (random() < 0.3) day.at(s + 200, 'undone', { target: pick(day.events.slice(1)).id });
  return day;
}

const ledgers = process.env.BURROW_LONG ? 2000 : 300;

test(`in ${ledgers} random ledgers visits hold every line, cast, bite and fish once, and add up to the season`, () => {
  const random = seededRandom(2027);
  for (let n = 0; n < ledgers; n++) {
    const day = randomDay(random);
    const ledger = fold(day.events);
    const season = summariseSeason(ledger, nowMs);
    const visits = ledger.outings.flatMap((o) => visitsOf(o, nowMs));
    const [outing] = ledger.outings;
    const takes = visits.flatMap((v) => v.takes);
    const sum = (of: (v: Visit) => number) => visits.reduce((total, v) => total + of(v), 0);
    expect([n, sum((v) => v.minutes)]).toEqual([n, expect.closeTo(season.lineMin, 6)]);
    expect([n, takes.filter((t) => t.isBite).length]).toEqual([n, season.bites]);
    expect([n, takes.filter((t) => t.fish).length]).toEqual([n, season.fish]);
    expect([n, sum((v) => v.casts.length)]).toEqual([n, outing.casts.length]);
    expect(sum((v) => v.lines.length)).toBe(outing.lines.length);
    expect(takes.flatMap((t) => t.reactions).length).toBe(outing.reactions.length);
    // No take runs longer than a look, a bite and the six minutes to its end.
    for (const { steps } of takes)
      for (const end of [steps.landed, steps.lost]) if (end !== undefined && steps.bit !== undefined) expect(end - steps.bit).toBeLessThanOrEqual(6 * 60_000);
  }
});
