import type { SpeciesGroup } from '../fish';
import type { Material, Shape } from '../rig';

/** Where in the column a bait works. */
export type Zone = 'middle' | 'near bottom' | 'bottom';
/** Ways of fishing that tackle is chosen for, each with the part of the column where most of its baits work. */
export const tackleWays: Readonly<Record<string, Zone>> = { ice: 'middle', pole: 'near bottom', cast: 'near bottom', vertical: 'middle', troll: 'middle' };

/** A family of baits: what all of its pieces have in common. */
export interface TackleFamily {
  id: string;
  name: string;
  /** Ways it is fished in, of `tackleWays`. */
  methods: readonly string[];
  zones: readonly Zone[];
  /** How it has to be moved to work. */
  pace: 'still' | 'slow' | 'quick';
  /** Whether it is felt and heard from afar without a rattle. */
  isLoud: boolean;
  isBulky: boolean;
  /** Whether a soft body trails from its head and holds it up as it falls. */
  hasTrailer: boolean;
  /** Whether it dives by its lip, to a depth that is told by measuring it once. */
  dives: boolean;
  /** How well it suits a group of fish, 0 to 1; what is not named is 0.4. Heuristic; source: fieldcraft. */
  suits: Partial<Record<SpeciesGroup, number>>;
  /** Usual length, mm, and mass, g. */
  sizeMm: readonly [number, number];
  massG: readonly [number, number];
  material: Material;
  shape: Shape;
}

/** Heads with a soft body that trails. */
const trailing = ['grub', 'straight-worm', 'finesse-jig', 'bulky-jig', 'swim-jig', 'soft-trolling'];

const family = (
  id: string,
  name: string,
  methods: TackleFamily['methods'],
  zones: TackleFamily['zones'],
  pace: TackleFamily['pace'],
  suits: TackleFamily['suits'],
  sizeMm: TackleFamily['sizeMm'],
  massG: TackleFamily['massG'],
  [material, shape]: readonly [Material, Shape],
  traits: { isLoud?: boolean; isBulky?: boolean; dives?: boolean } = {},
): TackleFamily => ({
  id,
  name,
  methods,
  zones,
  pace,
  suits,
  sizeMm,
  massG,
  material,
  shape,
  isLoud: traits.isLoud ?? false,
  isBulky: traits.isBulky ?? false,
  dives: traits.dives ?? false,
  hasTrailer: trailing.includes(id),
});

const tungstenJig = ['tungsten', 'teardrop'] as const;
const leadHead = ['lead', 'teardrop'] as const;
const metalSpoon = ['brass', 'spoon'] as const;
const softTube = ['lead', 'tube'] as const;

/** Families that a tackle box knows. Source: fieldcraft, presentation. */
export const tackleFamilies: readonly TackleFamily[] = [
  family('micro-jig', 'Micro jig', ['ice', 'vertical'], ['middle', 'near bottom', 'bottom'], 'slow', { panfish: 1, 'roach-like': 0.9, deep: 0.5 }, [4, 30], [0.3, 3], tungstenJig),
  family(
    'spoon',
    'Spoon',
    ['ice', 'vertical', 'cast'],
    ['middle', 'near bottom'],
    'quick',
    { panfish: 0.7, 'pike-walleye': 0.9, deep: 0.9, bass: 0.6, 'stocked-trout': 0.7 },
    [15, 80],
    [1, 28],
    metalSpoon,
  ),
  family('tube', 'Tube', ['ice', 'vertical', 'cast'], ['near bottom', 'bottom'], 'slow', { deep: 1, bass: 0.9, panfish: 0.6, 'pike-walleye': 0.5 }, [35, 110], [2, 28], softTube),
  family(
    'jigging-minnow',
    'Jigging minnow',
    ['ice', 'vertical'],
    ['middle', 'near bottom'],
    'quick',
    { 'pike-walleye': 1, deep: 0.7, panfish: 0.5, bass: 0.5 },
    [25, 90],
    [3, 28],
    ['lead', 'spoon'],
  ),
  family(
    'plain-hook',
    'Plain hook, deadstick',
    ['ice', 'pole'],
    ['middle', 'near bottom', 'bottom'],
    'still',
    { panfish: 0.9, 'pike-walleye': 0.8, 'roach-like': 0.9, deep: 0.6, 'stocked-trout': 0.8 },
    [5, 60],
    [0.1, 2],
    leadHead,
  ),
  family('tip-up-rig', 'Tip-up with dead bait', ['ice'], ['near bottom', 'bottom'], 'still', { 'pike-walleye': 1, deep: 0.9 }, [80, 220], [5, 60], leadHead, { isBulky: true }),
  family(
    'suspending-minnow',
    'Suspending minnow',
    ['cast', 'troll'],
    ['middle'],
    'slow',
    { bass: 0.9, 'pike-walleye': 0.8, 'stocked-trout': 0.7 },
    [50, 120],
    [4, 20],
    ['lead', 'tube'],
    { dives: true },
  ),
  family('tight-crank', 'Tight-wobble crankbait', ['cast', 'troll'], ['middle', 'near bottom'], 'quick', { bass: 0.8, 'pike-walleye': 0.7 }, [40, 70], [5, 15], ['lead', 'tube'], {
    dives: true,
  }),
  family('lipless', 'Lipless crankbait', ['cast', 'ice'], ['middle', 'near bottom'], 'quick', { bass: 0.8, 'pike-walleye': 0.8 }, [40, 80], [7, 21], ['lead', 'spoon'], {
    isLoud: true,
  }),
  family(
    'grub',
    'Grub or small swimbait',
    ['cast', 'vertical', 'troll'],
    ['middle', 'near bottom'],
    'slow',
    { bass: 0.9, 'pike-walleye': 0.7, panfish: 0.7, 'stocked-trout': 0.6 },
    [30, 90],
    [1, 14],
    leadHead,
  ),
  family('straight-worm', 'Straight worm, light head', ['cast', 'vertical'], ['bottom'], 'slow', { bass: 1 }, [60, 150], [1, 7], leadHead),
  family('finesse-jig', 'Finesse jig', ['cast', 'vertical'], ['bottom'], 'slow', { bass: 1, 'pike-walleye': 0.5 }, [35, 70], [3, 14], leadHead),
  family('bulky-jig', 'Bulky jig', ['cast'], ['bottom'], 'slow', { bass: 0.9, 'pike-walleye': 0.4 }, [60, 130], [7, 21], leadHead, { isBulky: true }),
  family('swim-jig', 'Swim jig', ['cast'], ['middle', 'near bottom'], 'quick', { bass: 0.8, 'pike-walleye': 0.7 }, [60, 120], [7, 21], leadHead, { isBulky: true }),
  family(
    'blade',
    'Blade',
    ['cast', 'vertical', 'ice'],
    ['near bottom', 'bottom'],
    'quick',
    { bass: 0.9, 'pike-walleye': 0.9, panfish: 0.5 },
    [30, 60],
    [4, 21],
    ['lead', 'spoon'],
    { isLoud: true },
  ),
  family(
    'float-rig',
    'Float and small bait',
    ['cast', 'pole'],
    ['middle', 'near bottom'],
    'still',
    { panfish: 1, 'roach-like': 0.8, 'stocked-trout': 0.9 },
    [8, 50],
    [0.3, 4],
    leadHead,
  ),
  family(
    'live-bait',
    'Live bait on a hook',
    ['ice', 'vertical', 'cast', 'troll'],
    ['middle', 'near bottom'],
    'still',
    { panfish: 0.9, 'pike-walleye': 0.9, bass: 0.6, 'stocked-trout': 0.7, deep: 0.6 },
    [25, 120],
    [0.5, 14],
    leadHead,
  ),
  family(
    'hair-jig',
    'Hair jig',
    ['cast', 'vertical', 'ice'],
    ['near bottom', 'bottom'],
    'slow',
    { bass: 0.9, panfish: 0.7, deep: 0.7, 'pike-walleye': 0.6 },
    [20, 80],
    [1, 14],
    leadHead,
  ),
  family(
    'spinner',
    'Spinner or spinnerbait',
    ['cast', 'troll'],
    ['middle', 'near bottom'],
    'quick',
    { bass: 0.7, 'pike-walleye': 0.7, 'stocked-trout': 0.7, panfish: 0.4 },
    [30, 110],
    [3, 21],
    metalSpoon,
    {
      isLoud: true,
    },
  ),
  family(
    'rattle-spoon',
    'Rattling spoon',
    ['ice', 'vertical'],
    ['middle', 'near bottom'],
    'quick',
    { 'pike-walleye': 0.9, panfish: 0.6, deep: 0.7 },
    [20, 70],
    [2, 21],
    metalSpoon,
    { isLoud: true },
  ),
  family('pole-rig', 'Pole rig', ['pole'], ['middle', 'near bottom', 'bottom'], 'still', { 'roach-like': 1, panfish: 0.6 }, [3, 20], [0.1, 3], leadHead),
  family(
    'soft-trolling',
    'Soft bait for trolling',
    ['troll'],
    ['middle', 'near bottom'],
    'slow',
    { 'stocked-trout': 1, 'pike-walleye': 0.9, deep: 0.7, bass: 0.5 },
    [40, 130],
    [3, 28],
    leadHead,
  ),
];

/** Whether a family is fished in a way; one that this table does not know may be. */
export const isFishedBy = (familyId: string, method: string): boolean => tackleFamilies.find((f) => f.id === familyId)?.methods.includes(method) ?? true;

/** The family of this id. Throws RangeError for one that is none, naming those there are. */
export function familyOf(id: string): TackleFamily {
  const found = tackleFamilies.find((f) => f.id === id);
  if (!found) throw new RangeError(`family: expected one of ${tackleFamilies.map((f) => f.id).join(', ')}, found "${id}"`);
  return found;
}
