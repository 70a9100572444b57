import { bedAt, bestThird, biteThirds, deepestWithin } from '../src/pole';

describe('the run and the bed', () => {
  it('thirds of the run have their bites with honest ranges', () => {
    const thirds = biteThirds({ fromM: 0, toM: 3 }, [2.2, 2.4, 2.5, 2.8, 2.9, 2.6, 2.7, 0.5]);
    expect(thirds.map((t) => t.bites)).toEqual([1, 0, 7]);
    expect(bestThird(thirds)).toMatchObject({ fromM: 2, toM: 3 });
    expect(bestThird(biteThirds({ fromM: 0, toM: 3 }, [0.5, 1.5, 2.5, 2.6]))).toBeNull();
    for (const t of thirds) expect(t.low).toBeLessThan(t.high);
  });

  it('is plumbed in a few taps', () => {
    const plumbed = [
      { outM: 3, depthM: 0.6 },
      { outM: 6, depthM: 1.25 },
      { outM: 11, depthM: 1.8 },
    ];
    expect(bedAt(plumbed, 4.5)).toBeCloseTo(0.925, 6);
    expect(bedAt(plumbed, 1.5)).toBeCloseTo(0.3, 6);
    expect(bedAt(plumbed, 13)).toBeNull();
    expect(bedAt([], 3)).toBeNull();
    expect(deepestWithin(plumbed, 8)).toEqual({ outM: 6, depthM: 1.25 });
  });
});
