import { corrected, inOrder, readCorrections, type BodyCheck } from './corrections';
import type { EventKind, EventOf, LedgerEvent } from './event';
import { joinedInto } from './joined';
import { OutingReducer } from './outing-reducer';
import type { LedgerState, LineState } from './state';

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
  const started = new Map<string, OutingReducer>();
  for (let i = 0; i < ordered.length; i++) {
    const event = ordered[i];
    if (event.kind !== 'outing-started' || corrections?.undone.has(event.id) || started.has(event.outing)) continue;
    const { body } = corrected(event, corrections) as EventOf<'outing-started'>;
    started.set(event.outing, new OutingReducer(event.outing, instants[i], { ...event, body }));
  }
  const outings = joinedInto(started, ordered, corrections);
  let into: OutingReducer | undefined;
  let of: string | undefined;
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
    if (of !== event.outing) into = outings.get((of = event.outing));
    if (into) take(into, corrected(event, corrections), instants[i]);
  }
  return { outings: [...new Set(outings.values())].map((b) => b.outing).sort((a, b) => a.startedMs - b.startedMs || (a.id < b.id ? -1 : 1)), weather, drills };
}

function take(into: OutingReducer, event: LedgerEvent, ms: number): void {
  const reduce = (reducers as Partial<Record<EventKind, unknown>>)[event.kind] as ((into: OutingReducer, event: LedgerEvent, ms: number) => void) | undefined;
  reduce?.(into, event, ms);
}

/** Kinds that are taken before an outing adds up, or that belong to none. */
type Elsewhere = 'outing-started' | 'undone' | 'amended' | 'weather-seen' | 'drill-done';
/** What each kind adds to its outing: a new one has a row here, or does not compile. */
type Reducers = { [K in Exclude<EventKind, Elsewhere>]: (into: OutingReducer, event: EventOf<K>, ms: number) => void };

const reducers: Reducers = {
  'outing-ended': (into, event, ms) => {
    // A clock that was set back: an outing is never over before it began.
    const endMs = Math.max(ms, into.outing.startedMs);
    into.outing.endedMs = endMs;
    into.outing.currentStation = null;
    into.leaveAll(endMs);
    into.raiseLines(endMs);
    into.note(event.id, ms, event.kind, null);
  },
  joined: (into, event, ms) => into.note(event.id, ms, event.kind, null),
  'method-changed': (into, { id, kind, body, device }, ms) => {
    into.leave(device, ms);
    into.outing.method = body.method;
    into.outing.methods.push({ ms, method: body.method });
    into.note(id, ms, kind, into.outing.currentStation, body.method);
  },
  'ice-measured': (into, { id, kind, body }, ms) => {
    into.outing.ice.push({ ms, clearM: body.clearM, whiteM: body.whiteM, snowM: body.snowM ?? null, station: body.station ?? null });
    const station = body.station === undefined ? undefined : into.station(body.station);
    if (station) {
      station.clearIceM = body.clearM;
      station.whiteIceM = body.whiteM;
    }
    into.note(id, ms, kind, body.station ?? null);
  },
  'station-opened': (into, { id, kind, body, device }, ms) => {
    into.addStation({
      id: body.station,
      kind: body.kind,
      method: into.outing.method,
      label: body.label,
      at: body.at,
      placed: body.placed ? { by: body.placed.by, accuracyM: body.placed.accuracyM ?? null } : null,
      track: body.track ? [...body.track] : null,
      trackMs: [],
      endedMs: null,
      openedMs: ms,
      clearIceM: null,
      whiteIceM: null,
      depthM: null,
      mapDepthM: body.mapDepthM ?? null,
      outM: body.outM ?? null,
      peg: body.peg ?? body.station,
      arrivals: [ms],
      stays: [],
    });
    into.arrive(device, body.station, ms);
    into.outing.currentStation = body.station;
    into.note(id, ms, kind, body.station);
  },
  'depth-sounded': (into, { body }) => {
    const station = into.station(body.station);
    if (station) station.depthM = body.depthM;
  },
  'temperature-measured': (into, { id, kind, body }, ms) => {
    into.outing.temperatures.push({ ms, station: body.station ?? null, depthM: body.depthM, tempC: body.tempC });
    into.note(id, ms, kind, body.station ?? null);
  },
  'keep-planned': (into, { id, kind, body }, ms) => {
    into.outing.keepPlan = body.count;
    into.note(id, ms, kind, null, String(body.count));
  },
  'surface-seen': (into, { id, kind, body }, ms) => {
    into.outing.surfaces.push({ ms, surface: body.surface });
    into.note(id, ms, kind, null, body.surface);
  },
  'clarity-measured': (into, { id, kind, body }, ms) => {
    into.outing.clarity.push({ ms, secchiM: body.secchiM });
    into.note(id, ms, kind, body.station ?? null);
  },
  'line-down': (into, { id, kind, body, device }, ms) => {
    const line: LineState = {
      id: body.line,
      station: body.station,
      rod: body.rod,
      presentation: body.presentation ?? null,
      downMs: ms,
      upMs: null,
      flagsMs: [],
      depths: body.depthM === undefined ? [] : [{ ms, depthM: body.depthM, lineOutM: body.lineOutM ?? null }],
      cadences: [],
      second: body.second ? { ...body.second, presentation: body.second.presentation ?? null } : null,
      ...(body.tube ? { tube: body.tube } : {}),
    };
    into.addLine(line, device);
    into.note(id, ms, kind, body.station, body.presentation);
  },
  cast: (into, { id, kind, body }, ms) => {
    const { cast, station, line, bearingDeg, distanceM, result } = body;
    into.outing.casts.push({ id: cast, eventId: id, ms, station, line: line ?? null, bearingDeg, distanceM, result: result ?? null });
    into.note(id, ms, kind, station, result);
  },
  felt: (into, { id, kind, body }, ms) => {
    into.outing.felt.push({
      id,
      ms,
      station: body.station,
      what: body.what,
      bearingDeg: body.bearingDeg,
      outM: body.outM,
      ...said(body, 'topM', 'bottomM', 'hasBait', 'movesDeg'),
    });
    into.note(id, ms, kind, body.station, body.what);
  },
  'level-measured': (into, { id, kind, body }, ms) => {
    into.outing.levels.push({ ms, levelM: body.levelM, by: body.by });
    into.note(id, ms, kind, null);
  },
  fed: (into, { id, kind, body }, ms) => {
    into.outing.feeds.push({
      ms,
      station: body.station,
      what: body.what,
      massG: body.massG ?? null,
      alongM: body.alongM ?? null,
      ball: body.ball ?? null,
      ...said(body, 'balls', 'grains', 'contents', 'way'),
    });
    into.note(id, ms, kind, body.station, body.what);
  },
  'swim-placed': (into, { body }) => {
    const swim = into.station(body.station);
    if (swim) swim.outM = body.outM;
  },
  plumbed: (into, { id, kind, body }, ms) => {
    into.outing.plumbed.push({ id, ms, station: body.station, outM: body.outM, depthM: body.depthM });
    into.note(id, ms, kind, body.station);
  },
  'flow-timed': (into, { id, kind, body }, ms) => {
    into.outing.flows.push({ id, ms, station: body.station ?? null, alongM: body.alongM, seconds: body.seconds });
    into.note(id, ms, kind, body.station ?? null);
  },
  changed: (into, { id, kind, body }, ms) => {
    into.outing.changes.push({ ms, station: body.station, what: body.what });
    into.note(id, ms, kind, body.station, body.what);
  },
  'quiet-seen': (into, { id, kind, body }, ms) => {
    into.outing.quiet.push({ ms, station: body.station, what: body.what });
    into.note(id, ms, kind, body.station, body.what);
  },
  'bag-weighed': (into, { id, kind, body }, ms) => {
    into.outing.weighed.push({ ms, station: body.station, count: body.count, massG: body.massG, classMm: body.classMm ?? null });
    into.note(id, ms, kind, body.station);
  },
  tracked: (into, { body }) => {
    const pass = into.station(body.station);
    if (!pass) return;
    pass.track ??= [];
    for (const [lon, lat, s] of body.points) {
      pass.track.push([lon, lat]);
      pass.trackMs.push(pass.openedMs + 1000 * s);
    }
  },
  'pass-ended': (into, { id, kind, body }, ms) => {
    const pass = into.station(body.station);
    if (pass) pass.endedMs ??= ms;
    into.leaveAll(ms, body.station);
    into.note(id, ms, kind, body.station);
  },
  rested: (into, { id, kind, body }, ms) => {
    into.outing.rests.push({ ms, station: body.station });
    into.note(id, ms, kind, body.station);
  },
  'cadence-set': (into, { body }, ms) => {
    into.line(body.line)?.cadences.push({ ms, cadence: body.cadence });
  },
  'line-up': (into, { body }, ms) => {
    const line = into.line(body.line);
    if (line) line.upMs ??= ms;
  },
  'flag-up': (into, { id, kind, body }, ms) => {
    const line = into.line(body.line);
    line?.flagsMs.push(ms);
    into.note(id, ms, kind, line?.station ?? null, line?.rod);
  },
  'depth-set': (into, { body }, ms) => {
    into.line(body.line)?.depths.push({ ms, depthM: body.depthM, lineOutM: body.lineOutM ?? null });
  },
  reaction: (into, { id, kind, body }, ms) => {
    into.outing.reactions.push({
      id,
      ms,
      station: body.station,
      line: body.line ?? null,
      kind: body.reaction,
      depthM: body.depthM ?? null,
      bottomM: body.bottomM ?? null,
      cadence: body.cadence ?? null,
      cast: body.cast ?? null,
      outM: body.outM ?? null,
      alongM: body.alongM ?? null,
      at: body.at ?? null,
      turn: body.turn ?? null,
      speedMs: body.speedMs ?? null,
      ...said(body, 'lostAt', 'float', 'bait', 'isSame', 'moment'),
    });
    into.note(id, ms, kind, body.station, body.reaction);
  },
  'fish-landed': (into, { id, kind, body }, ms) => {
    into.addFish({
      id: body.fish,
      eventId: id,
      ms,
      station: body.station,
      line: body.line ?? null,
      species: body.species,
      lengthMm: body.lengthMm ?? null,
      classMm: body.classMm ?? null,
      weightG: body.weightG ?? null,
      girthMm: body.girthMm ?? null,
      ...(body.hookedIn === undefined ? {} : { hookedIn: body.hookedIn }),
      ...(body.hasMud === undefined ? {} : { hasMud: body.hasMud }),
      note: body.note ?? null,
      photo: body.photo ?? null,
      depthM: body.depthM ?? null,
      bottomM: body.bottomM ?? null,
      cast: body.cast ?? null,
      outM: body.outM ?? null,
      alongM: body.alongM ?? null,
      at: body.at ?? null,
      fate: null,
    });
    into.note(id, ms, kind, body.station, body.fish);
  },
  'fish-kept': (into, { body }) => {
    const fish = into.fish(body.fish);
    if (fish) fish.fate = 'kept';
  },
  'fish-released': (into, { body }) => {
    const fish = into.fish(body.fish);
    if (fish) fish.fate = 'released';
  },
  moved: (into, { id, kind, body, device }, ms) => {
    into.arrive(device, body.station, ms);
    into.outing.currentStation = body.station;
    into.station(body.station)?.arrivals.push(ms);
    into.note(id, ms, kind, body.station);
  },
  note: (into, { id, kind, body }, ms) => into.note(id, ms, kind, body.station ?? null, body.text),
};

/** Those fields of a body that somebody said. */
const said = <B extends object, K extends keyof B>(body: B, ...keys: K[]) =>
  Object.fromEntries(keys.filter((k) => body[k] !== undefined).map((k) => [k, body[k]])) as Partial<Pick<B, K>>;
