/**
 * Returns `value` when it is a finite number within [min, max].
 * Throws RangeError naming the quantity, what was expected and what was found.
 */
export function requireWithin(value: number, min: number, max: number, name: string, unit: string): number {
  if (!(Number.isFinite(value) && value >= min && value <= max)) {
    throw new RangeError(`${name} must be ${min} to ${max} ${unit}, found ${value}`);
  }
  return value;
}

/** `value` limited to [min, max]. */
export function clamp(value: number, min: number, max: number): number {
  return value < min ? min : value > max ? max : value;
}

/** Linear interpolation of `y` over ascending `x` at `at`, held constant beyond both ends. */
export function interpolate(x: readonly number[], y: readonly number[], at: number): number {
  if (at <= x[0]) return y[0];
  for (let i = 1; i < x.length; i++) {
    if (at <= x[i]) return y[i - 1] + ((y[i] - y[i - 1]) * (at - x[i - 1])) / (x[i] - x[i - 1]);
  }
  return y[y.length - 1];
}
