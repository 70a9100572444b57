import type { EventKind, EventOf, LedgerEvent } from './event';
import { instantOf } from './instant';
import type { FishState, HoleState, LedgerState, LineState, OutingState } from './state';

/** Whether a body is one of its kind. */
export type BodyCheck = (kind: EventKind, body: unknown) => boolean;

/**
 * The state that a set of events adds up to. The order they arrive in, and arriving twice, change nothing: events are taken by
 * `at`, then `id`. Undone events are left out, amended ones taken with the body of the last amendment that makes a body of their kind.
 * A correction of an entry of another outing counts for nothing, so that an outing adds up the same alone and among all others.
 * Events of an outing whose start has not arrived yet wait for it.
 * @param isBody checks amended bodies; without it each is taken as it is
 */
export function fold(events: readonly LedgerEvent[], isBody: BodyCheck = () => true): LedgerState {
  const { ordered, instants } = inOrder(events);
  const corrections = readCorrections(ordered, isBody);
  const outings = new Map<string, Book>();
  for (let i = 0; i < ordered.length; i++) {
    const event = ordered[i];
    if (event.kind !== 'outing-started' || corrections?.undone.has(event.id) || outings.has(event.outing)) continue;
    const { body } = corrected(event, corrections) as EventOf<'outing-started'>;
    outings.set(event.outing, new Book(event.outing, instants[i], body));
  }
  let book: Book | undefined;
  const weather: LedgerState['weather'] = [];
  const drills: LedgerState['drills'] = [];
  for (let i = 0; i < ordered.length; i++) {
    const event = ordered[i];
    if (corrections?.undone.has(event.id)) continue;
    if (event.kind === 'weather-seen') {
      weather.push({ ...(corrected(event, corrections) as EventOf<'weather-seen'>).body, ms: instants[i] });
      continue;
    }
    if (event.kind === 'drill-done') {
      drills.push({ ...(corrected(event, corrections) as EventOf<'drill-done'>).body, ms: instants[i] });
      continue;
    }
    if (book?.outing.id !== event.outing) book = outings.get(event.outing);
    book?.take(corrected(event, corrections), instants[i]);
  }
  return { outings: [...outings.values()].map((b) => b.outing).sort((a, b) => a.startedMs - b.startedMs || (a.id < b.id ? -1 : 1)), weather, drills };
}

interface Corrections {
  undone: Set<string>;
  bodies: Map<string, Record<string, unknown>>;
}

/** Sorted by instant, then id, each id once; without sorting when they already are. */
function inOrder(events: readonly LedgerEvent[]): { ordered: readonly LedgerEvent[]; instants: Float64Array } {
  const instants = new Float64Array(events.length);
  let sorted = true;
  for (let i = 0; i < events.length; i++) {
    instants[i] = instantOf(events[i].at);
    if (i > 0 && (instants[i] < instants[i - 1] || (instants[i] === instants[i - 1] && events[i].id <= events[i - 1].id))) sorted = false;
  }
  if (sorted) return { ordered: events, instants };
  const seen = new Set<string>();
  const rows = events.map((event, i) => ({ event, ms: instants[i] })).filter(({ event }) => !seen.has(event.id) && seen.add(event.id));
  rows.sort((a, b) => a.ms - b.ms || (a.event.id < b.event.id ? -1 : a.event.id > b.event.id ? 1 : 0));
  return { ordered: rows.map((r) => r.event), instants: Float64Array.from(rows, (r) => r.ms) };
}

/** Kinds that belong to no outing, whatever outing stands in their envelope. */
const ofNoOuting: ReadonlySet<EventKind> = new Set(['weather-seen', 'drill-done']);

/** From the last event back, so that an undone `undone` gives back what it took. */
function readCorrections(ordered: readonly LedgerEvent[], isBody: BodyCheck): Corrections | null {
  const targets = new Map<string, LedgerEvent | null>();
  for (const event of ordered) if (event.kind === 'undone' || event.kind === 'amended') targets.set(event.body.target, null);
  if (targets.size === 0) return null;
  for (const event of ordered) if (targets.has(event.id)) targets.set(event.id, event);
  const found: Corrections = { undone: new Set(), bodies: new Map() };
  for (let i = ordered.length - 1; i >= 0; i--) {
    const event = ordered[i];
    if ((event.kind !== 'undone' && event.kind !== 'amended') || found.undone.has(event.id)) continue;
    const target = targets.get(event.body.target);
    if (!target || (target.outing !== event.outing && !ofNoOuting.has(target.kind))) continue;
    if (event.kind === 'undone') found.undone.add(target.id);
    else if (!found.bodies.has(target.id) && isBody(target.kind, { ...target.body, ...event.body.body })) found.bodies.set(target.id, event.body.body);
  }
  return found;
}

function corrected(event: LedgerEvent, corrections: Corrections | null): LedgerEvent {
  const body = corrections?.bodies.get(event.id);
  return body ? ({ ...event, body: { ...event.body, ...body } } as LedgerEvent) : event;
}

/** One outing while it is being added up. */
class Book {
  readonly outing: OutingState;
  private readonly holes = new Map<string, HoleState>();
  private readonly lines = new Map<string, LineState>();
  private readonly caught = new Map<string, FishState>();

  constructor(id: string, startedMs: number, start: EventOf<'outing-started'>['body']) {
    this.outing = {
      id,
      water: start.water,
      waterName: start.waterName,
      species: start.species,
      goal: start.goal,
      startedMs,
      endedMs: null,
      holes: [],
      lines: [],
      reactions: [],
      fish: [],
      temperatures: [],
      clarity: [],
      ice: [],
      entries: [],
      plan: (start.plan ?? []).map((item) => ({ ms: instantOf(item.at), what: item.what })).sort((a, b) => a.ms - b.ms),
      currentHole: null,
    };
  }

  take(event: LedgerEvent, ms: number): void {
    const reduce = reducers[event.kind] as ((book: Book, event: LedgerEvent, ms: number) => void) | undefined;
    reduce?.(this, event, ms);
  }

  hole(id: string): HoleState | undefined {
    return this.holes.get(id);
  }

  line(id: string): LineState | undefined {
    return this.lines.get(id);
  }

  addHole(hole: HoleState): void {
    if (this.holes.has(hole.id)) return;
    this.holes.set(hole.id, hole);
    this.outing.holes.push(hole);
  }

  addLine(line: LineState): void {
    if (this.lines.has(line.id)) return;
    this.lines.set(line.id, line);
    this.outing.lines.push(line);
  }

  fish(id: string): FishState | undefined {
    return this.caught.get(id);
  }

  addFish(fish: FishState): void {
    if (this.caught.has(fish.id)) return;
    this.caught.set(fish.id, fish);
    this.outing.fish.push(fish);
  }

  raiseLines(ms: number): void {
    for (const line of this.outing.lines) line.upMs ??= ms;
  }

  note(id: string, ms: number, kind: string, hole: string | null, text?: string): void {
    this.outing.entries.push(text === undefined ? { id, ms, hole, kind } : { id, ms, hole, kind, text });
  }
}

type Reducers = { [K in EventKind]?: (book: Book, event: EventOf<K>, ms: number) => void };

const reducers: Reducers = {
  'outing-ended': (book, event, ms) => {
    book.outing.endedMs = ms;
    book.outing.currentHole = null;
    book.raiseLines(ms);
    book.note(event.id, ms, event.kind, null);
  },
  'ice-measured': (book, { id, kind, body }, ms) => {
    book.outing.ice.push({ ms, clearM: body.clearM, whiteM: body.whiteM, snowM: body.snowM ?? null, hole: body.hole ?? null });
    const hole = body.hole === undefined ? undefined : book.hole(body.hole);
    if (hole) {
      hole.clearIceM = body.clearM;
      hole.whiteIceM = body.whiteM;
    }
    book.note(id, ms, kind, body.hole ?? null);
  },
  'hole-drilled': (book, { id, kind, body }, ms) => {
    book.addHole({
      id: body.hole,
      label: body.label,
      at: body.at,
      drilledMs: ms,
      clearIceM: null,
      whiteIceM: null,
      depthM: null,
      mapDepthM: body.mapDepthM ?? null,
      arrivals: [ms],
    });
    book.outing.currentHole = body.hole;
    book.note(id, ms, kind, body.hole);
  },
  'depth-sounded': (book, { body }) => {
    const hole = book.hole(body.hole);
    if (hole) hole.depthM = body.depthM;
  },
  'temperature-measured': (book, { id, kind, body }, ms) => {
    book.outing.temperatures.push({ ms, hole: body.hole, depthM: body.depthM, tempC: body.tempC });
    book.note(id, ms, kind, body.hole);
  },
  'clarity-measured': (book, { id, kind, body }, ms) => {
    book.outing.clarity.push({ ms, secchiM: body.secchiM });
    book.note(id, ms, kind, body.hole ?? null);
  },
  'line-down': (book, { id, kind, body }, ms) => {
    book.addLine({
      id: body.line,
      hole: body.hole,
      rod: body.rod,
      presentation: body.presentation,
      downMs: ms,
      upMs: null,
      flagsMs: [],
      depths: body.depthM === undefined ? [] : [{ ms, depthM: body.depthM }],
    });
    book.note(id, ms, kind, body.hole, body.presentation);
  },
  'line-up': (book, { body }, ms) => {
    const line = book.line(body.line);
    if (line) line.upMs ??= ms;
  },
  'flag-up': (book, { id, kind, body }, ms) => {
    const line = book.line(body.line);
    line?.flagsMs.push(ms);
    book.note(id, ms, kind, line?.hole ?? null, line?.rod);
  },
  'depth-set': (book, { body }, ms) => {
    book.line(body.line)?.depths.push({ ms, depthM: body.depthM });
  },
  reaction: (book, { id, kind, body }, ms) => {
    book.outing.reactions.push({
      id,
      ms,
      hole: body.hole,
      line: body.line ?? null,
      kind: body.reaction,
      depthM: body.depthM ?? null,
      bottomM: body.bottomM ?? null,
      cadence: body.cadence ?? null,
    });
    book.note(id, ms, kind, body.hole, body.reaction);
  },
  'fish-landed': (book, { id, kind, body }, ms) => {
    book.addFish({
      id: body.fish,
      eventId: id,
      ms,
      hole: body.hole,
      line: body.line ?? null,
      species: body.species,
      lengthMm: body.lengthMm ?? null,
      weightG: body.weightG ?? null,
      depthM: body.depthM ?? null,
      bottomM: body.bottomM ?? null,
      fate: null,
    });
    book.note(id, ms, kind, body.hole, body.fish);
  },
  'fish-kept': (book, { body }) => {
    const fish = book.fish(body.fish);
    if (fish) fish.fate = 'kept';
  },
  'fish-released': (book, { body }) => {
    const fish = book.fish(body.fish);
    if (fish) fish.fate = 'released';
  },
  moved: (book, { id, kind, body }, ms) => {
    book.outing.currentHole = body.hole;
    book.hole(body.hole)?.arrivals.push(ms);
    book.note(id, ms, kind, body.hole);
  },
  note: (book, { id, kind, body }, ms) => book.note(id, ms, kind, body.hole ?? null, body.text),
};
