import { beamLossDb } from '@burrow/core/sonar';
import type { SimulatedFish, SimulatedWater } from '@burrow/core/simulator';
import { fishSpell, type Angler } from './angling';
import { perfect } from './true-marks';

/** What an angler's time goes into, most telling first: a fish in hand; one that looks at the jig, or comes; fish that pass, seen or not, near the jig's depth or off it; only such as were put off; none. */
export const hourParts = [
  'landing',
  'looked at',
  'approached',
  'passed, seen',
  'passed, seen off depth',
  'passed, unseen',
  'passed, unseen off depth',
  'refused',
  'nobody',
] as const;
export type HourPart = (typeof hourParts)[number];

/** Fish so near the hole can notice the jig, m. */
const nearM = 3;
/** A fish so far from the jig's depth hardly sees it, m. */
const offDepthM = 1.2;

const states: Record<string, HourPart> = { inspect: 'looked at', follow: 'looked at', notice: 'approached', approach: 'approached' };

/** What is going on under the hole at a moment. */
export function hourPart(water: Pick<SimulatedWater, 'fish' | 'jig'>): HourPart {
  const near = water.fish.filter((f) => f.offAxisM < nearM && f.state !== 'leave');
  if (near.length === 0) return 'nobody';
  for (const part of ['looked at', 'approached'] as const) if (near.some((f) => states[f.state] === part)) return part;
  const passing = near.filter((f) => f.state === 'pass');
  if (passing.length === 0) return 'refused';
  const isOff = passing.every((f) => Math.abs(f.depthM - water.jig.depthM) > offDepthM);
  const isSeen = passing.some(inCone);
  return isSeen ? (isOff ? 'passed, seen off depth' : 'passed, seen') : isOff ? 'passed, unseen off depth' : 'passed, unseen';
}

const inCone = (fish: SimulatedFish) => beamLossDb((Math.atan2(fish.offAxisM, fish.depthM - perfect.transducerM) * 180) / Math.PI, perfect.beamDeg) >= perfect.leastLossDb;

/** Seconds of a spell that go into each part, and fish landed: where there is something to gain. Arguments as of `fishSpell`. */
export function hourShares(angler: Parameters<typeof fishSpell>[0], setting: Parameters<typeof fishSpell>[1]): { landed: number; seconds: Record<HourPart, number> } {
  const seconds = Object.fromEntries(hourParts.map((part) => [part, 0])) as Record<HourPart, number>;
  let lastMs: number | null = null;
  let part: HourPart = 'landing';
  const add = (t: number) => {
    if (lastMs !== null) seconds[part] += (t - lastMs) / 1000;
    lastMs = t;
  };
  const { landed } = fishSpell((water, reader) => {
    const who: Angler = angler(water, reader);
    return {
      ...who,
      act: (view) => {
        add(view.t);
        part = hourPart(view.water);
        return who.act(view);
      },
      reacted: (kind, ms, depthM) => {
        if (kind === 'bite') {
          add(ms);
          part = 'landing';
        }
        who.reacted?.(kind, ms, depthM);
      },
    };
  }, setting);
  if (lastMs !== null) add(setting.minutes * 60_000);
  return { landed, seconds };
}
