import { bearingText, castText, feltWords } from '@burrow/core/casting';
import { isKnownSpecies, speciesOf } from '@burrow/core/fish';
import type { EventKind, FloatAnswer, LogEntry, LostAt, OutingState, ReactionKind, StationState, SurfaceSeen } from '@burrow/core/ledger';
import { baitStateWords } from '@burrow/core/visits';
import { methodOf } from '@burrow/core/methods';
import { changeName, quietRules } from '@burrow/core/pole';
import { currentText, depthFine, depthText, fishLengthText, iceText, tempText, weightText, type UnitPreference } from '@burrow/core/units';
import { unsaidBait } from '@/data/preferences';
import { traitsOfPicture } from '@/features/station/pictures';
import {
  bagFigures,
  castFigures,
  clarityFigures,
  fedFigures,
  feltFigures,
  flowFigures,
  iceFigures,
  levelFigures,
  plumbedFigures,
  temperatureFigures,
  type Figure,
} from './figures';

export const reactionWords: Readonly<Record<ReactionKind, string>> = {
  looked: 'Looked',
  stalled: 'Stalled',
  followed: 'Followed',
  chased: 'Chased it',
  ignored: 'No notice',
  refused: 'Refused',
  fled: 'Fled',
  nipped: 'Nipped',
  bite: 'Bite',
  robbed: 'Bait gone',
  missed: 'Missed',
  hooked: 'Hooked',
  lost: 'Lost',
};

/** Where a fish came off, as a key says it. */
export const lostKeys: readonly { at: LostAt; label: string }[] = [
  { at: 'strike', label: 'Lost at the strike' },
  { at: 'way', label: 'Lost on the way' },
  { at: 'end', label: 'Lost at the end' },
];

/** Those keys at a hole, where the end is the hole. */
export const lostKeysAt = (isOnIce: boolean) => (isOnIce ? lostKeys.map((k) => (k.at === 'end' ? { ...k, label: 'Lost at the hole' } : k)) : lostKeys);

const floatWords: Readonly<Record<FloatAnswer, string>> = { under: 'float under', slid: 'float slid', rose: 'it rose, float flat' };

/** An entry as the log shows it. */
export interface EntryWords {
  what: string;
  detail: string;
  isFish?: boolean;
}

/** What an entry is worded from: itself, its outing, its place, and the angler's units. */
interface About {
  entry: LogEntry;
  outing: OutingState;
  station: StationState | undefined;
  units: UnitPreference;
}

/** All that screens know of a kind of entry. */
interface EntryRow {
  /** What it is called where nothing else of it is known. */
  name: string;
  /** How it reads in the log; a kind that is not listed there has none. */
  words?: (about: About) => EntryWords;
  /** Its figures, of a kind that is nothing but figures at a place. */
  figures?: (units: UnitPreference) => Figure[];
}

/** What an entry left in its outing, put into words; only its name where it is not there. */
const found = <T>(what: string, thing: T | undefined, detail: (thing: T) => string): EntryWords => ({ what, detail: thing === undefined ? '' : detail(thing) });

/** A place in words: a swim by its distance, any other by its label. */
const placeWords = (station: StationState, units: UnitPreference) =>
  station.outM === null ? `${(methodOf(station.method)?.station ?? 'place').toLowerCase()} ${station.label}` : depthText(station.outM, units);

const surfaceWords: Record<SurfaceSeen, string> = { ice: 'ice', skin: 'a skin of ice', open: 'open' };
const sizeWords = (fish: OutingState['fish'][number], units: UnitPreference) =>
  fish.lengthMm !== null ? ` ${fishLengthText(fish.lengthMm, units)}` : fish.classMm !== null ? ` about ${fishLengthText(fish.classMm, units)}` : ', not measured';

function reactionEntry({ entry, outing, station, units }: About): EntryWords {
  const what = reactionWords[entry.text as ReactionKind] ?? 'Reaction';
  const reaction = outing.reactions.find((r) => r.id === entry.id);
  if (reaction?.float) return { what, detail: `${floatWords[reaction.float]}${reaction.depthM === null ? '' : `, stop ${depthText(reaction.depthM, units)}`}` };
  if (reaction?.depthM == null) return { what, detail: outWords(reaction, station, units) };
  const line = outing.lines.find((l) => l.id === reaction.line);
  // Lines trail: which of them tells more than the word for what hangs under a rod.
  const isTrailed = line !== undefined && station !== undefined && traitsOfPicture(methodOf(station.method)?.picture)?.isTrailed;
  return { what, detail: `${isTrailed ? `${line.rod},` : 'jig'} ${depthText(reaction.depthM, units)}` };
}

/** How far out something came: on its cast, or at its swim and so far along the run. */
function outWords(reaction: OutingState['reactions'][number] | undefined, station: StationState | undefined, units: UnitPreference): string {
  if (reaction?.outM != null) return `${castText(reaction.outM, units)} out`;
  if (station?.outM == null) return '';
  return `${depthText(station.outM, units)}${reaction?.alongM == null ? '' : `, ${depthText(Math.abs(reaction.alongM), units)} along`}`;
}

function fishEntry({ entry, outing, station, units }: About): EntryWords {
  const words = found(
    'Fish',
    outing.fish.find((f) => f.eventId === entry.id),
    (fish) => {
      const name = isKnownSpecies(fish.species) ? speciesOf(fish.species).short : fish.species;
      const weight = fish.weightG === null ? '' : `, ${weightText(fish.weightG, units)}`;
      const fate = fish.fate ?? (station?.kind === 'swim' ? 'in the net' : 'in hand');
      return `${name}${sizeWords(fish, units)}${weight}, ${fate}${station?.outM == null ? '' : `, ${depthText(station.outM, units)}`}`;
    },
  );
  return { ...words, isFish: true };
}

const openedWords: Readonly<Record<string, string>> = { stand: 'Stood', swim: 'Swim', pass: 'Pass' };
function openedEntry({ station, units }: About): EntryWords {
  const what = methodOf(station?.method ?? '')?.isOnIce ? 'Drilled' : (openedWords[station?.kind ?? ''] ?? 'Stopped');
  if (station?.outM != null) return { what, detail: `at ${depthText(station.outM, units)}` };
  return { what, detail: station?.depthM == null ? '' : `bottom ${depthText(station.depthM, units)}` };
}

function flowEntry({ entry, outing, units }: About): EntryWords {
  return found(
    'Flow',
    outing.flows.find((f) => f.id === entry.id),
    ({ alongM, seconds }) => (alongM === 0 ? 'stands still' : `${currentText(Math.abs(alongM) / seconds, units)} at the surface, to the ${alongM > 0 ? 'right' : 'left'}`),
  );
}

function levelEntry({ entry, outing, units }: About): EntryWords {
  const level = outing.levels.find((l) => l.ms === entry.ms)?.levelM ?? 0;
  return { what: 'Level', detail: `${depthText(Math.abs(level), units)} ${level < 0 ? 'lower' : 'higher'}` };
}

function feltEntry({ entry, outing, units }: About): EntryWords {
  const felt = outing.felt.find((f) => f.id === entry.id);
  return found(feltWords[felt?.what ?? 'hard'], felt, ({ bearingDeg, outM }) => `${bearingText(bearingDeg)}, ${castText(outM, units)} out`);
}

/** An entry that is worded by what was written in it. */
const written =
  (what: string, otherwise = '') =>
  ({ entry }: About): EntryWords => ({ what, detail: entry.text ?? otherwise });

/** Every kind of entry: a new one has a row here, or does not compile. */
export const entryKinds: { readonly [K in EventKind]: EntryRow } = {
  'outing-started': { name: 'Outing started', words: written('Outing', 'began') },
  'outing-ended': { name: 'Outing ended', words: written('Outing', 'ended') },
  joined: { name: 'Joined with another outing', words: () => ({ what: 'Joined', detail: 'an outing that another phone had begun' }) },
  'method-changed': { name: 'Way of fishing changed', words: ({ entry }) => ({ what: 'Now', detail: methodOf(entry.text ?? '')?.offer ?? entry.text ?? '' }) },
  'ice-measured': {
    name: 'Ice',
    words: ({ entry, outing, units }) =>
      found(
        'Ice',
        outing.ice.find((i) => i.ms === entry.ms),
        (ice) => `${iceText(ice.clearM, units)} clear, ${iceText(ice.whiteM, units)} white`,
      ),
    figures: iceFigures,
  },
  'station-opened': { name: 'Place opened', words: openedEntry },
  'swim-placed': { name: 'Swim chosen' },
  plumbed: {
    name: 'Depth plumbed',
    words: ({ entry, outing, units }) =>
      found(
        'Plumbed',
        outing.plumbed.find((p) => p.id === entry.id),
        (p) => `${depthFine(p.depthM, units)} at ${depthText(p.outM, units)}`,
      ),
    figures: plumbedFigures,
  },
  'flow-timed': { name: 'Flow', words: flowEntry, figures: flowFigures },
  'depth-sounded': { name: 'Depth' },
  'surface-seen': { name: 'Over the water', words: ({ entry }) => ({ what: 'Over the water', detail: surfaceWords[entry.text as SurfaceSeen] ?? '' }) },
  'temperature-measured': {
    name: 'Water temperature',
    words: ({ entry, outing, units }) => {
      const read = outing.temperatures.find((t) => t.ms === entry.ms && t.station === entry.station);
      return { what: 'Water', detail: read ? `${tempText(read.tempC, units)} at ${depthText(read.depthM, units)}` : 'temperature' };
    },
    figures: temperatureFigures,
  },
  'clarity-measured': {
    name: 'Clarity',
    words: ({ entry, outing, units }) =>
      found(
        'Clarity',
        outing.clarity.find((c) => c.ms === entry.ms),
        (c) => `disc lost at ${depthText(c.secchiM, units)}`,
      ),
    figures: clarityFigures,
  },
  'level-measured': { name: 'Level of the water', words: levelEntry, figures: levelFigures },
  'line-down': { name: 'Line down', words: written('Line down', unsaidBait.toLowerCase()) },
  'line-up': { name: 'Line up' },
  'flag-up': { name: 'Flag', words: written('Flag') },
  'depth-set': { name: 'Depth of the jig' },
  'cadence-set': { name: 'Movement' },
  cast: {
    name: 'Cast',
    words: ({ entry, outing, units }) =>
      found(
        'Cast',
        outing.casts.find((c) => c.eventId === entry.id),
        (c) => `${bearingText(c.bearingDeg)}, ${castText(c.distanceM, units)}`,
      ),
    figures: castFigures,
  },
  felt: { name: 'Felt on the bed', words: feltEntry, figures: feltFigures },
  fed: {
    name: 'Feed',
    words: ({ entry, station, units }) => ({ what: 'Fed', detail: [entry.text, station?.outM == null ? '' : `at ${depthText(station.outM, units)}`].filter(Boolean).join(' ') }),
    figures: fedFigures,
  },
  changed: { name: 'Change', words: ({ entry }) => ({ what: 'Change', detail: baitStateWords[entry.text ?? ''] ?? changeName(entry.text) }) },
  'quiet-seen': { name: 'Reason for the quiet', words: ({ entry }) => ({ what: 'Seen', detail: quietRules.find((r) => r.id === entry.text)?.label ?? '' }) },
  'bag-weighed': {
    name: 'Fish weighed',
    words: ({ entry, outing, units }) =>
      found(
        'Weighed',
        outing.weighed.find((w) => w.ms === entry.ms),
        (w) => `${w.count} together, ${weightText(w.massG, units)}`,
      ),
    figures: bagFigures,
  },
  tracked: { name: 'Track of a pass' },
  'pass-ended': { name: 'Pass ended', words: ({ station }) => ({ what: 'Pass', detail: station ? `${station.label} ended` : 'ended' }) },
  rested: { name: 'Rested', words: ({ station, units }) => found('Rested', station, (s) => placeWords(s, units)) },
  moved: { name: 'Moved', words: ({ station, units }) => found('Moved', station, (s) => `to ${placeWords(s, units)}`) },
  reaction: { name: 'What a fish did', words: reactionEntry },
  'fish-landed': { name: 'Fish landed', words: fishEntry },
  'fish-kept': { name: 'Fish kept' },
  'keep-planned': { name: 'Fish to keep', words: ({ entry }) => ({ what: 'To keep', detail: entry.text === '0' ? 'none' : (entry.text ?? '') }) },
  'fish-released': { name: 'Fish released' },
  'weather-seen': { name: 'Weather seen' },
  'drill-done': { name: 'Practice drill' },
  note: { name: 'Note', words: written('Note') },
  undone: { name: 'Taken back' },
  amended: { name: 'Corrected' },
};

/** An entry in words. */
export function wordsOf(entry: LogEntry, outing: OutingState, units: UnitPreference): EntryWords {
  const station = outing.stations.find((s) => s.id === entry.station);
  return entryKinds[entry.kind].words?.({ entry, outing, station, units }) ?? { what: entryKinds[entry.kind].name, detail: '' };
}

/** The figures of a kind of entry; empty of one that is more than figures at a place. */
export const figuresOf = (kind: EventKind, units: UnitPreference): Figure[] => entryKinds[kind].figures?.(units) ?? [];

export const isFigureKind = (kind: EventKind): boolean => entryKinds[kind].figures !== undefined;
