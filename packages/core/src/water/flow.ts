import { requireWithin } from '../units';

/** Depth-mean flow from a float timed at the surface over a marked way, m/s, signed: the surface runs 8/7 of it. RangeError for no time. */
export function flowOfTimedFloat(alongM: number, seconds: number): number {
  requireWithin(seconds, 0.5, 3600, 'time', 's');
  requireWithin(alongM, -100, 100, 'way of the float', 'm');
  return (7 / 8) * (alongM / seconds);
}
