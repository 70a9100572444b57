import { writeFileSync } from 'node:fs';
import { headerLine, lineLine, pingLine } from '@burrow/contract/formats';
import { scenes, SimulatedFlasher, type Truth } from '@burrow/core/simulator';
import { BadInput } from '../bad-input';
import { LineWriter } from '../line-writer';
import { numberOption, readArgs } from '../options';

/** Recordings of the simulated flasher start here. */
const start = '2027-01-16T06:40:00.000-09:00';

/** `burrow simulate --seed N --minutes M [--scene id] [--truth F]`: an echo log; the truth goes to its own file. */
export async function simulate(args: string[]): Promise<void> {
  const { values } = readArgs(args, { seed: { type: 'string' }, minutes: { type: 'string' }, scene: { type: 'string' }, truth: { type: 'string' } });
  const seed = numberOption(values, 'seed');
  if (!Number.isInteger(seed)) throw new BadInput(`--seed: expected a whole number, found ${seed}`);
  const minutes = numberOption(values, 'minutes');
  if (!(minutes > 0 && minutes <= 600)) throw new BadInput(`--minutes: expected more than 0 and at most 600, found ${minutes}`);
  const sceneId = values.scene ?? 'steady';
  if (!scenes.some((s) => s.id === sceneId)) throw new BadInput(`--scene: expected one of ${scenes.map((s) => s.id).join(', ')}, found "${sceneId}"`);
  const flasher = new SimulatedFlasher({ seed, sceneId, start });
  const out = new LineWriter(process.stdout);
  await out.write(headerLine(flasher.header));
  await out.write(lineLine(0, flasher.jig.commandedM));
  const truths: Truth[] = [];
  const count = Math.round(minutes * 60 * flasher.header.pingRateHz);
  for (let i = 0; i < count; i++) {
    const { ping, truth } = flasher.next();
    if (values.truth !== undefined) truths.push(truth);
    await out.write(pingLine(ping));
  }
  await out.end();
  if (values.truth !== undefined) writeFileSync(values.truth, `${JSON.stringify({ seed, scene: sceneId, header: flasher.header, pings: truths })}\n`);
}
