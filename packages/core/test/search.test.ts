import fc from 'fast-check';
import { adviceWords, Coach, emptyMemory, searchDepth, searchLimits, searchSpan, type CoachMemory } from '../src/coach';
import type { Mark } from '../src/sonar';
import { metric } from '../src/units';

const depthM = fc.double({ min: 1, max: 40, noNaN: true });
const setting = { speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 };

test('every depth of a span comes within half a step of the jig, and none is left out on the way back', () => {
  fc.assert(
    fc.property(depthM, fc.double({ min: 0.6, max: 20, noNaN: true }), fc.constantFrom(0.1, 0.9, null), (fromM, heightM, preference) => {
      const span = { fromM, toM: fromM + heightM };
      const stayS = preference === 0.9 ? searchLimits.livelyS : searchLimits.quietS;
      const steps = Math.ceil(heightM / searchLimits.stepM);
      const stops = Array.from({ length: 2 * steps + 1 }, (_, k) => searchDepth(span, (k + 0.5) * stayS, null, preference));
      expect(stops[0]).toBeCloseTo(span.toM, 9);
      expect(stops[2 * steps]).toBeCloseTo(span.toM, 9);
      expect(Math.min(...stops)).toBeCloseTo(fromM, 9);
      for (let k = 1; k < stops.length; k++) expect(Math.abs(stops[k] - stops[k - 1])).toBeLessThanOrEqual(searchLimits.stepM + 1e-9);
    }),
  );
});

test('a short span is one depth, and it stays at each as long as the day asks for', () => {
  expect(searchDepth({ fromM: 5, toM: 5.3 }, 500, null, 0.9)).toBe(5.3);
  const span = { fromM: 2, toM: 6 };
  expect(searchDepth(span, searchLimits.livelyS - 0.1, null, 0.9)).toBe(6);
  expect(searchDepth(span, searchLimits.livelyS, null, 0.9)).toBeLessThan(6);
  expect(searchDepth(span, searchLimits.livelyS, null, 0.2)).toBe(6);
  expect(searchDepth(span, searchLimits.quietS, null, null)).toBeLessThan(6);
});

test('over where the last mark went it waits first, never deeper than it would search', () => {
  const span = { fromM: 2, toM: 6 };
  for (const preference of [null, 0.2, 0.9]) {
    expect(searchDepth(span, searchLimits.waitS - 0.1, 4.3, preference)).toBeCloseTo(4.3 - searchLimits.overM, 9);
    expect(searchDepth(span, 3, 8, preference)).toBe(6);
    for (const s of [0, 5, 12, 31, 64]) expect(searchDepth(span, searchLimits.waitS + s, 4.3, preference)).toBe(searchDepth(span, s, null, preference));
  }
});

test('before tops were seen the span is a share of the depth; then it reaches from over the highest to over the deepest', () => {
  expect(searchSpan([4, 5], 10)).toEqual({ fromM: 3.5, toM: 8.4 });
  const span = searchSpan([4, 6.5, 5], 10);
  expect(span.fromM).toBeCloseTo(3.7, 9);
  expect(span.toM).toBeCloseTo(6.2, 9);
});

describe('the coach', () => {
  const bait: Mark = { id: 9, depthM: 4, kind: 'bait', levelDb: -56, riseMs: 0, ageMs: 9000, topM: 4, baseM: 5.2 };
  /** Depths that a coach sends the jig to while nothing or bait is seen. */
  const depths = (seconds: number, marks: Mark[], memory: CoachMemory = emptyMemory(), speciesId = 'black-crappie') => {
    const coach = new Coach({ ...setting, speciesId }, memory);
    const seen = new Set<number>();
    const hands = new Set<number | null>();
    for (let t = 0; t < seconds * 1000; t += 500) {
      const advice = coach.update({ t, bottomM: 9, jigM: 6, marks })!;
      seen.add(Math.round(100 * advice.jigM) / 100);
      hands.add(advice.handMs);
    }
    return { depths: [...seen], hands: [...hands] };
  };

  test('searches empty water from the deep end up, gently once it is down', () => {
    const { depths: to, hands } = depths(100, []);
    expect(to[0]).toBeCloseTo(searchLimits.toShare * 9, 2);
    expect(to).toHaveLength(4);
    expect([...to].sort((a, b) => b - a)).toEqual(to);
    expect(hands).toEqual([null, searchLimits.handMs]);
  });

  test('where tops have shown themselves it looks there, and no higher or deeper', () => {
    const { depths: to } = depths(300, [], { ...emptyMemory(), topsM: [3.2, 4.1, 5.4] });
    expect(Math.min(...to)).toBeCloseTo(2.9, 2);
    expect(Math.max(...to)).toBeCloseTo(5.1, 2);
  });

  test('on a day that wants it lively it goes on three times as soon', () => {
    const lively = { ...emptyMemory(), answers: [{ situation: 'close' as const, cadence: 'bounce' as const, won: 8, lost: 0, seconds: 60 }] };
    const quiet = { ...emptyMemory(), answers: [{ situation: 'close' as const, cadence: 'deadstick' as const, won: 8, lost: 0, seconds: 60 }] };
    expect(depths(29, [], structuredClone(lively)).depths).toHaveLength(3);
    expect(depths(29, [], structuredClone(quiet)).depths).toHaveLength(1);
  });

  test('when a mark goes the jig stays over where it went before it searches', () => {
    const coach = new Coach(setting);
    const mark: Mark = { id: 1, depthM: 4.6, kind: 'fish', levelDb: -38, riseMs: 0, ageMs: 9000 };
    const jigM = (fromS: number, toS: number, marks: Mark[]) => {
      let at = 0;
      for (let t = 1000 * fromS; t < 1000 * toS; t += 500) at = coach.update({ t, bottomM: 9, jigM: 4.2, marks })!.jigM;
      return at;
    };
    jigM(0, 8, [mark]);
    expect(jigM(8, 20, [])).toBeCloseTo(4.6 - searchLimits.overM, 9);
    expect(jigM(20, 34, [])).toBeGreaterThan(6);
  });

  test('says first to go there, then what to do there', () => {
    const say = (jigM: number) => adviceWords(new Coach(setting).update({ t: 0, bottomM: 9, jigM, marks: [] })!, metric).instruction;
    expect(say(4)).toMatch(/^Go to 7\.\d m$/);
    expect(say(7.4)).toMatch(/^Lift three times, let fall at 7\.\d m$/);
  });

  test('under bait it searches from its lower edge to near the bottom', () => {
    const { depths: to } = depths(200, [bait], emptyMemory(), 'walleye');
    expect(Math.min(...to)).toBeCloseTo(5.5, 2);
    expect(Math.max(...to)).toBeCloseTo(8.1, 2);
  });
});
