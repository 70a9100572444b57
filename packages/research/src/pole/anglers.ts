import { swimNow, type SwimLog } from '@burrow/core/pole';
import { minuteMs } from '@burrow/core/units';
import { pegOf, type SimulatedSwim } from './swims';

const dayMin = 240;
/** A swap costs this, min; a ball goes in at the start and each so many minutes, whoever fishes. */
const [swapMin, feedEveryMin] = [1.5, 50];

/** What an angler knows when it decides where to fish the next minute. */
interface Seen {
  nowMin: number;
  here: number;
  logs: SwimLog[];
  sinceBiteMin: number;
  sinceSwapMin: number;
}

export type Choice = (seen: Seen, swims: readonly SimulatedSwim[]) => number;

/** Fish of a day. */
export function fishDay(seed: number, choose: Choice): number {
  const swims = pegOf(seed);
  const stays: { fromMs: number; toMs: number }[][] = [[], []];
  const logs = swims.map((_, k): SwimLog & { bitesMs: number[]; fishMs: number[]; fedMs: number[] } => ({
    id: String(k),
    sinceMs: 0,
    fedMs: [0],
    stays: stays[k],
    bitesMs: [],
    fishMs: [],
  }));
  for (const s of swims) s.feed();
  let [here, caught, idle, sinceBite, sinceSwap] = [0, 0, 0, 0, 0];
  stays[0].push({ fromMs: 0, toMs: 0 });
  for (let minute = 0; minute < dayMin; minute++) {
    if (minute > 0 && minute % feedEveryMin === 0)
      swims.forEach((s, k) => {
        s.feed();
        logs[k].fedMs.push(minute * minuteMs);
      });
    const wanted = choose({ nowMin: minute, here, logs, sinceBiteMin: sinceBite, sinceSwapMin: sinceSwap }, swims);
    if (wanted !== here) {
      [here, idle, sinceBite, sinceSwap] = [wanted, swapMin, 0, 0];
      stays[here].push({ fromMs: minute * minuteMs, toMs: minute * minuteMs });
    }
    const isFishing = idle < 1;
    idle = Math.max(0, idle - 1);
    swims.forEach((s, k) => {
      const { bites, fish } = s.minute(k === here && isFishing);
      const ms = (minute + 0.5) * minuteMs;
      for (let n = 0; n < bites; n++) logs[k].bitesMs.push(ms);
      for (let n = 0; n < fish; n++) logs[k].fishMs.push(ms);
      caught += fish;
      if (k === here) sinceBite = bites > 0 ? 0 : sinceBite + 1;
    });
    stays[here][stays[here].length - 1] = { ...stays[here][stays[here].length - 1], toMs: (minute + 1) * minuteMs };
    sinceSwap++;
  }
  return caught;
}

export const byAdvice: Choice = ({ nowMin, here, logs }) => {
  const answer = swimNow(logs, String(here), { tempC: 6, factor: 1 }, nowMin * minuteMs);
  return answer ? Number(answer.id) : here;
};
export const eachHalfHour: Choice = ({ nowMin }) => Math.floor(nowMin / 30) % 2;
export const farOnly: Choice = () => 1;
export const afterQuiet =
  (minutes: number): Choice =>
  ({ here, sinceBiteMin }) =>
    sinceBiteMin >= minutes ? 1 - here : here;
/** Sees the truth of the next minute. */
export const oracle: Choice = ({ here, sinceSwapMin }, swims) => (sinceSwapMin >= 5 && swims[1 - here].rate > 1.3 * swims[here].rate ? 1 - here : here);
