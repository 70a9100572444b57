import { requireWithin } from '../units';

const marczak = [1402.385, 5.038813, -5.799136e-2, 3.287156e-4, -1.398845e-6, 2.78786e-9];

/**
 * Speed of sound in pure water, m/s, for 0 to 95 °C; RangeError outside.
 * Source: Marczak 1997, J. Acoust. Soc. Am. 102, fifth-order polynomial.
 */
export function soundSpeed(tempC: number): number {
  requireWithin(tempC, 0, 95, 'water temperature', '°C');
  return marczak.reduceRight((sum, c) => sum * tempC + c, 0);
}

/** True depth for a depth shown by a sounder that assumes `setMs`, when the water's mean speed is `trueMs` (m/s). */
export const depthCorrectedForSound = (shownM: number, setMs: number, trueMs: number) => (shownM * trueMs) / setMs;
