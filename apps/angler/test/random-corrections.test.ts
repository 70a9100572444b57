import { foldLedger } from '@burrow/contract';
import { reactionKinds, type EventBodies, type EventKind, type LedgerEvent, type LogEntry, type OutingState } from '@burrow/core/ledger';
import { methodIds, methodOf } from '@burrow/core/methods';
import { metric, seededRandom, type Random } from '@burrow/core/units';
import { draftOf, isCorrectable, madeOf, type Draft } from '@/features/entries/draft';
import { figuresOf, isFigureKind } from '@/features/entries/kinds';
import { event, testId } from '../../../packages/core/test/events';

const corrections = 5000;

/** Some of the fields of a body: each is there or not, as phones of all ages and ways have written them. */
function some<T extends object>(random: Random, fields: T): Partial<T> {
  return Object.fromEntries(Object.entries(fields).filter(() => random() < 0.5)) as Partial<T>;
}
const within = (random: Random, low: number, high: number) => Math.round(100 * (low + (high - low) * random())) / 100;

/** An outing in one of the five ways with entries of every kind that may be corrected. */
function randomOuting(random: Random): LedgerEvent[] {
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const [outing, station, line, cast] = [testId(), testId(), testId(), testId()];
  const method = one(methodIds());
  const events: LedgerEvent[] = [];
  let s = 0;
  const log = <K extends EventKind>(kind: K, body: EventBodies[K]) => void events.push(event(outing, (s += 30 + Math.floor(300 * random())), kind, body));
  const at: [number, number] = [within(random, -170, 170), within(random, -70, 70)];
  log('outing-started', { water: 'w', waterName: 'W', species: ['walleye'], goal: 'numbers', method });
  log('station-opened', { station, kind: methodOf(method)!.stationKind, label: '1', at, ...some(random, { mapDepthM: 6, placed: { by: 'phone' as const, accuracyM: 4 } }) });
  log('line-down', { line, station, rod: 'rod 1', presentation: 'Tube', ...some(random, { depthM: 4, lineOutM: 12 }) });
  for (let k = 0; k < 8; k++) {
    const dice = random();
    const known = some(random, { line, depthM: within(random, 0, 20), bottomM: within(random, 1, 30), cast, outM: within(random, 0, 40), alongM: within(random, -5, 5), at });
    if (dice < 0.3)
      log('fish-landed', {
        fish: testId(),
        station,
        species: one(['walleye', 'burbot']),
        ...known,
        ...some(random, { lengthMm: 300, classMm: 250, weightG: 400, girthMm: 210, note: 'fat' }),
      });
    else if (dice < 0.5) log('reaction', { station, reaction: one(reactionKinds), ...known, ...some(random, { cadence: 'hold', speedMs: 0.8, turn: 'inside' as const }) });
    else if (dice < 0.6) log('temperature-measured', { station, depthM: within(random, 0, 20), tempC: within(random, -1, 20) });
    else if (dice < 0.7)
      log('cast', { cast: testId(), station, bearingDeg: Math.floor(360 * random()), distanceM: within(random, 5, 40), ...some(random, { line, result: 'bite' as const }) });
    else if (dice < 0.8)
      log('fed', { station, what: 'crumb', ...some(random, { massG: 40, alongM: 1, ball: { cm: 5, gcc: 1.2, breaks: 'half' as const, particle: 'crumb' as const } }) });
    else if (dice < 0.9) log('clarity-measured', { secchiM: within(random, 0.2, 9), ...some(random, { station }) });
    else log('note', { text: 'cold', ...some(random, { station }) });
  }
  return events;
}

/** One thing changed of a draft by chance, and the fields of the body that it is. */
function oneChange(draft: Draft, random: Random): [Draft, readonly string[]] | null {
  const { kind } = draft;
  const value = within(random, 1, 15);
  if (kind === 'fish-landed') {
    const dice = Math.floor(4 * random());
    if (dice === 0) return [{ ...draft, species: 'lake-trout' }, ['species']];
    if (dice === 1) return [{ ...draft, lengthMm: random() < 0.3 ? null : Math.round(100 + 10 * value) }, ['lengthMm']];
    if (dice === 2) return [{ ...draft, depthM: random() < 0.3 ? null : value }, ['depthM']];
    return [{ ...draft, fate: draft.fate === 'kept' ? 'released' : 'kept' }, []];
  }
  if (kind === 'reaction') return random() < 0.5 ? [{ ...draft, reaction: 'stalled' }, ['reaction']] : [{ ...draft, depthM: random() < 0.3 ? null : value }, ['depthM']];
  if (isFigureKind(kind)) {
    const figures = figuresOf(kind, metric);
    const figure = figures[Math.floor(random() * figures.length)];
    return figure ? [{ ...draft, figures: { ...draft.figures, [figure.field]: value } }, [figure.field]] : null;
  }
  return kind === 'line-down' ? [{ ...draft, text: 'Blade' }, ['presentation']] : kind === 'note' ? [{ ...draft, text: 'warmer' }, ['text']] : null;
}

/** Fields in which two bodies differ. */
const differing = (a: object, b: object): string[] =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((f) => JSON.stringify((a as Record<string, unknown>)[f]) !== JSON.stringify((b as Record<string, unknown>)[f]));

/** An outing as it is folded, without the entry that was corrected and what was made of it. */
function others(outing: OutingState, entry: LogEntry): string {
  const not = <T extends { id?: string; eventId?: string; ms?: number }>(list: readonly T[]) =>
    list.filter((x) => x.id !== entry.id && x.eventId !== entry.id && x.ms !== entry.ms);
  return JSON.stringify([
    outing.stations,
    not(outing.fish),
    not(outing.reactions),
    not(outing.temperatures),
    not(outing.casts),
    not(outing.feeds),
    not(outing.clarity),
    outing.lines.map(({ presentation: _, ...line }) => line),
    outing.entries.filter((e) => e.id !== entry.id),
  ]);
}

test(`${corrections} random corrections over random outings of all five ways: no field changes but the one named, and nothing else in the log`, () => {
  const random = seededRandom(35);
  const seen = new Map<EventKind, number>();
  for (let made = 0; made < corrections;) {
    const events = randomOuting(random);
    const [outing] = foldLedger(events).outings;
    for (const entry of outing.entries.filter((e) => isCorrectable(e, outing))) {
      const change = oneChange(draftOf(entry, outing, events), random);
      if (!change) continue;
      const [draft, fields] = change;
      const before = events.find((e) => e.id === entry.id)!.body;
      const { kind, body } = madeOf(draft, entry, outing, events);
      expect([kind, differing(body, before).filter((f) => !fields.includes(f))]).toEqual([entry.kind, []]);
      // Only what differs is written, and the fold of it leaves everything else as it was.
      const part = Object.fromEntries(differing(body, before).map((f) => [f, (body as Record<string, unknown>)[f] ?? null]));
      const amended = event(outing.id, 100_000, 'amended', { target: entry.id, body: part });
      const [after] = foldLedger([...events, amended]).outings;
      expect([entry.kind, others(after, entry)]).toEqual([entry.kind, others(outing, entry)]);
      seen.set(entry.kind, (seen.get(entry.kind) ?? 0) + 1);
      made++;
    }
  }
  // Every kind was tried often enough to fail.
  for (const kind of ['fish-landed', 'reaction', 'temperature-measured', 'cast', 'fed', 'clarity-measured', 'note', 'line-down'] as const)
    expect([kind, seen.get(kind) ?? 0]).not.toEqual([kind, 0]);
});
