import { speciesOf } from '../fish';
import { sinkTime } from '../rig';
import { bisect, clamp } from '../units';
import { familyOf, lureOf, tackleFamilies, tackleWays, traitsOf, type PieceTraits, type TackleFamily, type TacklePiece, type Zone } from '../tackle';
import { tieOnRules, type Forage, type TackleGoal, type TieOnSetting } from './rules';

export interface TieOnQuery {
  speciesId: string;
  tempC: number;
  secchiM: number;
  method: string;
  goal: TackleGoal;
  /** Depth to fish, m; null where it is not known. */
  depthM: number | null;
  /** Current at that depth, m/s. */
  currentMs: number;
  cloud: number | null;
  /** Where it is to work; where the fish of the species are met, where left out. */
  zone?: Zone | null;
  /** What fish answered to each piece on the outing now or last in this way, whoever holds the rod. */
  answers?: readonly PieceAnswers[];
  /** What they eat in this water. */
  forage?: Forage | null;
  /** Diameter of the line it falls on, mm; usual where left out. */
  lineMm?: number;
  /** Masses that lures are sold in, g: a piece whose mass nobody said is taken as the nearest of them. Any mass where left out. */
  soldG?: readonly number[];
}

/** Bites and fish that a piece had. */
export interface PieceAnswers {
  piece: string;
  bites: number;
}

/** A piece of the box with how well it fits and why. */
export interface TieOnChoice {
  piece: string;
  score: number;
  /** Where it works here. */
  zone: Zone;
  /** Whether the fish have said so today: then it goes before the table. */
  isAnswered: boolean;
  /** Mass to use: its own, or where it has none said one that falls in time, g. */
  massG: number;
  isMassSaid: boolean;
  /** Seconds down to the depth on slack line; null where no depth is known. */
  fallS: number | null;
  why: string[];
  rules: string[];
  /** Rules that it breaks; empty of a first choice wherever one breaks none. */
  breaks: string[];
  viewpoint?: string;
}

/** Fall times to a depth that are neither a wait nor a plunge, s, and the line that it is reckoned with, mm. Source: fieldcraft, 6 to 12 s through ice, soft. */
export const fallLimits = { fromS: 6, toS: 12, lineMm: 0.15 } as const;
/** Each 5 cm/s of current asks for so much more mass, as a share. Heuristic. */
const massPerCurrent = 0.25 / 0.05;

/** Length of what they eat in winter, mm, by group; cold cuts it, a goal stretches or cuts it. Heuristic; source: fieldcraft. */
const forageMm = { panfish: 25, bass: 70, 'pike-walleye': 80, deep: 80, 'stocked-trout': 40, 'roach-like': 10 } as const;
const goalSize: Record<TackleGoal, number> = { numbers: 0.85, supper: 1, size: 1.5 };

/** Where in the column a species is met on a bait: on the bottom where it feeds there, over it in cold water, else in the middle. */
export function zoneOf(speciesId: string, method: string): Zone {
  const species = speciesOf(speciesId);
  if (species.feeds === 'bottom') return 'bottom';
  return tackleWays[method] ?? 'near bottom';
}

/** A mass of the family that falls to a depth in the middle of the time that is wanted, g; more in a current. */
export function massFor(family: TackleFamily, depthM: number | null, currentMs: number, lineMm: number = fallLimits.lineMm): number {
  const [least, most] = family.massG;
  const more = 1 + massPerCurrent * currentMs;
  if (depthM === null) return clamp(Math.sqrt(least * most) * more, least, most);
  const wantedS = (fallLimits.fromS + fallLimits.toS) / 2;
  const massG = Math.exp(bisect((log) => sinkTime(lureOf(family, Math.exp(log)), depthM, lineMm) > wantedS, Math.log(least), Math.log(most), 24));
  return clamp(massG * more, least, most);
}

/**
 * What of the box to tie on, best first. Pieces whose family does not serve the way of fishing are left out; those that break a rule of
 * the table come after all that break none.
 * Throws RangeError for an unknown family or species, or a figure out of its range.
 */
export function whatToTieOn(box: readonly TacklePiece[], query: TieOnQuery): TieOnChoice[] {
  requireQuery(query);
  const species = speciesOf(query.speciesId);
  const setting: TieOnSetting = {
    group: species.group,
    zone: query.zone ?? zoneOf(query.speciesId, query.method),
    forage: query.forage ?? null,
    tempC: query.tempC,
    secchiM: query.secchiM,
    method: query.method,
    goal: query.goal,
    cloud: query.cloud,
  };
  const wantedMm = forageMm[species.group] * goalSize[query.goal] * (query.tempC < 5 ? 0.85 : 1);
  const choices = box.filter((piece) => familyOf(piece.family).methods.includes(query.method)).map((piece) => choiceOf(piece, setting, query, wantedMm));
  const misses = (c: TieOnChoice) => Number(query.zone != null && c.zone !== query.zone);
  return choices.sort(
    (a, b) => misses(a) - misses(b) || Number(b.isAnswered) - Number(a.isAnswered) || a.breaks.length - b.breaks.length || b.score - a.score || (a.piece < b.piece ? -1 : 1),
  );
}

function choiceOf(piece: TacklePiece, setting: TieOnSetting, query: TieOnQuery, wantedMm: number): TieOnChoice {
  const traits = traitsOf(piece);
  const { family } = traits;
  const massG = piece.massG ?? massToBuy(massFor(family, query.depthM, query.currentMs, query.lineMm), query.soldG);
  const fallS = query.depthM === null ? null : sinkTime(lureOf(family, massG), query.depthM, query.lineMm ?? fallLimits.lineMm);
  const favoured = tieOnRules.filter((r) => r.holds(setting) && r.favours?.(traits, setting));
  const told = answeredBy(piece.piece, query.answers ?? []);
  // What they take today is not advised against in the next breath.
  const broken = told.isProven ? [] : tieOnRules.filter((r) => r.holds(setting) && r.against?.(traits, setting));
  const suits = family.suits[setting.group] ?? 0.4;
  const score = favoured.reduce((product, r) => product * (r.weight ?? 1), 1) * suits * sizeFit(traits, wantedMm) * fallFit(fallS, query.currentMs) * (broken.length > 0 ? 0.3 : 1);
  const cut = cutText(traits, query, wantedMm);
  const viewpoint = favoured.find((r) => r.viewpoint)?.viewpoint;
  return {
    piece: piece.piece,
    score: Math.round(1000 * score * (told.isProven ? 1 + told.bites : 1)) / 1000,
    zone: family.zones.includes(setting.zone) ? setting.zone : family.zones[0],
    isAnswered: told.isProven,
    massG,
    isMassSaid: piece.massG !== null,
    fallS: fallS === null ? null : Math.round(10 * fallS) / 10,
    why: [...told.why, ...favoured.map((r) => r.reason), ...cut, ...fallWords(fallS), ...broken.map((r) => `But: ${r.reason.charAt(0).toLowerCase()}${r.reason.slice(1)}`)],
    rules: [...(told.isProven ? ['tie-on.answers'] : []), ...favoured.map((r) => r.id), ...(cut.length > 0 ? ['tie-on.cold.cut'] : [])],
    breaks: broken.map((r) => r.id),
    ...(viewpoint ? { viewpoint } : {}),
  };
}

/** So many answers, and so great a share of all of them, say more than the table; fewer are chance. Heuristic. */
const proven = { least: 3, share: 0.6 } as const;

/** What the fish said of a piece today, and whether that is enough to go by. */
function answeredBy(piece: string, answers: readonly PieceAnswers[]): { isProven: boolean; bites: number; why: string[] } {
  const all = answers.reduce((sum, a) => sum + a.bites, 0);
  const bites = answers.filter((a) => a.piece === piece).reduce((sum, a) => sum + a.bites, 0);
  const isProven = bites >= proven.least && bites >= proven.share * all;
  const why = bites === 0 ? [] : [`${bites} of ${all} answers came to it${isProven ? '.' : ': too few to go by.'}`];
  return { isProven, bites, why };
}

/** Families whose body is cut shorter in the cold, °C, and by how much at most, mm. Source: fieldcraft. */
const cuts = { families: ['straight-worm', 'tube', 'grub', 'soft-trolling'], belowC: 6, leastMm: 10, mostMm: 20 } as const;

function cutText({ family, sizeMm, isSizeSaid }: PieceTraits, { tempC }: TieOnQuery, wantedMm: number): string[] {
  const isCut = (cuts.families as readonly string[]).includes(family.id) && isSizeSaid && tempC < cuts.belowC && sizeMm - cuts.leastMm > wantedMm;
  return isCut ? [`Cut it to ${Math.round((sizeMm - cuts.mostMm) / 10)} to ${Math.round((sizeMm - cuts.leastMm) / 10)} cm: cold fish take short ones.`] : [];
}

/** The mass nearest to one that lures are sold in, else to a hundredth of a gram. */
const massToBuy = (massG: number, soldG?: readonly number[]): number =>
  soldG ? soldG.reduce((best, m) => (Math.abs(Math.log(m / massG)) < Math.abs(Math.log(best / massG)) ? m : best)) : Math.round(100 * massG) / 100;

/** How near a length is to what they eat, 1 to 0.3; a length that nobody said counts as half known. */
function sizeFit({ sizeMm, isSizeSaid }: PieceTraits, wantedMm: number): number {
  const off = Math.log(sizeMm / wantedMm);
  const fit = Math.max(0.3, Math.exp(-(off * off) / (2 * 0.7 ** 2)));
  return isSizeSaid ? fit : (1 + fit) / 2;
}

/** Between 6 and 12 s nothing is to choose; outside it counts a little: fall time alone does not choose. */
function fallFit(fallS: number | null, currentMs: number): number {
  if (fallS === null) return 1;
  // In a current a quick fall is no fault.
  const off = fallS > fallLimits.toS ? Math.log(fallS / fallLimits.toS) : fallS < fallLimits.fromS && currentMs < 0.05 ? 0.6 * Math.log(fallLimits.fromS / fallS) : 0;
  return Math.max(0.5, Math.exp(-0.5 * off));
}

function fallWords(fallS: number | null): string[] {
  if (fallS === null) return [];
  const seconds = `${Math.round(fallS)} s down`;
  if (fallS > fallLimits.toS) return [`${seconds}: a wait, and little to feel.`];
  return [fallS < fallLimits.fromS ? `${seconds}: quicker than most take it, but felt.` : `${seconds}: in the time that most take it.`];
}

function requireQuery({ tempC, secchiM, depthM, currentMs, cloud, lineMm = fallLimits.lineMm }: TieOnQuery): void {
  const within = (value: number | null, low: number, high: number, what: string) => {
    if (value !== null && !(value >= low && value <= high)) throw new RangeError(`${what}: expected ${low} to ${high}, found ${value}`);
  };
  within(tempC, -2, 40, 'water temperature, °C');
  within(secchiM, 0.1, 40, 'clarity, m');
  within(depthM, 0.3, 100, 'depth, m');
  within(currentMs, 0, 3, 'current, m/s');
  within(cloud, 0, 1, 'cloud, share');
  within(lineMm, 0.02, 1, 'line diameter, mm');
}

/** One pick for each part of the water, the part where the fish are met first, of another family each where the box has one; a part that nothing in it works in has none. */
export function pickByZone(box: readonly TacklePiece[], query: TieOnQuery): { zone: Zone; pick: TieOnChoice | null }[] {
  const met = zoneOf(query.speciesId, query.method);
  const zones: Zone[] = ['middle', 'near bottom', 'bottom'];
  const taken = new Set<string>();
  return zones
    .sort((a, b) => Number(b === met) - Number(a === met))
    .map((zone) => {
      const working = whatToTieOn(box, { ...query, zone }).filter((c) => c.zone === zone);
      const familyOfPick = (c: TieOnChoice) => box.find((p) => p.piece === c.piece)!.family;
      const pick = working.find((c) => !taken.has(familyOfPick(c))) ?? working.at(0) ?? null;
      if (pick) taken.add(familyOfPick(pick));
      return { zone, pick };
    });
}

/** What an empty box wants first: the family that fits best, how large and heavy, and of what kind of colour. Never a brand. */
export function firstToBuy(query: TieOnQuery): { family: TackleFamily; massG: number; sizeMm: number; colour: string; why: string[] } {
  const colour = query.secchiM >= 2 ? 'natural' : 'black';
  const box = tackleFamilies.map((f): TacklePiece => ({ piece: f.id, family: f.id, massG: null, sizeMm: null, colour, hooks: null, points: null, rattle: null, suspends: null }));
  const [best] = whatToTieOn(box, { ...query, answers: [] });
  const family = familyOf(best.piece);
  const wanted = forageMm[speciesOf(query.speciesId).group] * goalSize[query.goal];
  return { family, massG: best.massG, sizeMm: Math.round(clamp(wanted, ...family.sizeMm)), colour, why: best.why };
}

/** What to change to first after two refusals alike: the same in a smaller size, else another colour of the family, else the runner-up. Schools differ: some change the colour first. */
export function changeFirst(choices: readonly TieOnChoice[], box: readonly TacklePiece[]): { piece: string; what: 'size' | 'colour' | 'bait' } | null {
  const [first, ...rest] = choices;
  if (!first) return null;
  const own = box.find((p) => p.piece === first.piece)!;
  const others = rest.map((c) => ({ choice: c, piece: box.find((p) => p.piece === c.piece)! }));
  const smaller = others.find(({ piece }) => piece.family === own.family && piece.sizeMm !== null && own.sizeMm !== null && piece.sizeMm < own.sizeMm);
  if (smaller) return { piece: smaller.choice.piece, what: 'size' };
  const recoloured = others.find(({ piece }) => piece.family === own.family && piece.colour !== own.colour);
  if (recoloured) return { piece: recoloured.choice.piece, what: 'colour' };
  return others[0] ? { piece: others[0].choice.piece, what: 'bait' } : null;
}

/** A leader for these fish, kg of strength. Source: fieldcraft, presentation. */
export function leaderKg(speciesId: string): { fromKg: number; toKg: number } {
  return {
    panfish: { fromKg: 0.9, toKg: 1.8 },
    'roach-like': { fromKg: 0.5, toKg: 1 },
    'stocked-trout': { fromKg: 1.8, toKg: 2.7 },
    deep: { fromKg: 2.7, toKg: 3.6 },
    bass: { fromKg: 2.7, toKg: 4.5 },
    'pike-walleye': { fromKg: 3.6, toKg: 6 },
  }[speciesOf(speciesId).group];
}
