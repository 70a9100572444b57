import { clamp } from '../units';

/** How a rod holds its line: a spinning reel twists it as it is wound, a straight-line reel does not. */
export type ReelKind = 'spinning' | 'straight';

/** A bait lighter than this turns on a twisted line, g; it is let hang so long first, s. Heuristic; source: fieldcraft, spin of small jigs. */
const spin = { lightG: 4, hangS: 30 } as const;

/** Whether a light jig is first let hang until it stops turning; null for a reel that does not twist, a heavier bait, and once it has hung. */
export function spinText(reel: ReelKind | null, massG: number | null, downS: number): string | null {
  if (reel !== 'spinning' || (massG !== null && massG > spin.lightG) || downS > spin.hangS) return null;
  return 'Spinning reel: let it hang and stop turning first.';
}

/** Line weaker than this breaks when a fish takes it into wood, kg. Heuristic; source: fieldcraft, strong line for wood. */
const woodKg = 3.5;

/** What is said of weak line beside wood; null where it is strong enough, or nobody said how strong it is. */
export const woodLineText = (strengthKg: number | null, strength: (kg: number) => string): string | null =>
  strengthKg === null || strengthKg >= woodKg ? null : `Line of ${strength(strengthKg)} beside wood: a fish that goes in breaks it. ${strength(woodKg)} or more.`;

/** Of a rod so much lies behind its reel, and so much hangs below its tip as a fish is netted, m. Convention. */
const [buttM, belowTipM] = [0.3, 0.4] as const;

/**
 * The stop of a sliding float from which its knot is wound onto the reel before the fish is at the net, m: a longer rod takes a deeper one.
 * @param rodM 1 to 15
 */
export const knotAtReelM = (rodM: number): number => clamp(rodM, 1, 15) - buttM + belowTipM;

/** What a bait that should hang does on slack line in the water of now. */
export type Hover = 'hovers' | 'rises' | 'sinks';

/** What to do so that it hangs. Source: fieldcraft §5, weight of the pause. */
export const hoverWords: Readonly<Record<Hover, string>> = {
  hovers: 'It hangs where it stops, as it should. Colder water lifts it a little: look again.',
  rises: 'It rises: add weight, a turn of lead wire round the front hook, until it hangs.',
  sinks: 'It sinks: take weight off, a lighter hook or ring at the front, until it hangs.',
};
