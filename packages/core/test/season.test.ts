import { fold } from '../src/ledger';
import { clumpSize, findLead, findingWords, probabilityAbove, shrunkenRates, summariseSeason, type Tally } from '../src/season';
import { imperial, normal, seededRandom } from '../src/units';
import { baseMs, shortOuting } from './events';
import { usualMethod } from '../src/methods';

const poisson = (mean: number, random: () => number) => {
  const limit = Math.exp(-mean);
  let n = 0;
  for (let p = random(); p > limit; p *= random()) n++;
  return n;
};

test('effort is cut where the depth changed, and a bite with its fish counts once', () => {
  const season = summariseSeason(fold(shortOuting().events), baseMs + 3600_000);
  expect(season).toMatchObject({ lineMin: 30, bites: 1, fish: 1 });
  const heights = season.comparisons.find((c) => c.by === 'height' && c.count === 'fish')!;
  expect(heights.rows.map((r) => [r.key, r.minutes, r.count])).toEqual([
    ['knee', 5, 0],
    ['man', 25, 1],
  ]);
  expect(heights.rows.every((r) => !r.enough)).toBe(true);
  expect(findingWords(heights, imperial, (n) => n).headline).toBe('Not enough yet');
});

test('90 % intervals cover the truth 85 to 95 times in 100, with fish that come in schools', () => {
  const random = seededRandom(90);
  let covered = 0;
  let total = 0;
  while (total < 1200) {
    const rates = [0.6, 1, 1.6, 2.4].map((r) => r * Math.exp(0.15 * normal(random)));
    const perVisit = 1.8;
    const tallies: Tally[] = [];
    const catches = [];
    for (const [i, rate] of rates.entries()) {
      const minutes = 300 + 600 * random();
      const visits = poisson((rate / perVisit) * (minutes / 60), random);
      let count = 0;
      for (let v = 0; v < visits; v++) {
        const fish = 1 + poisson(perVisit - 1, random);
        count += fish;
        for (let f = 0; f < fish; f++)
          catches.push({ outing: 'o', station: `${i}`, ms: v * 3_600_000 + f * 60_000, method: usualMethod.id, presentation: null, heightM: 1, isFish: true });
      }
      tallies.push({ key: String(i), minutes, count });
    }
    shrunkenRates(tallies, clumpSize(catches)).forEach(({ rate }, i) => {
      total++;
      if (rates[i] >= rate.low && rates[i] <= rate.high) covered++;
    });
  }
  expect(covered / total).toBeGreaterThanOrEqual(0.85);
  expect(covered / total).toBeLessThanOrEqual(0.95);
});

test('a little tried row leans to the mean, a well tried one stands by itself', () => {
  const rows = shrunkenRates(
    [
      { key: 'a', minutes: 6000, count: 100 },
      { key: 'b', minutes: 6000, count: 300 },
      { key: 'c', minutes: 20, count: 3 },
    ],
    1,
  );
  const raw = (key: string) => rows.find((r) => r.key === key)!;
  expect(raw('a').rate.mean).toBeCloseTo(1, 0);
  expect(raw('b').rate.mean).toBeCloseTo(3, 0);
  expect(raw('c').rate.mean).toBeLessThan(6);
  expect(raw('c').enough).toBe(false);
});

test('luck does not lead: with equal rates a lead is rarely claimed, with unequal ones it is found', () => {
  const random = seededRandom(5);
  const leads = (rates: number[]) => {
    let claimed = 0;
    for (let i = 0; i < 300; i++) {
      const rows = shrunkenRates(
        rates.map((r, k) => ({ key: String(k), minutes: 900, count: poisson(r * 15, random) })),
        1,
      );
      if (findLead(rows, 1).kind === 'leads') claimed++;
    }
    return claimed / 300;
  };
  expect(leads([1, 1, 1])).toBeLessThan(0.15);
  expect(leads([0.5, 1, 3])).toBeGreaterThan(0.95);
});

test('the probability that one rate exceeds another agrees with chance', () => {
  const a = { key: 'a', minutes: 600, count: 12 };
  const b = { key: 'b', minutes: 600, count: 12 };
  expect(probabilityAbove(a, b, [a, b], 1)).toBeCloseTo(0.5, 6);
  const more = { key: 'm', minutes: 600, count: 24 };
  expect(probabilityAbove(more, b, [more, b], 1) + probabilityAbove(b, more, [more, b], 1)).toBeCloseTo(1, 9);
  expect(probabilityAbove(more, b, [more, b], 1)).toBeGreaterThan(0.9);
});
