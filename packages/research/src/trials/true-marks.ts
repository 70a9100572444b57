import { beamLossDb, targetStrength, type EchoState, type Mark } from '@burrow/core/sonar';
import type { SimulatedWater } from '@burrow/core/simulator';

/** How a perfect sounder sees. Depths m, levels dB. */
export const perfect = {
  beamDeg: 12,
  freqKHz: 200,
  transducerM: 0.1,
  /** Fish weaker than this against one on the axis are out of sight. */
  leastLossDb: -16,
  /** Nearer to the bottom than this they are hidden. */
  hiddenM: 0.1,
  /** How fast a rise is told, 1/s. */
  risePerS: 2.5,
} as const;

/**
 * Echo states straight from the water: what a reader without faults would make of it. For finding out how much of a result lies with the coach and how much
 * with the reading, and for many hours in little time.
 */
export class TrueMarks {
  private readonly known = new Map<number, { firstMs: number; lastMs: number; depthM: number; riseMs: number }>();

  constructor(private readonly water: SimulatedWater) {}

  state(t: number): EchoState {
    const { water, known } = this;
    const marks: Mark[] = [];
    for (const fish of water.fish) {
      const below = fish.depthM - perfect.transducerM;
      const lossDb = beamLossDb((Math.atan2(fish.offAxisM, below) * 180) / Math.PI, perfect.beamDeg);
      if (lossDb < perfect.leastLossDb || fish.depthM > water.bottomM - perfect.hiddenM) continue;
      const depthM = Math.hypot(below, fish.offAxisM) + perfect.transducerM;
      let seen = known.get(fish.id);
      if (!seen || t - seen.lastMs > 1500) known.set(fish.id, (seen = { firstMs: t, lastMs: t, depthM, riseMs: 0 }));
      const dt = (t - seen.lastMs) / 1000;
      if (dt > 0) seen.riseMs += ((seen.depthM - depthM) / dt - seen.riseMs) * Math.min(1, perfect.risePerS * dt);
      seen.depthM = depthM;
      seen.lastMs = t;
      marks.push({ id: fish.id, depthM, kind: 'fish', levelDb: targetStrength(fish.lengthCm, perfect.freqKHz) + lossDb, riseMs: seen.riseMs, ageMs: t - seen.firstMs });
    }
    marks.sort((a, b) => a.depthM - b.depthM);
    if (water.scene.bait) {
      const { topM, thickM } = water.scene.bait;
      marks.push({ id: -1, depthM: topM, kind: 'bait', levelDb: -55, riseMs: 0, ageMs: t, topM, baseM: topM + thickM });
    }
    return { t, bottomM: water.bottomM, jigM: water.jig.depthM, marks };
  }
}
