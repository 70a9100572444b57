import { SimulatedFlasher } from '@burrow/core/simulator';
import { EchoReader } from '@burrow/core/sonar';
import { fastest, type Figure } from './figure';

const [rateHz, bins] = [20, 1024];
const sounder = { pingRateHz: rateHz, bins };
const start = '2027-01-16T06:40:00.000-09:00';

/** Pings read a second as a multiple of real time, the slowest in a hundred, and memory over an hour of a lively stack. */
export function echo(): Figure[] {
  const flasher = new SimulatedFlasher({ seed: 7, sceneId: 'stack', start, sounder });
  const pings = Array.from({ length: 5 * 60 * rateHz }, () => flasher.next().ping);
  const read = () => {
    const reader = new EchoReader(flasher.header);
    reader.line(flasher.jig.commandedM);
    return reader;
  };
  const ms = fastest(5, () => {
    const reader = read();
    for (const ping of pings) reader.ping(ping);
  });
  const ratio = ((pings.length / rateHz) * 1000) / ms;
  const times = new Float64Array(pings.length);
  const reader = read();
  for (let i = 0; i < pings.length; i++) {
    const began = performance.now();
    reader.ping(pings[i]);
    times[i] = performance.now() - began;
  }
  times.sort();
  const p99 = times[Math.floor(0.99 * times.length)];
  const mean = ms / pings.length;
  return [
    {
      what: 'echo pings read',
      ratio,
      baseline: `real time at ${rateHz} Hz and ${bins} bins`,
      goal: '≥ 300×',
      met: ratio >= 300,
      detail: `${Math.round((pings.length * 1000) / ms)} pings a second`,
    },
    { what: 'the slowest ping in a hundred', ratio: p99 / mean, baseline: 'the mean ping', goal: 'under 0.5 ms', met: p99 < 0.5, detail: `${p99.toFixed(3)} ms` },
    memory(),
  ];
}

/** Heap after an hour of reading against after its first minutes; the pings are thrown away as they are read. */
function memory(): Figure {
  const flasher = new SimulatedFlasher({ seed: 8, sceneId: 'stack', start, sounder });
  const reader = new EchoReader(flasher.header);
  reader.line(flasher.jig.commandedM);
  const readMinutes = (minutes: number) => {
    for (let i = 0; i < minutes * 60 * rateHz; i++) reader.ping(flasher.next().ping);
    globalThis.gc?.();
    return process.memoryUsage().heapUsed / 1e6;
  };
  const early = readMinutes(5);
  const late = readMinutes(55);
  return {
    what: 'memory after an hour of pings',
    ratio: late / early,
    baseline: 'after five minutes',
    goal: '≤ 1.1×',
    met: late <= 1.1 * early,
    detail: `${late.toFixed(1)} against ${early.toFixed(1)} MB${globalThis.gc ? '' : ', without a forced collection'}`,
  };
}
