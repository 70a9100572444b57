import type { WinterParameters } from './setting';

/** Something measured at the water. Depth below the surface, m; values in °C, m or mg/L. */
export interface Measurement {
  atMs: number;
  kind: 'tempC' | 'iceClearM' | 'iceWhiteM' | 'snowM' | 'oxygenMgL';
  depthM?: number;
  value: number;
}

export interface Residual extends Measurement {
  /** What the fitted column says. */
  modelled: number;
}

export interface WinterFit {
  parameters: WinterParameters;
  /** Standard deviation of each parameter, in its own unit (a factor's relative). */
  spread: { [K in keyof WinterParameters]: number };
  residuals: Residual[];
  /** Root mean square of temperatures' residuals before and after, °C; null without thermometer drops. */
  tempRms: { before: number; after: number } | null;
  /** Runs of the column that the fit took. */
  runs: number;
}
