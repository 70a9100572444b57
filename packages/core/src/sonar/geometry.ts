import { requireWithin } from '../units';
import { depthCorrectedForSound, soundSpeed } from '../water';
import type { EchoHeader } from './echo';

const rad = Math.PI / 180;

/** Width of the beam at its −3 dB edge, m, at `depthM` (0 to 300) for a full angle of `beamDeg` (1 to 90): 2d·tan(θ/2). */
export function footprint(depthM: number, beamDeg: number): number {
  requireWithin(depthM, 0, 300, 'depth', 'm');
  requireWithin(beamDeg, 1, 90, 'beam angle', '°');
  return 2 * depthM * Math.tan((beamDeg / 2) * rad);
}

/** Two targets closer than this in range are one echo, m: cτ/2. */
export const rangeResolution = (soundSpeedMs: number, pulseUs: number) => (soundSpeedMs * pulseUs * 1e-6) / 2;

/**
 * Target strength, dB, of a fish seen from above. Source: Love 1977, J. Acoust. Soc. Am. 62, dorsal aspect.
 * @param lengthCm total length, 1 to 200 cm
 * @param freqKHz 15 to 1000 kHz
 */
export function targetStrength(lengthCm: number, freqKHz: number): number {
  requireWithin(lengthCm, 1, 200, 'fish length', 'cm');
  requireWithin(freqKHz, 15, 1000, 'frequency', 'kHz');
  return 19.1 * Math.log10(lengthCm) - 0.9 * Math.log10(freqKHz) - 62;
}

/** Two-way beam loss, dB (≤ 0), at `offAxisDeg`: a Gaussian lobe with −6 dB at half the full angle. */
export const beamLossDb = (offAxisDeg: number, beamDeg: number) => -6 * (offAxisDeg / (beamDeg / 2)) ** 2;

/** Strong fish stay visible to about this many half-angles off the axis. */
export const visibleHalfAngles = 1.9;

/** How much too deep a mark at the edge of sight may read, m: d(1/cos θ − 1) with θ at 1.9 half-angles. */
export function edgeDepthError(depthM: number, beamDeg: number): number {
  const theta = Math.min(60, (visibleHalfAngles * beamDeg) / 2) * rad;
  return depthM * (1 / Math.cos(theta) - 1);
}

/** True range for one metre of range as the sounder shows it, in water of the header's temperature; 1 where that is not known. */
export const truePerShown = (header: EchoHeader) =>
  depthCorrectedForSound(1, header.soundSpeedMs, header.waterTempC === undefined ? header.soundSpeedMs : soundSpeed(header.waterTempC));

/** What the sounder itself shows for a true depth below the surface, m. */
export const shownDepth = (depthM: number, header: EchoHeader) => (depthM - header.transducerM) / truePerShown(header) + header.transducerM;

/** Range, m, of the first bottom echo on a plane sloping by `slopeDeg` (0 to 45) under a plumbed depth, looked at within the beam's −3 dB edge. */
export function firstBottomReturn(plumbM: number, slopeDeg: number, beamDeg: number): number {
  const limit = Math.min(slopeDeg, beamDeg / 2) * rad;
  const slope = requireWithin(slopeDeg, 0, 45, 'slope', '°') * rad;
  // Range to the plane along a ray at `limit` off the axis toward the shallow side.
  return (plumbM * Math.cos(slope)) / Math.cos(slope - limit);
}
