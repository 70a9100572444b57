import { aboveTheTop, coached, hourParts, hourShares, oracle, type HourPart } from '../trials';
import { sceneOf } from '@burrow/core/simulator';
import { decisionModels, type DecisionModel } from '../decision-models';

const trainedFirst = 2_000;
const usual = { hours: 12, model: 'drift' } as const;

/**
 * Prints where the hours of the simple rule, the coach and the oracle go, on hours to tune on: what there is to gain, and by what.
 * @param args scenes, decision models, a number of hours, and `marks` for fish seen straight from the water
 */
export function scoreHour(args: readonly string[]): boolean {
  const hours = Number(args.find((x) => /^\d+$/.test(x)) ?? usual.hours);
  const asked = decisionModels.filter((model) => args.includes(model));
  const sees = args.includes('marks') ? 'marks' : 'echoes';
  const sceneIds = args.filter((x) => x !== 'marks' && !/^\d+$/.test(x) && !decisionModels.some((model) => model === x));
  if (sceneIds.length === 0) throw new RangeError('score hour: expected a scene such as stack or dusk, found none');
  const ways = { simple: (jigM: number) => aboveTheTop(jigM, 'shrink'), coach: () => coached, oracle: () => oracle('still') };
  for (const sceneId of sceneIds) {
    const { jigM } = sceneOf(sceneId);
    for (const model of asked.length > 0 ? asked : ([usual.model] as readonly DecisionModel[])) {
      process.stdout.write(
        `\n${sceneId}, ${model}: seconds of an hour, mean of ${hours}\n${''.padEnd(26)}${Object.keys(ways)
          .map((name) => name.padStart(8))
          .join('')}\n`,
      );
      const rows = Object.values(ways).map((way) => Array.from({ length: hours }, (_, k) => hourShares(way(jigM), { sceneId, model, seed: trainedFirst + k, minutes: 60, sees })));
      const line = (name: string, of: (row: { landed: number; seconds: Record<HourPart, number> }) => number, digits: number) =>
        process.stdout.write(`${name.padEnd(26)}${rows.map((row) => (row.reduce((sum, r) => sum + of(r), 0) / hours).toFixed(digits).padStart(8)).join('')}\n`);
      line('landed', (r) => r.landed, 1);
      for (const part of hourParts) line(part, (r) => r.seconds[part], 0);
    }
  }
  return true;
}
