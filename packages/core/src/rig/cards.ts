import { requireWithin } from '../units';
import { shotOf, type ShotSize } from './shot';

/** Kinds of part, each with a sign of its own on the card. */
export type PartKind = 'stop' | 'bead' | 'float' | 'bulk' | 'shot' | 'swivel' | 'loop' | 'weight' | 'hook' | 'bait' | 'flag' | 'knot';

/** One part of a rig, by how far it sits above the hook along the line. */
export interface RigPart {
  kind: PartKind;
  name: string;
  /** m; 0 at the hook. */
  aboveHookM: number;
  /** Mass where it counts, g. */
  massG?: number;
}

/** A rig with its numbers worked out. */
export interface RigCard {
  id: RigId;
  name: string;
  parts: RigPart[];
  /** Length of the card's line from the hook up, m. */
  lengthM: number;
  /** What hangs under the float and what it carries, g; only of float rigs. */
  load?: { hungG: number; carriesG: number };
  steps: string[];
  /** What of it the law may count. */
  hooks: number;
}

export const rigIds = ['sliding-float', 'fixed-float', 'pole', 'loop-jig', 'tube', 'two-baits', 'tip-up', 'tandem'] as const;
export type RigId = (typeof rigIds)[number];

/** The rigs that a float carries. */
type FloatRigId = 'sliding-float' | 'fixed-float' | 'pole';

export const rigNames: Readonly<Record<RigId, string>> = {
  'sliding-float': 'Sliding float',
  'fixed-float': 'Fixed float',
  pole: 'Pole rig',
  'loop-jig': 'Jig on a loop knot',
  tube: 'Tube, head set back',
  'two-baits': 'Two baits on a line',
  'tip-up': 'Tip-up',
  tandem: 'Tandem for trolling',
};

export interface RigSetting {
  /** Depth that the bait is to hang at, m, 0.3 to 60. */
  depthM: number;
  /** Depth of the bed, m; null where nobody knows. */
  bottomM: number | null;
  /** Floats to choose among; without any, one of the capacity that the depth asks for. */
  floats?: readonly OwnFloat[];
  /** Mass of hook and bait, g; usual where left out. */
  baitedG?: number;
}

/** Split shot that a card is laid out with, heaviest first, and the two droppers below them. */
const bulkShot = ['AAA', 'BB', 'No. 4', 'No. 8', 'No. 10', 'No. 12'].map(shotOf);
const droppers = ['No. 8', 'No. 10'].map(shotOf);
/** A hook with its bait, g; what is left so that only the tip shows, g; one shot that leaves no more than this is shot enough, g. Heuristic. */
export const usualBaitedG = 0.1;
const [tipG, oneShotG] = [0.01, 0.03] as const;
/** A float is fixed to here and slides beyond, m; bulk shot sits so high above the hook, m. Source: fieldcraft, 20 to 25 cm. */
export const floatLimits = { fixedToM: 2, bulkM: 0.25, oneShotM: 0.23 } as const;

/** The float for a bait that hangs this deep, m. */
export const floatFor = (depthM: number): RigId => (depthM > floatLimits.fixedToM ? 'sliding-float' : 'fixed-float');

/** A float of the angler's own. */
export interface OwnFloat {
  name: string;
  capacityG: number;
}

/** Shot that a float of this capacity takes: one alone where it is enough, else a bulk, largest first, over two small ones. */
function shotFor(carriesG: number, baitedG: number): { bulk: ShotSize[]; small: ShotSize[]; hungG: number } {
  const roomG = carriesG - baitedG;
  const alone = bulkShot.find((s) => s.massG <= roomG + 1e-9 && roomG - s.massG <= oneShotG + 1e-9);
  if (alone) return { bulk: [alone], small: [], hungG: baitedG + alone.massG };
  let left = carriesG - tipG - baitedG - droppers.reduce((sum, d) => sum + d.massG, 0);
  const bulk: ShotSize[] = [];
  for (const size of bulkShot) {
    while (size.massG <= left + 1e-9 && bulk.length < 12) {
      bulk.push(size);
      left -= size.massG;
    }
  }
  return { bulk, small: droppers, hungG: carriesG - tipG - Math.max(0, left) };
}

/** Capacity of a float for still water of a depth, g: a quarter gram and as much again each metre. Heuristic; source: fieldcraft. */
const stillCapacity = (depthM: number) => Math.max(0.4, Math.round(10 * (0.25 + 0.4 * depthM)) / 10);

const names = (list: readonly { name: string }[]) => {
  const counts = new Map<string, number>();
  for (const { name } of list) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].map(([name, n]) => (n > 1 ? `${n} ${name}` : name)).join(' and ');
};

function floatRig(id: FloatRigId, depthM: number, floats: readonly OwnFloat[], baitedG: number): RigCard {
  const wantedG = stillCapacity(depthM);
  const own = [...floats].sort((a, b) => Math.abs(Math.log(a.capacityG / wantedG)) - Math.abs(Math.log(b.capacityG / wantedG)))[0];
  const carriesG = own?.capacityG ?? wantedG;
  const { bulk, small, hungG } = shotFor(carriesG, Math.min(baitedG, 0.9 * carriesG));
  const bulkAt = Math.min(small.length > 0 ? floatLimits.bulkM : floatLimits.oneShotM, 0.6 * depthM);
  const slides = id === 'sliding-float';
  return {
    id,
    name: rigNames[id],
    lengthM: depthM + 0.3,
    load: { hungG, carriesG },
    hooks: 1,
    parts: [
      ...(slides
        ? [
            { kind: 'stop' as const, name: 'stop knot', aboveHookM: depthM },
            { kind: 'bead' as const, name: 'bead, so that the knot does not slip through', aboveHookM: depthM - 0.01 },
          ]
        : []),
      {
        kind: 'float',
        name: `${own?.name ?? 'float'}, ${carriesG} g`,
        aboveHookM: slides ? Math.max(bulkAt + 0.1, depthM - 0.05) : depthM,
      },
      { kind: 'bulk', name: names(bulk) || 'no bulk', aboveHookM: bulkAt, massG: bulk.reduce((sum, b) => sum + b.massG, 0) },
      ...small.map((s, k) => ({ kind: 'shot' as const, name: s.name, aboveHookM: bulkAt * (k === 0 ? 0.6 : 0.3), massG: s.massG })),
      { kind: 'hook', name: 'hook and bait', aboveHookM: 0, massG: baitedG },
    ],
    steps: [
      ...(slides
        ? ['Thread knot on the main line, its ends cut to a finger’s breadth.', 'Bead, then the float, free to slide.']
        : ['Float on at both ends of its stem, at the depth from the hook.']),
      `Pinch on the bulk: ${names(bulk) || 'none'}.`,
      ...(small.length > 0 ? ['Two small shot below it, the smallest nearest the hook.'] : ['No other shot: it stands by this one.']),
      'A finer length to the hook.',
      'Set it in the margin: only the tip shows. Add or take the smallest shot until it does.',
    ],
  };
}

type Made = Pick<RigCard, 'parts' | 'lengthM' | 'hooks' | 'steps'>;

/** The rigs without a float, each worked out for a depth, m, and the height over the bed, m, where it is known. */
const lineRigs: Record<Exclude<RigId, FloatRigId>, (depthM: number, overBedM: number | null) => Made> = {
  'loop-jig': () => ({
    parts: [
      { kind: 'knot', name: 'braid to leader, two uni knots', aboveHookM: 1 },
      { kind: 'loop', name: 'loop knot, so that it hangs free', aboveHookM: 0.02 },
      { kind: 'hook', name: 'jig, level', aboveHookM: 0 },
    ],
    lengthM: 1.2,
    hooks: 1,
    steps: [
      'A metre of leader to the main line.',
      'Loop knot: the loop no wider than the eye.',
      'It must hang level: slide the knot on the eye until it does.',
      'It spins: turn the spool off its twist, or let it hang and stop.',
    ],
  }),
  tube: () => ({
    parts: [
      { kind: 'loop', name: 'loop knot', aboveHookM: 0.03 },
      { kind: 'weight', name: 'head inside, a fifth of the length behind the nose', aboveHookM: 0.01 },
      { kind: 'hook', name: 'hook out at the tails', aboveHookM: 0 },
    ],
    lengthM: 0.3,
    hooks: 1,
    steps: [
      'Push the head in from the tails, short of the nose: the room before it holds scent and levels the bait.',
      'Eye out through the top.',
      'Short bites: cut the tails back toward the bend, all level.',
      'Shorten the whole tube in cold water.',
    ],
  }),
  'two-baits': (depthM) => ({
    parts: [
      { kind: 'loop', name: 'dropper loop with the second bait', aboveHookM: 0.45 },
      { kind: 'weight', name: 'the heavier bait, or a weight', aboveHookM: 0 },
      { kind: 'hook', name: 'first bait', aboveHookM: 0 },
    ],
    lengthM: Math.min(depthM, 1.2),
    hooks: 2,
    steps: [
      'Only where two hooks on a line are allowed.',
      'Dropper loop a forearm above the lower bait, its arm two fingers long.',
      'The small bait above, the heavy one below keeps the line straight.',
      'Which of the two they take says at what height they are.',
    ],
  }),
  'tip-up': (depthM, overBedM) => ({
    parts: [
      { kind: 'flag', name: 'flag, bent under its trip', aboveHookM: depthM },
      { kind: 'swivel', name: 'swivel', aboveHookM: Math.min(0.9, 0.8 * depthM) },
      { kind: 'weight', name: 'weight that keeps the bait down', aboveHookM: Math.min(0.6, 0.6 * depthM) },
      { kind: 'hook', name: overBedM === null ? 'dead bait' : `dead bait, ${overBedM.toFixed(1)} m over the bed`, aboveHookM: 0 },
    ],
    lengthM: depthM,
    hooks: 1,
    steps: [
      'Clip a weight to the hook and find the bottom.',
      'Mark the line at the water, then take up the height over the bed.',
      'Lay the line loose by the hole: it must run.',
      'Flag up: pull the slack in before setting, lift when you feel weight.',
    ],
  }),
  tandem: () => ({
    parts: [
      { kind: 'swivel', name: 'three-way swivel', aboveHookM: 1.5 },
      { kind: 'loop', name: 'upper bait on a longer leader', aboveHookM: 0.8 },
      { kind: 'weight', name: 'weight on the lower arm', aboveHookM: 0.6 },
      { kind: 'hook', name: 'lower bait', aboveHookM: 0 },
    ],
    lengthM: 2,
    hooks: 2,
    steps: [
      'Only where two baits on a line are allowed.',
      'Main line to the upper eye of the swivel.',
      'Weight on a short arm that breaks first.',
      'Two leaders of unlike length, so that they do not meet in a turn.',
      'Turn wide: the inside line sinks.',
    ],
  }),
};

/** A rig with its numbers worked out for a depth. Throws RangeError for a depth outside 0.3 to 60 m. */
export function rigCard(id: RigId, { depthM, bottomM, floats = [], baitedG = usualBaitedG }: RigSetting): RigCard {
  requireWithin(depthM, 0.3, 60, 'depth', 'm');
  if (id === 'sliding-float' || id === 'fixed-float' || id === 'pole') return floatRig(id, depthM, floats, baitedG);
  return { id, name: rigNames[id], ...lineRigs[id](depthM, bottomM === null ? null : Math.max(0, bottomM - depthM)) };
}
