import { buildDepthMap, LocalFrame, type LonLat } from '../src/ground';
import { bagSoFar, pegBy, pegPlaces, pegPlaceWords } from '../src/pole';
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
  expect(pegPlaceWords(places[0], 11, metric, false, null)).toMatchObject({
    headline: expect.stringMatching(/^Sit at the ring: \d/),
    detail: expect.stringMatching(/reaches no deeper/),
  });
  expect(pegPlaceWords(null, 11, metric, false, null).headline).toBe('Sit where the bank is firm');
});

test('a place for the fish is fished from the nearest bank, and is told for them, never as the deepest', () => {
  const frame = new LocalFrame(0, 50);
  const box = ([[-60, -30], [60, -30], [60, 30], [-60, 30]] as const).map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
  const island = ([[-5, 12], [5, 12], [0, 16]] as const).map(([x, y]) => frame.toLonLat(x, y)); // prettier-ignore
  const south = pegBy({ at: frame.toLonLat(20, -24), depthM: 1.2 }, [box]);
  const [x, y] = frame.toMetres(south.at);
  expect(x).toBeCloseTo(20, 3);
  expect(y).toBeCloseTo(-30, 3);
  expect(south.outM).toBeCloseTo(6, 3);
  expect(south.depthM).toBe(1.2);
  expect(pegBy({ at: frame.toLonLat(-58, 0), depthM: 1 }, [box]).outM).toBeCloseTo(2, 3);
  expect(pegBy({ at: frame.toLonLat(0, 10), depthM: 1 }, [box, island]).outM).toBeCloseTo(2, 3);
  const { detail } = pegPlaceWords(south, 11, metric, true, 'Roach are looked for at 1 to 2 m.');
  expect(detail).toMatch(/^It lies 6 m out, by the map, for a pole of 11 m, assumed until you say how long yours is\. Roach are looked for at 1 to 2 m\. Firm ground/);
  expect(detail).not.toMatch(/deepest|no deeper/);
  expect(pegPlaceWords('seeking', 11, metric, false, null).headline).toBe('Working out where to sit');
});
