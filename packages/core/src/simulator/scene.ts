import type { SpeciesId } from '../fish';
import { normal, type Random } from '../units';
import { dayOf, type Day } from './mood';
import type { School } from './school';

/** What a scene has to bring fish in with. Depths below the surface, m. */
export interface Arrivals {
  random: Random;
  /** A school passing at a speed, m/s, that holds about the hole for a while, s. */
  school: (speedMs: number, stayS: number) => School;
  /** One fish of a school; its home is kept above the bottom in use as it is above the scene's own. */
  fish: (school: School, lengthCm: number, homeDepthM: number) => void;
  /** A fish that answers to nothing and hangs off the axis by so much, m. */
  steady: (lengthCm: number, homeDepthM: number, offAxisM: number) => void;
}

/** A water column with its fish, for the simulated flasher and for practice. */
export interface Scene {
  id: string;
  title: string;
  /** What there is to learn in it. */
  teaches: string;
  /** `check`: for checking the reader only. */
  kind: 'drill' | 'check';
  speciesId: SpeciesId;
  waterTempC: number;
  bottomM: number;
  slopeDeg: number;
  jigM: number;
  /** Mean minutes between visits; 0 for fish that are there from the start and stay. */
  visitMin: number;
  /** Whether fish come at depths of their own, which no depth chosen beforehand meets. */
  roams: boolean;
  /** Pace of visits at a minute of the hour, 1 where not said. */
  pace?: (minute: number) => number;
  /** A band of bait: top, m, thickness, m, how many fish. */
  bait?: { topM: number; thickM: number; count: number };
  day: (random: Random) => Day;
  visit: (arrivals: Arrivals) => void;
}

const within = (random: Random, low: number, high: number) => low + (high - low) * random();
const several = (random: Random, least: number, most: number) => least + Math.floor((most - least + 1) * random());
const idle = (random: Random) => dayOf(random, 0.1, 0.5);

/** A school hung about a depth, `apartM` from one to the next. */
function hang({ random, school, fish }: Arrivals, count: number, topM: number, apartM: number, lengthCm: readonly [number, number], stayS: number): void {
  const centre = school(within(random, 0.05, 0.14), stayS * (0.5 + random()));
  for (let k = 0; k < count; k++) fish(centre, within(random, ...lengthCm), topM + apartM * (k + 0.3 * normal(random)));
}

const drills: readonly Scene[] = [
  {
    id: 'stack',
    title: 'A lively stack of panfish',
    teaches: 'Hang above the highest, keep it lively while several look, get back down at once.',
    kind: 'drill',
    speciesId: 'black-crappie',
    waterTempC: 4,
    bottomM: 7.5,
    slopeDeg: 4,
    jigM: 5.2,
    visitMin: 4,
    roams: false,
    day: (random) => dayOf(random, 0.72, 0.35),
    visit: (a) => hang(a, several(a.random, 2, 4), within(a.random, 2.6, 6.2), 0.35, [20, 28], 120),
  },
  {
    id: 'wary',
    title: 'Wary fish in clear water',
    teaches: 'Slow down as it closes, hold when it stalls, draw away, and change one thing after two refusals.',
    kind: 'drill',
    speciesId: 'black-crappie',
    waterTempC: 3.5,
    bottomM: 9,
    slopeDeg: 2,
    jigM: 6.8,
    visitMin: 3,
    roams: false,
    day: (random) => dayOf(random, 0.5, 0.8),
    visit: (a) => hang(a, several(a.random, 1, 2), within(a.random, 3.2, 8), 0.4, [28, 38], 150),
  },
  {
    id: 'roaming',
    title: 'A roaming school over the basin',
    teaches: 'Call, find their depth as they come, be over them before they are gone.',
    kind: 'drill',
    speciesId: 'black-crappie',
    waterTempC: 4,
    bottomM: 12,
    slopeDeg: 1,
    jigM: 7,
    visitMin: 3.5,
    roams: true,
    day: (random) => dayOf(random, 0.62, 0.5),
    visit: (a) => hang(a, several(a.random, 2, 4), within(a.random, 2.5, 10.4), 0.35, [20, 30], 100),
  },
  {
    id: 'bottom',
    title: 'Bottom feeders',
    teaches: 'Thump, lift a hand, watch the lowest half metre where the bottom hides them.',
    kind: 'drill',
    speciesId: 'yellow-perch',
    waterTempC: 4,
    bottomM: 8,
    slopeDeg: 3,
    jigM: 7.7,
    visitMin: 3,
    roams: false,
    day: (random) => dayOf(random, 0.55, 0.65),
    visit: (a) => hang(a, several(a.random, 1, 2), within(a.random, 7.35, 7.8), 0.06, [18, 26], 110),
  },
  {
    id: 'chasers',
    title: 'Chasers that flare off',
    teaches: 'They come fast and decide at once: take the movement out before they arrive; do not repeat what was refused.',
    kind: 'drill',
    speciesId: 'lake-trout',
    waterTempC: 4,
    bottomM: 16,
    slopeDeg: 6,
    jigM: 11,
    visitMin: 3.2,
    roams: true,
    day: (random) => dayOf(random, 0.88, 0.85),
    visit: (a) => hang(a, several(a.random, 1, 2), within(a.random, 5, 14.5), 0.8, [45, 70], 100),
  },
  {
    id: 'bait',
    title: 'Bait with a predator under it',
    teaches: 'The band of weak marks is food: fish its lower edge, and wait for the strong mark under it.',
    kind: 'drill',
    speciesId: 'walleye',
    waterTempC: 4,
    bottomM: 12.5,
    slopeDeg: 2,
    jigM: 5.6,
    visitMin: 3.5,
    roams: true,
    bait: { topM: 4, thickM: 1.1, count: 140 },
    day: (random) => dayOf(random, 0.6, 0.55),
    visit: (a) => hang(a, several(a.random, 1, 2), within(a.random, 5.3, 11.3), 0.5, [38, 55], 130),
  },
  {
    id: 'dusk',
    title: 'The flurry at dusk',
    teaches: 'They rise as the light goes and come fast: follow them up, waste no minute.',
    kind: 'drill',
    speciesId: 'black-crappie',
    waterTempC: 4,
    bottomM: 8,
    slopeDeg: 2,
    jigM: 5,
    visitMin: 2.4,
    roams: true,
    pace: (minute) => 0.3 + 2.2 * Math.exp(-0.5 * ((minute - 32) / 11) ** 2),
    day: (random) => dayOf(random, 0.75, 0.4),
    visit: (a) => hang(a, several(a.random, 1, 2), within(a.random, 1.8, 6.4), 0.3, [20, 28], 70),
  },
  {
    id: 'empty',
    title: 'Empty water',
    teaches: 'Call three to five times, then trust the clock and go.',
    kind: 'drill',
    speciesId: 'black-crappie',
    waterTempC: 4,
    bottomM: 7.5,
    slopeDeg: 3,
    jigM: 5.6,
    visitMin: 0,
    roams: false,
    day: idle,
    visit: () => undefined,
  },
];

const check = { kind: 'check', speciesId: 'black-crappie', waterTempC: 4, bottomM: 7.5, slopeDeg: 3, jigM: 5.6, visitMin: 0, roams: false, day: idle } as const;

const checks: readonly Scene[] = [
  { ...check, id: 'steady', title: 'One steady fish', teaches: 'A plain mark.', visit: (a) => a.steady(25, 6.4, 0.15 * a.random()) },
  {
    ...check,
    id: 'six',
    title: 'Six fish at 6 to 14 m',
    teaches: 'Many marks at once.',
    bottomM: 15,
    jigM: 5,
    visit: (a) => {
      for (let k = 0; k < 6; k++) a.steady(within(a.random, 20, 40), 6.3 + 1.5 * k + 0.7 * a.random(), 0.5 * a.random());
    },
  },
  {
    ...check,
    id: 'thick-stack',
    title: 'A stack too thick to count',
    teaches: 'Top and base of a school.',
    visit: (a) => {
      const topM = within(a.random, 4.6, 5.2);
      for (let k = 0; k < 16; k++) a.steady(within(a.random, 16, 24), topM + 0.1 * k, 0.3 * a.random());
    },
    jigM: 4,
  },
  { ...check, id: 'touching', title: 'A fish at the jig', teaches: 'Jig and fish in one echo.', visit: (a) => a.steady(22, 5.62, 0.1 * a.random()) },
  {
    ...check,
    id: 'cone-edge',
    title: 'A fish at the edge of the cone',
    teaches: 'A mark that is fainter and shows deeper than it swims.',
    visit: (a) => a.steady(30, 6.2, within(a.random, 0.75, 1.0)),
  },
  {
    ...check,
    id: 'off-bottom',
    title: 'Fish 12 to 20 cm off the bottom',
    teaches: 'The lowest that can be told from the bottom.',
    slopeDeg: 0,
    visit: (a) => a.steady(25, 7.5 - within(a.random, 0.12, 0.2), 0.15 * a.random()),
  },
  {
    ...check,
    id: 'second-echo',
    title: 'Shallow, with the second echo in sight',
    teaches: 'What stands at twice the depth is no bottom.',
    bottomM: 3.6,
    slopeDeg: 0,
    jigM: 2.2,
    visit: (a) => a.steady(22, within(a.random, 2.6, 3.1), 0.1),
  },
];

export const scenes: readonly Scene[] = [...drills, ...checks];

/** The scene of an id. Throws RangeError naming the scenes there are. */
export function sceneOf(id: string): Scene {
  const scene = scenes.find((s) => s.id === id);
  if (!scene) throw new RangeError(`scene must be one of ${scenes.map((s) => s.id).join(', ')}, found ${id}`);
  return scene;
}
