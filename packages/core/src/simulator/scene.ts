import { normal, type Random } from '../units';
import { Quarry, type Mood } from './quarry';

/** A water column with its fish, for the simulated flasher and for practice. */
export interface Scene {
  id: string;
  title: string;
  bottomM: number;
  slopeDeg: number;
  jigM: number;
  /** Mean minutes between visits of fish; 0 for fish that are there from the start and stay. */
  visitMin: number;
  /** Fish of one visit, swimming in at the edge; `shiftM` deeper than in the scene's own water. */
  visitors: (random: Random, nextId: () => number, shiftM: number) => Quarry[];
}

const edgeM = 1.6;
/** A fish keeps its height above the bottom, as far as there is water. */
const home = (depthM: number, shiftM: number) => Math.max(0.7, depthM + shiftM);

function atEdge(random: Random) {
  const course = 2 * Math.PI * random();
  const aim = course + Math.PI + 0.35 * normal(random);
  return { xM: edgeM * Math.cos(course), yM: edgeM * Math.sin(course), vx: Math.cos(aim), vy: Math.sin(aim) };
}

const onAxis = (random: Random) => ({ xM: 0.15 * normal(random), yM: 0.15 * normal(random), vx: 0, vy: 0 });

/** A fish that hangs where it is: for checking a reader, it answers to nothing. */
class SteadyQuarry extends Quarry {
  override step(dt: number, _jig: unknown, bottomM: number): boolean {
    this.depthM = Math.min(bottomM - 0.3, this.depthM + 0.02 * Math.sqrt(dt) * Math.sin(this.depthM * 40));
    return false;
  }
}

const mood = (random: Random, activity: number, wariness: number): Mood => ({
  activity: Math.min(1, Math.max(0, activity + 0.12 * normal(random))),
  wariness: Math.min(1, Math.max(0, wariness + 0.1 * normal(random))),
  likedMotion: random(),
});

export const scenes: readonly Scene[] = [
  {
    id: 'steady',
    title: 'One steady fish',
    bottomM: 7.5,
    slopeDeg: 3,
    jigM: 5.6,
    visitMin: 0,
    visitors: (random, nextId, shiftM) => [new SteadyQuarry(nextId(), 25, mood(random, 0, 0), home(6.4, shiftM), random, onAxis(random))],
  },
  {
    id: 'stack',
    title: 'A lively stack of panfish',
    bottomM: 7.5,
    slopeDeg: 4,
    jigM: 5.2,
    visitMin: 2.5,
    visitors: (random, nextId, shiftM) => {
      const count = 2 + Math.floor(3 * random());
      const place = atEdge(random);
      return Array.from(
        { length: count },
        (_, k) =>
          new Quarry(nextId(), 20 + 8 * random(), mood(random, 0.75, 0.35), home(5.9 + 0.35 * k + 0.2 * random(), shiftM), random, {
            ...place,
            xM: place.xM + 0.3 * normal(random),
            yM: place.yM + 0.3 * normal(random),
          }),
      );
    },
  },
  {
    id: 'wary',
    title: 'One wary fish in clear water',
    bottomM: 9,
    slopeDeg: 2,
    jigM: 6.8,
    visitMin: 1.5,
    visitors: (random, nextId, shiftM) => [new Quarry(nextId(), 30 + 10 * random(), mood(random, 0.45, 0.8), home(7.4 + 0.8 * random(), shiftM), random, atEdge(random))],
  },
  { id: 'empty', title: 'Empty water', bottomM: 7.5, slopeDeg: 3, jigM: 5.6, visitMin: 0, visitors: () => [] },
];

/** The scene of an id. Throws RangeError naming the scenes there are. */
export function sceneOf(id: string): Scene {
  const scene = scenes.find((s) => s.id === id);
  if (!scene) throw new RangeError(`scene must be one of ${scenes.map((s) => s.id).join(', ')}, found ${id}`);
  return scene;
}
