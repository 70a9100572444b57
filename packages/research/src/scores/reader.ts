import { scenes } from '@burrow/core/simulator';
import { runReaderTrial, type ReaderFigures, type ReaderTrial } from '../trials';

const seeds = 24;
/** Seeds of the score are not those that the reader was made with. */
const firstSeed = 7000;

/** What a figure must reach. */
const least = { bottom: 0.99, jig: 0.95, top: 0.95, mota: 0.9 } as const;
const mostFalse = 1;

const trials: { name: string; trial: ReaderTrial }[] = [
  ...scenes.map((s) => ({ name: s.id, trial: { sceneId: s.id, minutes: 3 } })),
  { name: 'bottom lost 1.5 s', trial: { sceneId: 'stack', minutes: 3, lossS: 1.5 } },
  { name: 'fish landed, line up 20 s', trial: { sceneId: 'stack', minutes: 6, landS: 20 } },
  { name: 'fish landed, 5 a second', trial: { sceneId: 'dusk', minutes: 6, landS: 20, sounder: { pingRateHz: 5 } } },
  { name: 'sounder at 1500 m/s in 1422', trial: { sceneId: 'stack', minutes: 3, sounder: { soundSpeedMs: 1500 }, trueSoundSpeedMs: 1421.6 } },
  { name: 'transducer at 0.6 m', trial: { sceneId: 'stack', minutes: 3, sounder: { transducerM: 0.6 } } },
  { name: 'beam 20°, 5 a second', trial: { sceneId: 'roaming', minutes: 3, sounder: { beamDeg: 20, pingRateHz: 5 } } },
  { name: 'pulse 120 µs, 20 a second', trial: { sceneId: 'six', minutes: 3, sounder: { pulseUs: 120, pingRateHz: 20 } } },
];

const share = (value: number | null) => (value === null ? '     –' : `${(100 * value).toFixed(1)}`.padStart(6));

/** Mean of a figure over seeds; null where no seed had anything to find. */
const mean = (rows: readonly ReaderFigures[], of: (row: ReaderFigures) => number | null) => {
  const values = rows.map(of).filter((v) => v !== null);
  return values.length === 0 ? null : values.reduce((a, b) => a + b, 0) / values.length;
};

/** Prints how the reader does on seeded logs of every scene; true when all it must reach is reached. */
export function scoreReader(): boolean {
  process.stdout.write(`Reader, ${seeds} seeded logs each, shares in %; wanted bottom ≥ 99, jig ≥ 95, top ≥ 95, MOTA ≥ 90, false fish on empty water ≤ 1 a minute\n\n`);
  process.stdout.write(`${'scene'.padEnd(30)}bottom   jig    top   MOTA   bait  false/min  (missed, false, switched of required)\n`);
  let allMet = true;
  for (const { name, trial } of trials) {
    const rows = Array.from({ length: seeds }, (_, k) => runReaderTrial(trial, firstSeed + k));
    const sum = (of: (row: ReaderFigures) => number) => rows.reduce((a, r) => a + of(r), 0);
    const figures = {
      bottom: mean(rows, (r) => r.bottom),
      jig: mean(rows, (r) => r.jig),
      // Over all pings of all logs: a log with a handful of tops does not weigh as one with thousands.
      top: sum((r) => r.tops) > 0 ? sum((r) => (r.top ?? 0) * r.tops) / sum((r) => r.tops) : null,
      mota: sum((r) => r.required) > 0 ? 1 - sum((r) => r.missed + r.wrong + r.switched) / sum((r) => r.required) : null,
    };
    const falsePerMin = mean(rows, (r) => r.falsePerMin)!;
    const isMet =
      (name !== 'empty' || falsePerMin <= mostFalse) && (Object.keys(least) as (keyof typeof least)[]).every((key) => figures[key] === null || figures[key] >= least[key]);
    allMet &&= isMet;
    process.stdout.write(
      `${name.padEnd(30)}${share(figures.bottom)}${share(figures.jig)}${share(figures.top)} ${share(figures.mota)} ${share(mean(rows, (r) => r.bait))}  ${falsePerMin.toFixed(2).padStart(6)}     (${sum((r) => r.missed)}, ${sum((r) => r.wrong)}, ${sum((r) => r.switched)} of ${sum((r) => r.required)})${isMet ? '' : '  NOT met'}\n`,
    );
  }
  return allMet;
}
