/** Halvings that take a span to the last digits of a number that anybody reads. */
const usualHalvings = 50;

/**
 * Where within [low, high] `isBelow` turns from true to false, by bisection: half way in what is left after `halvings`.
 * A condition that is true throughout gives `high`, one that is false throughout `low`, to within what is left.
 */
export function bisect(isBelow: (value: number) => boolean, low: number, high: number, halvings = usualHalvings): number {
  let [from, to] = [low, high];
  for (let k = 0; k < halvings; k++) {
    const middle = (from + to) / 2;
    if (isBelow(middle)) from = middle;
    else to = middle;
  }
  return (from + to) / 2;
}

/** The middle one of some values, or the mean of the two in the middle. RangeError for none. */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('expected at least one value, found none');
  const sorted = [...values].sort((a, b) => a - b);
  return (sorted[(sorted.length - 1) >> 1] + sorted[sorted.length >> 1]) / 2;
}
