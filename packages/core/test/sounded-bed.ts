import { CastWater } from '../src/casting';
import { buildDepthMap, LocalFrame, type LonLat, type Sounding } from '../src/ground';

/** A bed given by a function, sounded on a grid, within a ring of half sides. */
export function soundedBed(depth: (x: number, y: number) => number, half: number, apart = 6, turns = 4): { water: CastWater; frame: LocalFrame } {
  const frame = new LocalFrame(-140, 47);
  const ring =
    turns === 4
      ? ([
          [-half, -half],
          [half, -half],
          [half, half],
          [-half, half],
          [-half, -half],
        ] as const)
      : Array.from({ length: turns + 1 }, (_, k) => [half * Math.cos((k / turns) * 2 * Math.PI), half * Math.sin((k / turns) * 2 * Math.PI)] as const);
  const soundings: Sounding[] = [];
  for (let x = -half + apart / 2; x < half; x += apart)
    for (let y = -half + apart / 2; y < half; y += apart)
      if (turns === 4 || Math.hypot(x, y) < half - 1) soundings.push({ at: frame.toLonLat(x, y), depthM: Math.max(0, depth(x, y)) });
  return {
    water: new CastWater(
      buildDepthMap(
        ring.map(([x, y]): LonLat => frame.toLonLat(x, y)),
        soundings,
      ),
    ),
    frame,
  };
}
