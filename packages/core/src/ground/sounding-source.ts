import { depthCorrectedForSound, soundSpeed } from '../water';
import type { Sounding } from './depth-map';

/** How a set of depths was measured. */
export interface SoundingSource {
  /** Speed of sound that the sounder is set to, m/s, 1300 to 1700; null where the depths were plumbed or are corrected already. */
  setMs: number | null;
  /** Mean temperature of the water when they were taken, °C, 0 to 40. */
  waterTempC: number;
}

/**
 * True depths for those that a sounder showed: it turns time into depth by a fixed speed, and in winter water reads 3 to 7 % too deep
 * (Marczak 1997). RangeError for a speed or temperature out of range.
 */
export function plumbedSoundings<S extends Sounding>(soundings: readonly S[], { setMs, waterTempC }: SoundingSource): S[] {
  if (setMs === null) return [...soundings];
  if (!(setMs >= 1300 && setMs <= 1700)) throw new RangeError(`expected a sounder's speed of 1300 to 1700 m/s, found ${setMs}`);
  if (!(waterTempC >= 0 && waterTempC <= 40)) throw new RangeError(`expected water of 0 to 40 °C, found ${waterTempC}`);
  const trueMs = soundSpeed(waterTempC);
  return soundings.map((s) => ({ ...s, depthM: depthCorrectedForSound(s.depthM, setMs, trueMs) }));
}

/** By how much a sounder reads too deep, in per cent, in words. */
export function soundingSourceText({ setMs, waterTempC }: SoundingSource): string {
  if (setMs === null) return 'Taken as they are.';
  const percent = 100 * (1 - depthCorrectedForSound(1, setMs, soundSpeed(waterTempC)));
  return `Each is made ${Math.abs(percent).toFixed(1)} % ${percent >= 0 ? 'shallower' : 'deeper'}: sound runs at ${Math.round(soundSpeed(waterTempC))} m/s there, not ${setMs}.`;
}
