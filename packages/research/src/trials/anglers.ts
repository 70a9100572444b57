import { cadences, Coach, drawSpeedMs, emptyMemory, rodFor, type CadenceId, type CoachMemory } from '@burrow/core/coach';
import { speciesOf } from '@burrow/core/fish';
import type { SimulatedFish, SimulatedWater } from '@burrow/core/simulator';
import { clamp, seededRandom } from '@burrow/core/units';
import type { Angler, Hand } from './angling';

/** Cadences that an angler without a coach chooses among. */
export const plainCadences: readonly CadenceId[] = ['deadstick', 'quiver', 'shrink', 'tap', 'bounce', 'call'];

/** One depth and one cadence, chosen beforehand. */
export const fixedPlan =
  (depthM: number, cadence: CadenceId) =>
  (water: SimulatedWater): Angler => {
    const hand: Hand = { jigM: depthM, rod: rodFor(cadence, water.scene.waterTempC) };
    return { looks: false, act: () => hand };
  };

/** "30 cm above the top mark", one cadence chosen beforehand; where nothing shows it stays. */
export const aboveTheTop =
  (startM: number, cadence: CadenceId) =>
  (water: SimulatedWater): Angler => {
    const rod = rodFor(cadence, water.scene.waterTempC);
    let jigM = startM;
    return {
      looks: true,
      act: ({ state }) => {
        const top = state?.marks.find((m) => m.kind === 'fish' || m.kind === 'school');
        if (top) jigM = clamp(top.depthM - 0.3, 0.4, water.bottomM - 0.1);
        return { jigM, rod };
      },
    };
  };

/** The coach, followed to the letter; what it is told goes into a memory. */
export const coachedInto =
  (memory: CoachMemory) =>
  (water: SimulatedWater): Angler => {
    const { speciesId, waterTempC } = water.scene;
    const coach = new Coach({ speciesId, waterTempC, beamDeg: 12 }, memory);
    let hand: Hand = { jigM: water.jig.commandedM, rod: rodFor('call', waterTempC) };
    return {
      looks: true,
      act: ({ state }) => {
        const advice = coach.update(state!);
        if (!advice) return hand;
        hand = { jigM: advice.jigM, rod: rodFor(advice.rod.id as CadenceId, waterTempC), ...(advice.handMs === null ? {} : { handMs: advice.handMs }) };
        coach.line(advice.jigM);
        return hand;
      },
      reacted: (kind, ms, depthM) => coach.reacted(kind, ms, depthM),
    };
  };

/** The coach on a day of which nothing is known. */
export const coached = (water: SimulatedWater): Angler => coachedInto(emptyMemory())(water);

/** Another depth and cadence every half minute, at random. */
export const randomPolicy =
  (seed: number) =>
  (water: SimulatedWater): Angler => {
    const random = seededRandom(seed);
    let until = -1;
    let hand: Hand = { jigM: 1, rod: rodFor('deadstick', 4) };
    return {
      looks: false,
      act: ({ t }) => {
        if (t < until) return hand;
        until = t + 30_000;
        const cadence = plainCadences[Math.floor(random() * plainCadences.length)];
        hand = { jigM: 1 + random() * (water.bottomM - 1.1), rod: rodFor(cadence, water.scene.waterTempC) };
        return hand;
      },
    };
  };

const courting: readonly CadenceId[] = ['deadstick', 'quiver', 'shrink', 'tap', 'bounce', 'swim', 'call'];

/** How one who knows draws away from a fish that looks: not at all, with the rod still, or with the beat kept up. */
export const knownDraws = ['never', 'still', 'beating'] as const;

/** Knows every fish's depth and temper, and where the next will swim: hangs over the keenest with what it likes, and draws away when it looks. */
export const oracle =
  (draws: (typeof knownDraws)[number]) =>
  (water: SimulatedWater): Angler => {
    const { waterTempC } = water.scene;
    const { offsetM } = speciesOf(water.scene.speciesId);
    const rods = new Map(courting.map((id) => [id, rodFor(id, waterTempC)]));
    const rank = (fish: SimulatedFish) =>
      (fish.state === 'follow' || fish.state === 'inspect' ? 0 : fish.state === 'approach' || fish.state === 'notice' ? 1 : 2) + 0.2 * fish.offAxisM;
    const stays = (fish: SimulatedFish) => fish.state !== 'leave' && fish.state !== 'commit';
    let drawnFrom: number | null = null;
    let lookedFor = 0;
    return {
      looks: false,
      act: () => {
        const fish = water.fish.filter(stays).sort((a, b) => rank(a) - rank(b))[0];
        const jigM = water.jig.depthM;
        if (!fish) {
          drawnFrom = null;
          return { jigM: water.jig.commandedM, rod: rods.get('call')! };
        }
        const gap = fish.isKeen ? Math.abs(fish.depthM - jigM) : 2;
        let best = courting[0];
        for (const id of courting) if (fish.likes(rods.get(id)!, gap) > fish.likes(rods.get(best)!, gap)) best = id;
        const rod = rods.get(best)!;
        const isLooking = fish.state === 'inspect' || fish.state === 'follow';
        lookedFor = isLooking ? lookedFor + 1 : 0;
        if (!isLooking) drawnFrom = null;
        // It lets it look for three seconds, then draws.
        if (draws !== 'never' && (lookedFor > 15 || drawnFrom !== null)) {
          drawnFrom ??= jigM;
          return { jigM: Math.max(0.5, drawnFrom - 0.9), rod: draws === 'still' ? rods.get('deadstick')! : rod, handMs: drawSpeedMs };
        }
        if (fish.isKeen) return { jigM: water.jig.commandedM, rod };
        return { jigM: clamp(fish.depthM - offsetM, 0.4, water.bottomM - 0.12), rod: fish.isKeen ? rod : rods.get(cadences[best].intensity < 0.5 ? 'shrink' : best)! };
      },
    };
  };
