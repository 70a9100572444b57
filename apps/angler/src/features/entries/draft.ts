import { asItStands, type EventBodies, type EventKind, type HookHold, type LedgerEvent, type LogEntry, type OutingState, type ReactionKind } from '@burrow/core/ledger';
import { methodOf, type Method } from '@burrow/core/methods';
import { metric, type LonLat } from '@burrow/core/units';
import { bodyOf } from '@/data/corrections';
import { newId } from '@/data/ids';
import { traitsOfPicture } from '@/features/station/pictures';
import { saidOf } from './fish-figures';
import { figuresOf, isFigureKind } from './kinds';

/** An entry while it is added late or corrected; what nobody said is null. */
export interface Draft {
  kind: EventKind;
  atMs: number;
  /** Empty where it belongs to no place. */
  station: string;
  /** Null while nobody said which fish. */
  species: string | null;
  lengthMm: number | null;
  weightG: number | null;
  girthMm: number | null;
  hookedIn: HookHold | null;
  hasMud: boolean;
  /** What was noted of the fish. */
  note: string;
  /** Id of its picture. */
  photo: string | null;
  fate: 'kept' | 'released' | null;
  reaction: ReactionKind;
  depthM: number | null;
  /** Where a place lies; null while nobody has said. */
  at: LonLat | null;
  figures: Record<string, number | null>;
  text: string;
}

/** What is written in words, by kind. */
const textLabels: Partial<Record<EventKind, string>> = { note: 'Note', 'line-down': 'What was on the line', fed: 'What was fed' };
export const textLabelOf = (kind: EventKind): string | undefined => textLabels[kind];

/** Whether a kind is the depth of a place's bed. */
export const isBedDepth = (kind: EventKind): boolean => kind === 'depth-sounded' || kind === 'station-opened';

/** Plumbing, flow and weighing belong to the peg, not to one of its swims. */
const ofPeg: readonly EventKind[] = ['plumbed', 'flow-timed', 'bag-weighed'];

/** Whether something in an entry can be corrected. */
export function isCorrectable({ kind, station }: LogEntry, outing: OutingState): boolean {
  if (kind === 'station-opened') return !['swim', 'pass'].includes(outing.stations.find((s) => s.id === station)?.kind ?? '');
  return ['fish-landed', 'reaction', 'note', 'line-down'].includes(kind) || isFigureKind(kind);
}

/** What can be added after the fact at a place of this kind. */
export function lateKinds(place: string | undefined, method?: Method): { id: EventKind; label: string }[] {
  // A peg and a pass are more than a place, and are laid where one fishes.
  const placed = method && traitsOfPicture(method.picture)?.isPlaceAlone ? method : null;
  const ofPlace: Record<string, { id: EventKind; label: string }[]> = {
    swim: [
      { id: 'fed', label: 'Feed' },
      { id: 'plumbed', label: 'A depth plumbed' },
      { id: 'bag-weighed', label: 'Fish weighed' },
    ],
    pass: [],
    stand: [
      { id: 'depth-sounded', label: 'A depth' },
      { id: 'cast', label: 'A cast' },
    ],
  };
  return [
    { id: 'fish-landed', label: 'A fish' },
    { id: 'reaction', label: place === 'swim' || place === 'pass' ? 'A bite' : 'A bite or look' },
    ...(ofPlace[place ?? ''] ?? [{ id: 'depth-sounded', label: 'A depth' }]),
    ...(place === undefined ? [] : [{ id: 'temperature-measured' as const, label: 'Water temperature' }]),
    { id: 'note', label: 'A note' },
    ...(placed ? [{ id: 'station-opened' as const, label: `A ${placed.station.toLowerCase()}` }] : []),
    ...(method?.isOnIce ? [{ id: 'ice-measured' as const, label: 'Ice' }] : []),
  ];
}

/** An entry as it stands, to be corrected. */
function standing(entry: LogEntry, outing: OutingState, events: readonly LedgerEvent[]): Partial<Draft> {
  const place = outing.stations.find((s) => s.id === entry.station);
  const said = { kind: entry.kind, atMs: entry.ms, station: entry.station ?? '', text: textLabelOf(entry.kind) ? (entry.text ?? '') : '' };
  const fish = entry.kind === 'fish-landed' ? outing.fish.find((f) => f.eventId === entry.id) : undefined;
  // The bed's depth is that of a place alone: a fish or a bite whose depth nobody knew keeps it so.
  if (fish) {
    const { species, lengthMm, weightG, girthMm, hookedIn = null, hasMud = false, note, photo, fate, depthM } = fish;
    return { ...said, species, lengthMm, weightG, girthMm, hookedIn, hasMud, note: note ?? '', photo, fate, depthM };
  }
  const reaction = entry.kind === 'reaction' ? outing.reactions.find((r) => r.id === entry.id) : undefined;
  if (reaction) return { ...said, reaction: reaction.kind, depthM: reaction.depthM };
  if (entry.kind === 'station-opened') return { ...said, depthM: place?.depthM ?? null, at: place?.at ?? null };
  if (!isFigureKind(entry.kind)) return said;
  const figures = Object.entries(asItStands(events, entry.id)?.body ?? {}).filter((e): e is [string, number] => typeof e[1] === 'number');
  return { ...said, figures: Object.fromEntries(figures) };
}

/** When the last thing of an outing happened, ms: nothing is added after it. */
export const lastMsOf = (outing: OutingState): number => outing.endedMs ?? outing.entries.at(-1)?.ms ?? outing.startedMs;

/** What the sheet opens with: the entry as it stands, or nothing said of a new one. */
export const draftOf = (entry: LogEntry | null, outing: OutingState, events: readonly LedgerEvent[]): Draft => ({
  kind: 'fish-landed',
  atMs: lastMsOf(outing),
  station: outing.stations.at(-1)?.id ?? '',
  species: null,
  lengthMm: null,
  weightG: null,
  girthMm: null,
  hookedIn: null,
  hasMud: false,
  note: '',
  photo: null,
  fate: null,
  reaction: 'bite',
  depthM: null,
  at: null,
  figures: {},
  text: '',
  ...(entry ? standing(entry, outing, events) : {}),
});

/** The figures of a kind, whatever they are shown in. */
const fieldsOf = (kind: EventKind) => figuresOf(kind, metric);

/** Whether a draft says all that its kind wants. */
export function isReady(draft: Draft, isNew: boolean): boolean {
  const { kind, depthM, text, figures, station, species, at } = draft;
  if (kind === 'fish-landed' && species === null) return false;
  if (kind === 'station-opened') return isNew ? at !== null : at !== null || depthM !== null;
  if (isBedDepth(kind) && depthM === null) return false;
  if (textLabelOf(kind) && text.trim() === '') return false;
  if (!fieldsOf(kind).every((f) => f.isOptional || figures[f.field] != null)) return false;
  return station !== '' || kind === 'note' || kind === 'ice-measured' || !isNew;
}

type Made = { kind: EventKind; body: EventBodies[EventKind] };

/** A place that was fished from: as it was opened but for where it lies, or one of the way that was in force then. */
function placeMade({ at, atMs }: Draft, outing: OutingState, old: Partial<EventBodies['station-opened']>): EventBodies['station-opened'] {
  const where = { at: [at![0], at![1]] as [number, number], placed: { by: 'map' as const } };
  if (old.station !== undefined) return { ...(old as EventBodies['station-opened']), ...where };
  const method = methodOf(outing.methods.findLast((m) => m.ms <= atMs)?.method ?? outing.method);
  return { station: newId(), kind: method!.stationKind, label: String(outing.stations.length + 1), ...where };
}

/** A fish as the draft says it, with what of the old one the sheet does not show. */
function fishMade(draft: Draft, old: EventBodies['fish-landed'], depth: { depthM?: number }): EventBodies['fish-landed'] {
  const { lengthMm: _, weightG: __, girthMm: ___, hookedIn: ____, hasMud: ________, note: _____, photo: ______, depthM: _______, ...rest } = old;
  return { ...rest, fish: rest.fish ?? newId(), station: draft.station, species: draft.species!, ...saidOf(draft), ...depth };
}

/** A measurement as the draft says it. A place that nobody wrote down, and nobody chose now, stays unsaid. */
function figuresMade(draft: Draft, entry: LogEntry | null, outing: OutingState, old: object): EventBodies[EventKind] {
  const { kind, station, figures } = draft;
  const known = Object.fromEntries(fieldsOf(kind).flatMap(({ field }) => (figures[field] == null ? [] : [[field, figures[field]]])));
  const place = outing.stations.find((s) => s.id === station);
  const isSaid = kind !== 'level-measured' && isPlaceChosen(draft, entry);
  const at = isSaid ? { station: ofPeg.includes(kind) ? (place?.peg ?? station) : station } : {};
  const said = { ...(kind === 'fed' ? { what: draft.text.trim() } : {}), ...(kind === 'cast' && !entry ? { cast: newId() } : {}) };
  return { ...old, ...at, ...known, ...said } as unknown as EventBodies[EventKind];
}

/** Whether the place of a draft is another than that of the entry it corrects. */
const isPlaceChosen = ({ station }: Draft, entry: LogEntry | null) => entry === null || station !== (entry.station ?? '');

/** The entry that a draft makes, with what of the entry it corrects the sheet does not show. */
export function madeOf(draft: Draft, entry: LogEntry | null, outing: OutingState, events: readonly LedgerEvent[]): Made {
  const { kind, station, reaction, depthM } = draft;
  const old = entry ? bodyOf(events, entry.id) : {};
  const depth = depthM === null ? {} : { depthM };
  const text = draft.text.trim();
  if (kind === 'fish-landed') return { kind, body: fishMade(draft, old as EventBodies['fish-landed'], depth) };
  if (kind === 'reaction') {
    const { depthM: _, ...rest } = old as EventBodies['reaction'];
    return { kind, body: { ...rest, station, reaction, ...depth } };
  }
  if (isFigureKind(kind)) return { kind, body: figuresMade(draft, entry, outing, old) };
  if (kind === 'station-opened') return { kind, body: placeMade(draft, outing, old as Partial<EventBodies['station-opened']>) };
  if (kind === 'line-down') return { kind, body: { ...(old as EventBodies['line-down']), presentation: text } };
  return { kind: 'note', body: { ...old, text, ...(station !== '' && isPlaceChosen(draft, entry) ? { station } : {}) } };
}
