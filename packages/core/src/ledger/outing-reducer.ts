import type { EventOf } from './event';
import { instantOf } from './instant';
import type { FishState, LineState, OutingState, StationState } from './state';

/** One outing while it is being added up. */
export class OutingReducer {
  readonly outing: OutingState;
  private readonly stations = new Map<string, StationState>();
  private readonly lines = new Map<string, LineState>();
  private readonly caught = new Map<string, FishState>();

  constructor(id: string, startedMs: number, start: EventOf<'outing-started'>['body'], from: string | null) {
    this.outing = {
      id,
      water: start.water,
      waterName: start.waterName,
      species: start.species,
      goal: start.goal,
      ...(from === null ? {} : { broughtFrom: from }),
      startedMs,
      endedMs: null,
      method: start.method,
      methods: [{ ms: startedMs, method: start.method }],
      stations: [],
      lines: [],
      casts: [],
      felt: [],
      levels: [],
      feeds: [],
      plumbed: [],
      flows: [],
      changes: [],
      quiet: [],
      weighed: [],
      rests: [],
      reactions: [],
      fish: [],
      temperatures: [],
      clarity: [],
      ice: [],
      entries: [],
      plan: (start.plan ?? []).map((item) => ({ ms: instantOf(item.at), what: item.what })).sort((a, b) => a.ms - b.ms),
      currentStation: null,
    };
  }

  /** Takes in the start of an outing that was joined into this one. */
  beginsBy(ms: number | undefined): void {
    if (ms === undefined || ms >= this.outing.startedMs) return;
    this.outing.startedMs = ms;
    this.outing.methods[0].ms = ms;
  }

  station(id: string): StationState | undefined {
    return this.stations.get(id);
  }

  line(id: string): LineState | undefined {
    return this.lines.get(id);
  }

  addStation(station: StationState): void {
    if (this.stations.has(station.id)) return;
    this.stations.set(station.id, station);
    this.outing.stations.push(station);
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

  note(id: string, ms: number, kind: string, station: string | null, text?: string): void {
    this.outing.entries.push(text === undefined ? { id, ms, station, kind } : { id, ms, station, kind, text });
  }
}
