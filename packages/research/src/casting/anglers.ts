import { nextStand, standCasts, strikeRadiusM, takeChance, walkCost, type MadeCast, type StandQuery } from '@burrow/core/casting';
import { LocalFrame } from '@burrow/core/ground';
import type { Random } from '@burrow/core/units';
import type { CastWorld, Place } from './waters';

const frame = new LocalFrame(0, 0);
const castM = 25;
/** An angler looks round for another stand after so many casts, and as far as this, m. */
const [looksEvery, withinM] = [4, 120];

/** Fish that one cast takes: each within their strike radius of its way, with their chance; they are gone. */
function caught(world: CastWorld, fish: Set<Place>, from: Place, bearingDeg: number, random: Random): number {
  const angle = (bearingDeg * Math.PI) / 180;
  const [dx, dy] = [Math.sin(angle), Math.cos(angle)];
  let lengthM = 0;
  while (lengthM < castM && world.isWater({ x: from.x + (lengthM + 0.5) * dx, y: from.y + (lengthM + 0.5) * dy })) lengthM += 0.5;
  let taken = 0;
  for (const f of fish) {
    const along = Math.min(lengthM, Math.max(0, (f.x - from.x) * dx + (f.y - from.y) * dy));
    const away = Math.hypot(f.x - from.x - along * dx, f.y - from.y - along * dy);
    if (away <= world.strikeM && random() < world.chance) {
      fish.delete(f);
      taken++;
    }
  }
  return taken;
}

/** Casts by the advice, which may send one along the bank: the walk is paid in casts. */
export function advised(world: CastWorld, budget: number, random: Random): number {
  const fish = new Set(world.fish);
  const casts: MadeCast[] = [];
  let [at, left, landed, here] = [world.start, budget, 0, 0];
  while (left >= 1) {
    const query: StandQuery = {
      at: frame.toLonLat(at.x, at.y),
      band: world.band,
      castM,
      strikeM: strikeRadiusM(world.tempC, world.secchiM),
      chance: takeChance(world.tempC),
      targets: world.targets,
      base: world.base,
      casts,
      count: 1,
    };
    if (here % looksEvery === 0) {
      const next = nextStand(world.map, world.shores, query, true, withinM);
      if (next) {
        const [x, y] = frame.toMetres(next.at);
        left -= next.walkM / walkCost.perCastM + walkCost.setUpCasts;
        [at, here] = [{ x, y }, 1];
        continue;
      }
    }
    const [cast] = standCasts(world.map, query).casts;
    const bearingDeg = cast?.bearingDeg ?? world.outward;
    landed += caught(world, fish, at, bearingDeg, random);
    casts.push({ from: query.at, bearingDeg, lengthM: cast?.lengthM ?? castM });
    left--;
    here++;
  }
  return landed;
}

/** A fan over all the water in front, over and over, from where one stands. */
function fanned(world: CastWorld, at: Place, budget: number, random: Random): number {
  const fish = new Set(world.fish);
  let landed = 0;
  for (let k = 0; k < budget; k++) landed += caught(world, fish, at, (world.outward - 80 + ((k * 10) % 170) + 360) % 360, random);
  return landed;
}

/** A fan from where one came to the water. */
export const blindFan = (world: CastWorld, budget: number, random: Random): number => fanned(world, world.start, budget, random);

/** Always to the nearest point, and a fan there; the walk is paid like any other. */
export function nearestPoint(world: CastWorld, budget: number, random: Random): number {
  const at = world.nearestPoint(world.start);
  const walk = Math.hypot(at.x - world.start.x, at.y - world.start.y) / walkCost.perCastM + walkCost.setUpCasts;
  return fanned(world, at, Math.floor(budget - walk), random);
}
