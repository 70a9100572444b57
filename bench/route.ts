import { shortTour, type Spot } from '@burrow/core/holes';
import { seededRandom } from '@burrow/core/units';
import { fastestInTurns, type Figure } from './figure';

const holes = 200;
const longRun = { isClosed: true, seed: 91, kicks: 400 };

/** A walk round two hundred holes against runs thirty times as long from other seeds, and what it takes. */
export function route(): Figure[] {
  const random = seededRandom(200);
  const spots: Spot[] = Array.from({ length: holes }, () => ({ x: 800 * random(), y: 800 * random() }));
  const long = Math.min(...[91, 92, 93].map((seed) => shortTour(spots, { ...longRun, seed }).lengthM));
  const tour = shortTour(spots, { isClosed: true });
  const once = shortTour(spots, { isClosed: true, kicks: 0 });
  const [tourMs, longMs] = fastestInTurns(
    3,
    () => void shortTour(spots, { isClosed: true }),
    () => void shortTour(spots, longRun),
  );
  const ratio = tour.lengthM / long;
  return [
    {
      what: `length of a round of ${holes} holes`,
      ratio,
      baseline: 'the best of three long runs',
      goal: '≤ 1.03×',
      met: ratio <= 1.03,
      detail: `${tour.lengthM.toFixed(0)} m against ${long.toFixed(0)} m; a single descent ${once.lengthM.toFixed(0)} m`,
    },
    {
      what: 'time for it',
      ratio: tourMs / longMs,
      baseline: 'one long run',
      goal: '≤ 0.5×',
      met: tourMs / longMs <= 0.5,
      detail: `${tourMs.toFixed(0)} ms against ${longMs.toFixed(0)} ms`,
    },
  ];
}
