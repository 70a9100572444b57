import { buildDepthMap, coverKind, coverKinds, LocalFrame, type LonLat } from '../src/ground';
import { feedingLies, lieLimits, lieReasons, lieRules, lieText, poolText, riverWords, winteringPools, type RiverMarks } from '../src/river';
import { imperial, metric } from '../src/units';

const frame = new LocalFrame(-140, 47);
const place = (x: number, y: number): LonLat => frame.toLonLat(x, y);

/** A straight river of 900 m by 40 m, 1 m deep, with a pool of 4 m at x = 0 and, where asked, a second one far down. */
function river(second = false) {
  const bed = (x: number, y: number) => 1 + 3 * Math.exp(-((x / 35) ** 2) - (y / 14) ** 2) + (second ? 2.6 * Math.exp(-(((x - 360) / 20) ** 2) - (y / 12) ** 2) : 0);
  const outline = [place(-450, -20), place(450, -20), place(450, 20), place(-450, 20)];
  const soundings = [];
  for (let x = -445; x <= 445; x += 6) for (let y = -18; y <= 18; y += 6) soundings.push({ at: place(x, y), depthM: bed(x, y) });
  return buildDepthMap(outline, soundings, { cells: 300, shore: false });
}

const map = river();
const pools = winteringPools(map);
const seam = (x: number, name?: string) => ({ line: [place(x - 15, 8), place(x + 15, 8)], ...(name ? { name } : {}) });
const none: RiverMarks = { seams: [], covers: [], hard: [] };
const lies = (marks: Partial<RiverMarks>) => feedingLies(map, { ...none, ...marks }, pools);
const x = (at: LonLat) => frame.toMetres(at)[0];

describe('wintering pools', () => {
  test('the deep stretch is one, with its depth, its length and its middle', () => {
    expect(pools).toHaveLength(1);
    const [px, py] = frame.toMetres(pools[0].at);
    expect(Math.hypot(px, py)).toBeLessThan(6);
    expect(pools[0].depthM).toBe(map.deepest.depthM);
    expect(Math.abs(pools[0].depthM - 4)).toBeLessThan(0.3);
    // Where the bed is deeper than 2.4 m: 3 exp(−(x/35)²) = 1.4 at x = 30.6.
    expect(pools[0].lengthM).toBeGreaterThan(56);
    expect(pools[0].lengthM).toBeLessThan(68);
    expect(pools[0].areaM2).toBeGreaterThan(Math.PI * 30.6 * 12.2 * 0.9);
    expect(pools[0].meanDepthM).toBeGreaterThan(2.4);
  });

  test('two are two, the one with more deep water first', () => {
    const both = winteringPools(river(true));
    expect(both.map((p) => Math.round(frame.toMetres(p.at)[0] / 50) * 50)).toEqual([0, 350]);
    expect(both[0].areaM2).toBeGreaterThan(both[1].areaM2);
  });
});

describe('feeding lies', () => {
  test('a seam beside the pool is one; the same seam with no depth near it is worth little', () => {
    const near = lies({ seams: [seam(30)] });
    expect(near[0].score).toBeGreaterThan(0.4);
    expect(near[0].by).toBe('seam');
    expect(lies({ seams: [seam(130)] })).toEqual([]);
  });

  test('each of the four marks adds to it', () => {
    const at = place(32, 8);
    const scores = [lies({ covers: [{ at, kind: 'timber' }] }), lies({ covers: [{ at, kind: 'boulder' }] }), lies({ covers: [{ at, kind: 'boulder' }], seams: [seam(32)] })].map(
      (found) => found[0]?.score ?? 0,
    );
    expect(scores[0]).toBeGreaterThan(0);
    expect(scores[1]).toBeGreaterThan(scores[0] + 0.1);
    expect(scores[2]).toBeGreaterThan(scores[1] + 0.2);
    expect(scores[2]).toBeLessThanOrEqual(1);
  });

  test('far from the pool it falls by half each 120 m', () => {
    const twin = river(true);
    const first = winteringPools(twin).slice(0, 1);
    // Deep water is there, by the second pool; the wintering pool that counts is the first.
    const deep = winteringPools(twin);
    const covers = [{ at: place(360, 0), kind: 'boulder' }];
    const beside = feedingLies(twin, { ...none, covers }, deep)[0];
    expect(beside.toPoolM).toBe(0);
    const far = feedingLies(twin, { ...none, covers }, [{ ...first[0], cells: [...first[0].cells] }]);
    expect(far).toEqual([]);
    expect(beside.score).toBeGreaterThan(0.5);
  });

  test('none lies close to a better one, none is on dry ground, and the best comes first', () => {
    const found = lies({
      seams: [{ line: [place(-60, 8), place(60, 8)], name: 'long seam' }],
      covers: [{ at: place(20, 8), kind: 'root', name: 'alder root' }],
      hard: [place(-20, 6)],
    });
    expect(found.length).toBeGreaterThan(3);
    expect(found[0]).toMatchObject({ by: 'alder root' });
    expect(Math.abs(x(found[0].at) - 20)).toBeLessThan(6);
    for (const [k, a] of found.entries()) {
      expect(a.depthM).toBeGreaterThanOrEqual(lieLimits.leastDepthM);
      expect(a.score).toBeLessThanOrEqual(found[Math.max(0, k - 1)].score);
      for (const b of found.slice(k + 1)) {
        const [[ax, ay], [bx, by]] = [frame.toMetres(a.at), frame.toMetres(b.at)];
        expect(Math.hypot(ax - bx, ay - by)).toBeGreaterThanOrEqual(lieLimits.apartM - 0.01);
      }
    }
    expect(found.map((l) => l.by)).toEqual(expect.arrayContaining(['hard patch', 'long seam']));
  });
});

describe('in words', () => {
  const found = lies({ seams: [seam(30)], covers: [{ at: place(32, 8), kind: 'boulder' }] });

  test('the marks it has are named with their rules, the depth with its way', () => {
    const reasons = lieReasons(found[0], metric);
    expect(reasons.map((r) => r.ruleId)).toEqual(expect.arrayContaining(['river.seam', 'river.pocket', 'river.cover', 'river.depth']));
    expect(reasons.find((r) => r.ruleId === 'river.depth')!.text).toMatch(/^(Deep water one short move away, \d+ m|It lies in the deep water itself)\.$/);
    expect(lieText(found[0], metric)).toMatchObject({ name: 'boulder', detail: expect.stringMatching(/ 4 of 4 marks: seam, pocket, cover, depth$/) as string });
  });

  test('says where to begin, what is missing, and that a lie refills', () => {
    expect(riverWords(pools, found, imperial).headline).toMatch(/^Begin at the boulder, \d/);
    expect(riverWords(pools, found, imperial).detail).toMatch(/Rest it after a fish and come back/);
    expect(riverWords(pools, [], metric).detail).toMatch(/^It is 3\.8 m at its deepest.* Mark seams, pockets, wood and rock/);
    expect(riverWords([], [], metric).headline).toBe('No pool found');
    expect(poolText(pools[0], metric)).toMatch(/^3\.8 m at its deepest, \d.* on average, \d+ m long$/);
  });
});

test('kinds of cover and rules have ids of their own; a kind that is not known still holds fish', () => {
  expect(new Set(coverKinds.map((k) => k.id)).size).toBe(coverKinds.length);
  expect(new Set(lieRules.map((r) => r.id)).size).toBe(4);
  expect(lieRules.filter((r) => r.mark !== 'depth').reduce((sum, r) => sum + r.weight, 0)).toBeCloseTo(1, 9);
  expect(coverKind('car wreck')).toMatchObject({ label: 'car wreck', holds: true, shelters: false });
});
