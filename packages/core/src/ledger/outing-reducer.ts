import type { EventKind, EventOf } from './event';
import { broughtFrom } from './import-mark';
import { instantOf, offsetOf } from './instant';
import type { FishState, LineState, OutingState, StationState, StayState } from './state';

/** One outing while it is being added up. */
export class OutingReducer {
  readonly outing: OutingState;
  private readonly stations = new Map<string, StationState>();
  private readonly lines = new Map<string, LineState>();
  private readonly caught = new Map<string, FishState>();
  /** Where each phone is, and which phone let each line down. */
  private readonly stays = new Map<string, { station: string; stay: StayState }>();
  private readonly lineDevices = new Map<string, string>();

  constructor(id: string, startedMs: number, { body: start, at, device }: EventOf<'outing-started'>) {
    const from = broughtFrom(device);
    this.outing = {
      id,
      water: start.water,
      waterName: start.waterName,
      species: start.species,
      goal: start.goal,
      ...(from === null ? {} : { broughtFrom: from }),
      startedMs,
      zone: offsetOf(at),
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
      surfaces: [],
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

  addLine(line: LineState, device: string): void {
    if (this.lines.has(line.id)) return;
    this.lineDevices.set(line.id, device);
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

  /** A phone comes to a station, and so leaves the one it was at. */
  arrive(device: string, stationId: string, ms: number): void {
    const open = this.stays.get(device);
    if (open?.station === stationId) return;
    this.leave(device, ms);
    const station = this.stations.get(stationId);
    if (!station) return;
    const stay: StayState = { fromMs: ms, toMs: null, device };
    station.stays.push(stay);
    this.stays.set(device, { station: stationId, stay });
  }

  /** A phone leaves the station it is at. Its lines come up with it; at a hole they stay down, as a tip-up does. */
  leave(device: string, ms: number): void {
    const open = this.stays.get(device);
    if (!open) return;
    open.stay.toMs = ms;
    this.stays.delete(device);
    if (this.stations.get(open.station)?.kind === 'hole') return;
    for (const line of this.outing.lines) if (line.station === open.station && this.lineDevices.get(line.id) === device) line.upMs ??= ms;
  }

  /** Everybody leaves a station, or all of them: a pass ended, or the outing. */
  leaveAll(ms: number, stationId?: string): void {
    for (const [device, { station }] of [...this.stays]) if (stationId === undefined || station === stationId) this.leave(device, ms);
  }

  note(id: string, ms: number, kind: EventKind, station: string | null, text?: string): void {
    this.outing.entries.push(text === undefined ? { id, ms, station, kind } : { id, ms, station, kind, text });
  }
}
