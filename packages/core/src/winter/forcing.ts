/** Weather at a water, a value an hour, without gaps. */
export interface Forcing {
  startMs: number;
  airC: Float64Array;
  windMs: Float64Array;
  /** The sun's radiation on a level surface, W/m². */
  sunWm2: Float64Array;
  /** New snow of the hour on land, m. */
  snowfallM: Float64Array;
  /** Share of the snow on land that was there an hour before: under 1 where it settled, melted or blew away. */
  snowKept: Float64Array;
}

/** Mean air over the first days must be above this for the model to start in open water, °C. */
export const warmStartC = 3;
/** Days looked at for the start. */
const startDays = 5;

/**
 * Temperature of the mixed water at the start of a series, °C: the mean of its first days, 4 to 14.
 * Throws RangeError where the series begins after the cold has come: the heat at freeze-up would be a guess.
 */
export function startTemperature(forcing: Forcing): number {
  const hours = Math.min(forcing.airC.length, startDays * 24);
  const mean = forcing.airC.subarray(0, hours).reduce((sum, t) => sum + t, 0) / hours;
  if (!(hours === startDays * 24 && mean >= warmStartC)) {
    const found = hours < startDays * 24 ? `${hours} hours of weather` : `a mean of ${mean.toFixed(1)} °C`;
    throw new RangeError(`weather before freeze-up is missing: expected a series whose first ${startDays} days are above ${warmStartC} °C on average, found ${found}`);
  }
  return Math.min(14, Math.max(4, mean + 1));
}
