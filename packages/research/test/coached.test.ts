import { emptyMemory } from '@burrow/core/coach';
import type { SimulatedWater } from '@burrow/core/simulator';
import { coached, coachedInto, fishSpell, type Angler } from '../src/trials';

test('in the water a coached jig is over the fish that looks at it nearly all the time', () => {
  const over = { all: 0, above: 0 };
  const watched = (waterNow: SimulatedWater): Angler => {
    const angler = coached(waterNow);
    return {
      ...angler,
      act: (view) => {
        for (const fish of waterNow.fish) {
          if (fish.state !== 'inspect' && fish.state !== 'follow') continue;
          over.all++;
          if (waterNow.jig.depthM < fish.depthM) over.above++;
        }
        return angler.act(view);
      },
    };
  };
  for (const seed of [1, 2, 3]) fishSpell(watched, { sceneId: 'stack', seed, model: 'arousal', minutes: 40, sees: 'marks' });
  expect(over.all).toBeGreaterThan(300);
  expect(over.above / over.all).toBeGreaterThan(0.85);
});

test('of the turns of simulated fish of the bottom the coach is told of about as many as there are', () => {
  let [turns, lost] = [0, 0];
  for (const [model, seed] of [
    ['verdict', 5000],
    ['verdict', 5001],
    ['glance', 5000],
    ['pulse', 5000],
  ] as const) {
    const memory = emptyMemory();
    const watching = (water: SimulatedWater): Angler => {
      const angler = coachedInto(memory)(water);
      const looking = new Set<number>();
      return {
        ...angler,
        act: (view) => {
          for (const { id, state } of water.fish) {
            if (state === 'inspect' || state === 'follow') looking.add(id);
            else if (looking.delete(id) && (state === 'refuse' || state === 'leave' || state === 'flee')) turns++;
          }
          return angler.act(view);
        },
      };
    };
    fishSpell(watching, { sceneId: 'bottom', seed, model, minutes: 60, sees: 'marks' });
    lost += memory.answers.reduce((sum, a) => sum + a.lost, 0);
  }
  expect(turns).toBeGreaterThan(100);
  expect(lost / turns).toBeGreaterThan(0.8);
  expect(lost / turns).toBeLessThan(1.2);
});

test('who follows the coach keeps the beat up while drawing', () => {
  let [drawn, beaten] = [0, 0];
  fishSpell(
    (water) => {
      const who = coached(water);
      return {
        ...who,
        act: (view) => {
          const hand = who.act(view);
          if (hand.handMs === 0.06) {
            drawn++;
            if (hand.rod.liftM > 0) beaten++;
          }
          return hand;
        },
      };
    },
    { sceneId: 'stack', seed: 5, model: 'pulse', minutes: 30, sees: 'marks' },
  );
  expect(drawn).toBeGreaterThan(20);
  expect(beaten).toBeGreaterThan(0.5 * drawn);
});
