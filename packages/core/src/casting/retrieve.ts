import type { Goal } from '../ledger';
import { clamp, requireWithin } from '../units';
import { bankCadence, type BankCadence } from './cadences';
import { familyRetrieve, type FamilyRetrieve } from './family-retrieves';

/** What the bait is worked over. */
export const retrieveBeds = ['rock', 'mud', 'gravel', 'weed'] as const;
export type RetrieveBed = (typeof retrieveBeds)[number];
/** What the fish did with it: came after it, followed and turned, took no notice; none seen. */
export const fishSeen = ['chase', 'follow', 'ignore', 'none'] as const;
export type FishSeen = (typeof fishSeen)[number];
/** What came of the cast before. */
export const retrieveAfters = ['cast', 'touch', 'miss', 'fish'] as const;
export type RetrieveAfter = (typeof retrieveAfters)[number];

/**
 * How long a bait is left, s, from and to, by the water's temperature: 5 to 15 s at 4 °C, 1 to 3 s at 10 °C, on a line between and beyond, never over 30.
 * Source: fieldcraft, presentation.
 */
export function coldPauseS(tempC: number): [fromS: number, toS: number] {
  requireWithin(tempC, -2, 40, 'water temperature', '°C');
  return [clamp(5 - ((tempC - 4) * 4) / 6, 0.5, 30), clamp(15 - ((tempC - 4) * 12) / 6, 1.5, 30)];
}

export interface RetrieveQuery {
  family: string;
  tempC: number;
  /** Of the water, m. */
  depthM: number;
  bed?: RetrieveBed | null;
  seen?: FishSeen;
  goal?: Goal;
  after?: RetrieveAfter;
  /** How deep this very bait runs, m, where it was measured. */
  ownDepthM?: number | null;
}

/** How to bring a bait back. */
export interface Retrieve {
  cadence: BankCadence;
  does: string;
  /** On the bed, or the depth it works at, m. */
  onBed: boolean;
  depthM: number | null;
  pauseS: [fromS: number, toS: number];
  moveS: number;
  /** Seconds for each metre drawn: move and pause together. */
  paceSPerM: number;
  /** Said first after a touch or a miss; null otherwise. */
  headline: string | null;
  rules: string[];
}

/** What was seen changes the pause by so much, and what is said of it. Heuristic; source: fieldcraft, ladder of mood. */
const moods: Readonly<Record<FishSeen, { times: number; says: string }>> = {
  none: { times: 1, says: '' },
  chase: { times: 0.7, says: 'They chase: sharper, a shorter rest.' },
  follow: { times: 1.4, says: 'They follow and turn: slower, a longer rest, then smaller.' },
  ignore: { times: 1.6, says: 'They take no notice: as slowly as you can bear, and left to lie.' },
};
/** After a touch it is left longer; for size slower than for numbers. Heuristic. */
const [touchedTimes, goalTimes] = [1.3, { numbers: 1, supper: 1, size: 1.15 }] as const;
/** A search bait is wound so much faster, s a metre; a diver never goes nearer the bed than this where it does not touch it, m. */
const [searchSPerM, clearM, turnM] = [1, 0.3, 0.6] as const;

/** How a bait of a family is worked here and now. Throws RangeError for an unknown family, water of −2 to 40 °C and 0.3 to 100 m deep. */
export function retrieveOf(query: RetrieveQuery): Retrieve {
  const { family, tempC, depthM, bed = null, seen = 'none', goal = 'numbers', after = 'cast', ownDepthM = null } = query;
  requireWithin(depthM, 0.3, 100, 'depth of the water', 'm');
  const row = familyRetrieve(family);
  const isTouched = after === 'touch' || after === 'miss';
  const isSearch = row.cadence === 'tick' && seen === 'chase' && !isTouched;
  const times = row.rests * moods[seen].times * goalTimes[goal] * (isTouched ? touchedTimes : 1);
  const pauseS = coldPauseS(tempC).map((s) => Math.min(30, s * times)) as [number, number];
  const moveS = isSearch ? searchSPerM * row.takeM : row.moveS;
  const where = whereOf(row, depthM, ownDepthM);
  const isFish = after === 'fish';
  const does = [
    isTouched ? row.after : isFish ? 'The same again at once: where one lay there are more.' : '',
    isSearch ? 'Wound fast over everything: a search bait, then a slow one where it was hit.' : row.does,
    where.says,
    bed === 'rock' && where.onBed ? 'Rest it longest on each rock.' : '',
    moods[seen].says,
    `${turnsText(row.takeM)} of the handle a move.`,
  ];
  return {
    cadence: { ...bankCadence(row.cadence)!, how: row.does, liftM: row.liftM, takeM: row.takeM },
    does: does.filter(Boolean).join(' '),
    onBed: where.onBed,
    depthM: where.depthM,
    pauseS,
    moveS,
    paceSPerM: (moveS + (pauseS[0] + pauseS[1]) / 2) / row.takeM,
    headline: isTouched ? row.afterHeadline : null,
    rules: [
      `retrieve.${family}`,
      ...(row.rests > 0 ? ['retrieve.pause.cold'] : []),
      ...(seen === 'none' ? [] : [`retrieve.seen.${seen}`]),
      ...(isTouched || isFish ? [`retrieve.after.${after}`] : []),
      ...(goal === 'size' ? ['retrieve.goal.size'] : []),
      ...(bed === null ? [] : [`retrieve.bed.${bed}`]),
    ],
  };
}

/** Where it works over a bed so deep. */
function whereOf({ at, cadence }: FamilyRetrieve, bedM: number, ownDepthM: number | null): { onBed: boolean; depthM: number | null; says: string } {
  if ('onBed' in at) return { onBed: true, depthM: null, says: '' };
  if ('overBedM' in at) return { onBed: false, depthM: Math.max(bedM / 2, bedM - at.overBedM), says: '' };
  if ('share' in at) return { onBed: false, depthM: at.share * bedM, says: '' };
  const diveM = ownDepthM ?? at.ownM;
  if (cadence !== 'tick') return { onBed: false, depthM: Math.min(diveM, Math.max(bedM / 2, bedM - clearM)), says: '' };
  if (bedM <= diveM) return { onBed: true, depthM: null, says: bedM < diveM / 2 ? 'The bed is much shallower than it dives: it digs, take a shallower one.' : '' };
  return { onBed: false, depthM: diveM, says: 'It never touches the bed here: it swims in open water.' };
}

const turnsText = (takeM: number) => {
  const turns = Math.round((2 * takeM) / turnM) / 2;
  return turns === 1 ? 'One turn' : `${turns === 1.5 ? 'One and a half' : turns === 0.5 ? 'Half a' : turns} turn${turns > 1 ? 's' : ''}`;
};
