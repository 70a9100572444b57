import type { OutingState } from '../ledger';
import { temperatureAt, unknownWater, type Known, type Situation } from '../situation';
import { clamp } from '../units';
import { tackleWays } from '../tackle';
import type { TieOnQuery } from './choice';

/** Depths that baits are reckoned for, m: beyond them what holds at the end is the best answer there is. */
const [leastM, mostM] = [0.3, 60];

export interface TieOnHere {
  situation: Situation | null;
  outing: OutingState | undefined;
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

/** What is asked of the tackle box here and now, with who says how warm and clear the water is. */
export function tieOnHere(here: TieOnHere): { query: TieOnQuery; temp: Known<number>; clarity: Known<number> } {
  const { situation, outing, species, method, goal, lineMm, soldG } = here;
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
      goal,
      depthM,
      currentMs: 0,
      cloud: situation?.cloud?.value ?? null,
      soldG,
      ...(lineMm === null ? {} : { lineMm }),
    },
  };
}
