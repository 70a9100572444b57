import { buildDepthMap, LocalFrame, type LonLat } from '../src/ground';
import { bagSoFar, pegPlaces, pegPlaceWords } from '../src/pole';
import { metric, minuteMs } from '../src/units';

const start = Date.parse('2026-12-05T08:00:00Z');

test('a bag by class: weighed fish by their weight, others by length, spreads by their squares, unknown ones counted apart', () => {
  const fish = (species: string, classMm: number | null) => ({ species, classMm, lengthMm: null, weightG: null }) as never;
  const fished = [...Array.from({ length: 10 }, () => fish('roach', 150)), fish('roach', 200), fish('no-such-fish', null)];
  const by = bagSoFar(fished, [], start, start + 60 * minuteMs);
  expect(by).toMatchObject({ count: 12, unknown: 1, perHour: 12 });
  expect(by.classes.map((c) => [c.classMm, c.count, c.by])).toEqual([
    [150, 10, 'length'],
    [200, 1, 'length'],
  ]);
  const weighed = bagSoFar(fished, [{ ms: start, station: 's', count: 10, massG: 400, classMm: 150 }], start, start + 60 * minuteMs);
  expect(weighed.classes[0]).toMatchObject({ by: 'weighed', meanG: 40 });
  expect(weighed.bag!.totalG).toBeCloseTo(400 + by.classes[1].bag.totalG, 6);
  expect(bagSoFar([], [], start, start).bag).toBeNull();
});

test('the place to sit is where the pole reaches the deepest water', () => {
  const frame = new LocalFrame(0, 50);
  const ring = (
    [
      [-60, -30],
      [60, -30],
      [60, 30],
      [-60, 30],
      [-60, -30],
    ] as const
  ).map(([x, y]) => frame.toLonLat(x, y)) as LonLat[];
  // Deepest by the eastern end of the south bank.
  const depth = (x: number, y: number) => Math.min(3, (30 - Math.abs(y)) / 6) * (1 + Math.exp(-(((x - 40) / 12) ** 2) - ((y + 22) / 8) ** 2));
  const soundings = [];
  for (let x = -57; x <= 57; x += 4) for (let y = -28; y <= 28; y += 4) soundings.push({ at: frame.toLonLat(x, y), depthM: depth(x, y) });
  const map = buildDepthMap(ring, soundings);
  const places = pegPlaces(map, ring, 11, 3);
  const [x, y] = new LocalFrame(0, 50).toMetres(places[0].at);
  expect(Math.abs(x - 40)).toBeLessThan(8);
  expect(y).toBeLessThan(-27);
  for (const p of places) expect(p.outM).toBeLessThanOrEqual(11);
  for (let k = 1; k < places.length; k++) expect(places[k].depthM).toBeLessThanOrEqual(places[0].depthM + 1e-9);
  expect(pegPlaceWords(places[0], 11, metric).headline).toMatch(/^Sit at the ring: \d/);
  expect(pegPlaceWords(null, 11, metric).headline).toBe('Sit where the bank is firm');
});
