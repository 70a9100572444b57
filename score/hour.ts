import { aboveTheTop, coached, hourParts, hourShares, oracle, type HourPart } from '@burrow/core/trials';
import { minds, sceneOf, type Mind } from '@burrow/core/simulator';

const trainedFirst = 2_000;
const usual = { hours: 12, mind: 'drift' } as const;

/**
 * Prints where the hours of the simple rule, the coach and the oracle go, on hours to tune on: what there is to gain, and by what.
 * @param args scenes, minds, a number of hours, and `marks` for fish seen straight from the water
 */
export function scoreHour(args: readonly string[]): boolean {
  const hours = Number(args.find((x) => /^\d+$/.test(x)) ?? usual.hours);
  const asked = minds.filter((mind) => args.includes(mind));
  const sees = args.includes('marks') ? 'marks' : 'echoes';
  const sceneIds = args.filter((x) => x !== 'marks' && !/^\d+$/.test(x) && !minds.some((mind) => mind === x));
  if (sceneIds.length === 0) throw new RangeError('score hour: expected a scene such as stack or dusk, found none');
  const ways = { simple: (jigM: number) => aboveTheTop(jigM, 'shrink'), coach: () => coached, oracle: () => oracle('still') };
  for (const sceneId of sceneIds) {
    const { jigM } = sceneOf(sceneId);
    for (const mind of asked.length > 0 ? asked : ([usual.mind] as readonly Mind[])) {
      process.stdout.write(
        `\n${sceneId}, ${mind}: seconds of an hour, mean of ${hours}\n${''.padEnd(26)}${Object.keys(ways)
          .map((name) => name.padStart(8))
          .join('')}\n`,
      );
      const rows = Object.values(ways).map((way) => Array.from({ length: hours }, (_, k) => hourShares(way(jigM), { sceneId, mind, seed: trainedFirst + k, minutes: 60, sees })));
      const line = (name: string, of: (row: { landed: number; seconds: Record<HourPart, number> }) => number, digits: number) =>
        process.stdout.write(`${name.padEnd(26)}${rows.map((row) => (row.reduce((sum, r) => sum + of(r), 0) / hours).toFixed(digits).padStart(8)).join('')}\n`);
      line('landed', (r) => r.landed, 1);
      for (const part of hourParts) line(part, (r) => r.seconds[part], 0);
    }
  }
  return true;
}
