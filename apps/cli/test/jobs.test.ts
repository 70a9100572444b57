import { spawnSync } from 'node:child_process';
import path from 'node:path';

/* What the command line answers of days that are known: where one begins, in which depths, and what a reading of the water changes. */

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8', maxBuffer: 1e8 }).stdout;
interface Place {
  depthM: number;
  bandM: [number, number];
  inBand: boolean;
  why: string;
}
interface Day {
  water: string;
  fish: string;
  way: string;
  at: string;
  more?: string[];
}
const where = ({ water, fish, way, at, more = [] }: Day): (Place & { at: [number, number] })[] => {
  const answer = burrow('where', '--water', `demo/${water}.geojson`, '--species', fish, '--method', way, '--at', `${at}:00-09:00`, ...more);
  const { features } = JSON.parse(answer) as { features: { geometry: { coordinates: [number, number] }; properties: Place }[] };
  return features.map((f) => ({ ...f.properties, at: f.geometry.coordinates }));
};
const tempC = (c: number) => ['--temp-c', String(c)];

test('job 2, white perch: several places, none deeper than a fish that is put back lives through, each with its reason', () => {
  const places = where({ water: 'tamber-lake', fish: 'white-perch', way: 'ice', at: '2027-01-24T10:00' });
  expect(places.length).toBeGreaterThanOrEqual(3);
  for (const p of places) expect(p.inBand || p.why.length > 20).toBe(true);
  expect(places[0].depthM).toBeLessThanOrEqual(7.5);
});

test('job 3, rainbow trout: the rise in autumn sends one to the bank, over 1 to 6 m, never over the channel', () => {
  const day: Day = { water: 'verrin-reservoir', fish: 'rainbow-trout', way: 'troll', at: '2026-11-09T10:00', more: ['--craft', 'boat'] };
  const [before] = where(day);
  const [risen] = where({ ...day, more: [...day.more!, ...tempC(13.1), '--level-m', '3.2'] });
  expect(risen.inBand).toBe(true);
  expect(risen.bandM[1]).toBeLessThanOrEqual(6);
  expect(risen.at).not.toEqual(before.at);
  expect(risen.why).toMatch(/points|coves|bank/);
});

test('job 4, crappie after ice-out: at 5.4 °C the basin, at 11 °C up from it', () => {
  const day: Day = { water: 'tamber-lake', fish: 'black-crappie', way: 'vertical', at: '2027-04-14T19:00' };
  const [cold] = where({ ...day, more: tempC(5.4) });
  const [warm] = where({ ...day, more: tempC(11) });
  expect(cold.bandM[0]).toBeGreaterThan(warm.bandM[1]);
  expect(warm.inBand && warm.depthM <= 5).toBe(true);
  // For supper they need not live through it: then the basin itself.
  const [kept] = where({ ...day, more: [...tempC(5.4), '--goal', 'supper'] });
  expect(kept.inBand && kept.depthM > 7.5).toBe(true);
});

test('job 9, white crappie: 11.5 °C typed in April is before spawning, and the first place is another', () => {
  const day: Day = { water: 'verrin-reservoir', fish: 'white-crappie', way: 'vertical', at: '2027-04-04T10:00', more: ['--craft', 'kayak'] };
  const [typed] = where({ ...day, more: [...day.more!, ...tempC(11.5)] });
  const [cold] = where({ ...day, more: [...day.more!, ...tempC(4)] });
  expect(typed.at).not.toEqual(cold.at);
  expect(typed.inBand).toBe(true);
  const situation = JSON.parse(
    burrow('situation', '--water', 'demo/verrin-reservoir.geojson', '--species', 'white-crappie', '--method', 'vertical', '--at', '2027-04-04T10:00-09:00'),
  ) as { stage: { value: string } };
  expect(situation.stage.value).not.toBe('midwinter');
});

test('job 10, bluegill: the first places all lie in the depths that are named', () => {
  const places = where({ water: 'tamber-lake', fish: 'bluegill', way: 'ice', at: '2027-02-10T10:00', more: ['--goal', 'size'] });
  expect(places.slice(0, 8).every((p) => p.inBand && p.depthM >= p.bandM[0] - 0.1 && p.depthM <= p.bandM[1] + 0.1)).toBe(true);
});

test('job 13, bass in late November: on points and breaks in 2 to 7 m, and nothing is said of ice', () => {
  const places = where({ water: 'verrin-reservoir', fish: 'smallmouth', way: 'cast', at: '2026-11-25T10:00', more: [...tempC(12.5), '--craft', 'boat'] });
  expect(places[0].inBand).toBe(true);
  expect(places[0].depthM).toBeLessThanOrEqual(7);
  for (const p of places) expect(p.why).not.toMatch(/\bice\b/);
});

test('jobs 5 and 20, lake trout: 9 to 12.5 m at the foot of the drop, not the deepest hole', () => {
  for (const at of ['2027-02-12T10:00', '2027-02-15T10:00']) {
    const [first] = where({ water: 'verrin-reservoir', fish: 'lake-trout', way: 'ice', at });
    expect(first.depthM).toBeGreaterThanOrEqual(9);
    expect(first.depthM).toBeLessThanOrEqual(12.5);
    expect(first.why).toMatch(/Shelf .* behind|base of the drop/);
  }
});

test('job 16, walls before spawning: no longer the same at 18 °C in May as at 7.5 °C in March', () => {
  const day = (at: string, c: number): Day => ({ water: 'verrin-reservoir', fish: 'smallmouth', way: 'cast', at, more: [...tempC(c), '--craft', 'kayak', '--goal', 'size'] });
  const [march] = where(day('2027-03-25T10:00', 7.5));
  const [may] = where(day('2027-05-25T10:00', 18));
  expect(march.bandM).not.toEqual(may.bandM);
});
