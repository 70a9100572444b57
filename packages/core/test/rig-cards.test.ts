import { fallCurve, floatLimits, rigCard, rigIds, sinkTime } from '../src/rig';

test.each(rigIds)('a %s has its parts in order along the line, its hook at the end and steps to tie it', (id) => {
  for (const depthM of [0.5, 1.8, 4, 12]) {
    const card = rigCard(id, { depthM, bottomM: depthM + 0.6 });
    const heights = card.parts.map((p) => p.aboveHookM);
    expect([id, depthM, heights]).toEqual([id, depthM, [...heights].sort((a, b) => b - a)]);
    expect(card.parts.at(-1)).toMatchObject({ kind: 'hook', aboveHookM: 0 });
    expect(Math.max(...heights)).toBeLessThanOrEqual(card.lengthM);
    expect(card.steps.length).toBeGreaterThanOrEqual(4);
    expect(card.hooks).toBe(id === 'two-baits' || id === 'tandem' ? 2 : 1);
  }
});

test.each([0.6, 1, 2, 4, 8, 12])('a float at %d m is shot so that only its tip shows', (depthM) => {
  const { load, parts } = rigCard(depthM > floatLimits.fixedToM ? 'sliding-float' : 'fixed-float', { depthM, bottomM: null });
  expect(load!.hungG).toBeLessThanOrEqual(load!.carriesG);
  expect(load!.carriesG - load!.hungG).toBeLessThanOrEqual(0.04);
  expect(parts.reduce((sum, p) => sum + (p.massG ?? 0), 0)).toBeCloseTo(load!.hungG, 6);
});

test('a fall is drawn as it is reckoned', () => {
  const lure = { massG: 3.5, material: 'lead', shape: 'tube' } as const;
  const curve = fallCurve(lure, 8, 0.15);
  expect(curve.at(-1)).toEqual({ s: sinkTime(lure, 8, 0.15), depthM: 8 });
  curve.forEach((p, i) => expect(i === 0 || p.s > curve[i - 1].s).toBe(true));
  expect(() => rigCard('tube', { depthM: 0.1, bottomM: null })).toThrow(/depth/);
});

test('of one’s own floats the nearest to what the depth asks for is taken, and shot to its own capacity', () => {
  const floats = [
    { name: 'thin', capacityG: 0.4 },
    { name: 'stout', capacityG: 3 },
  ];
  expect(rigCard('fixed-float', { depthM: 1, bottomM: null, floats }).load!.carriesG).toBe(0.4);
  const { load, parts } = rigCard('sliding-float', { depthM: 7, bottomM: null, floats });
  expect(load!.carriesG).toBe(3);
  expect(parts.some((p) => p.name === 'stout, 3 g')).toBe(true);
});
