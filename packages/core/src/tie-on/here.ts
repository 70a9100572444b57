import type { OutingState } from '../ledger';
import { temperatureAt, unknownWater, type Known, type Situation } from '../situation';
import { clamp } from '../units';
import { tackleWays } from '../tackle';
import { visitsOf } from '../visits';
import type { Forage } from './rules';
import type { PieceAnswers, TieOnQuery } from './choice';

/** Depths that baits are reckoned for, m: beyond them what holds at the end is the best answer there is. */
const [leastM, mostM] = [0.3, 60];

export interface TieOnHere {
  situation: Situation | null;
  outing: OutingState | undefined;
  /** All outings, for what was answered last in this way. */
  outings: readonly OutingState[];
  /** What they eat in this water; null where nobody said. */
  forage: Forage | null;
  /** The fish and the way where the situation and the outing say none. */
  species: string;
  method: string;
  goal: TieOnQuery['goal'];
  lineMm: number | null;
  soldG: readonly number[];
}

/** The depth that is fished: that of the line, else the middle of the band, else that of the station, m; null where none is known. */
function fishedDepthM({ situation, outing }: TieOnHere): number | null {
  const line = outing?.lines.findLast((l) => l.upMs === null);
  const band = situation?.band?.value;
  const station = outing?.stations.find((s) => s.id === outing.currentStation);
  const depthM = line?.depths.at(-1)?.depthM ?? (band ? (band.fromM + band.toM) / 2 : null) ?? station?.depthM ?? null;
  return depthM === null ? null : clamp(depthM, leastM, mostM);
}

/** What fish answered to each piece on the latest outing in a way, whoever holds the rod. */
export function answersIn(outings: readonly OutingState[], method: string): PieceAnswers[] {
  const last = outings.findLast((o) => o.methods.some((m) => m.method === method));
  if (!last) return [];
  const bites = new Map<string, number>();
  // How long its lines were down does not matter here: no clock is asked.
  for (const { takes, lines } of visitsOf(last, last.endedMs ?? last.startedMs).filter((v) => v.method === method))
    for (const take of takes.filter((t) => t.isBite)) {
      // A fish that nobody laid to a line came to the one that was down, where there was but one bait.
      const down = take.line === null ? lines.filter((l) => l.downMs <= take.ms && (l.upMs === null || l.upMs >= take.ms)) : lines.filter((l) => l.id === take.line);
      const pieces = new Set(down.map((l) => l.presentation));
      const [piece] = pieces;
      if (pieces.size === 1 && piece !== null) bites.set(piece, (bites.get(piece) ?? 0) + 1);
    }
  return [...bites].map(([piece, n]) => ({ piece, bites: n }));
}

/** What is asked of the tackle box here and now, with who says how warm and clear the water is. */
export function tieOnHere(here: TieOnHere): { query: TieOnQuery; temp: Known<number>; clarity: Known<number> } {
  const { situation, outing, outings, species, method, goal, forage, lineMm, soldG } = here;
  const depthM = fishedDepthM(here);
  const known = situation ?? unknownWater;
  const temp = situation && depthM !== null ? temperatureAt(situation, depthM) : known.temperature;
  const way = outing?.method ?? method;
  return {
    temp,
    clarity: known.clarity,
    query: {
      speciesId: situation?.species.value ?? outing?.species[0] ?? species,
      tempC: temp.value,
      secchiM: known.clarity.value,
      method: way in tackleWays ? way : 'cast',
      answers: answersIn(outings, way),
      forage,
      goal,
      depthM,
      currentMs: 0,
      cloud: situation?.cloud?.value ?? null,
      soldG,
      ...(lineMm === null ? {} : { lineMm }),
    },
  };
}
