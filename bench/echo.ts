import { SimulatedFlasher } from '@burrow/core/simulator';
import { EchoReader } from '@burrow/core/sonar';
import { fastest, type Figure } from './figure';

/** Pings read a second, as a multiple of real time, over five minutes of a stack of fish. */
export function echo(): Figure[] {
  const flasher = new SimulatedFlasher({ seed: 7, sceneId: 'stack', start: '2027-01-16T06:40:00.000-09:00' });
  const pings = Array.from({ length: 3000 }, () => flasher.next().ping);
  const ms = fastest(5, () => {
    const reader = new EchoReader(flasher.header);
    reader.line(flasher.jig.commandedM);
    for (const ping of pings) reader.ping(ping);
  });
  const ratio = ((pings.length / flasher.header.pingRateHz) * 1000) / ms;
  return [
    {
      what: 'echo pings read',
      ratio,
      baseline: 'real time at 10 Hz and 700 bins',
      goal: '≥ 200×',
      met: ratio >= 200,
      detail: `${Math.round((pings.length * 1000) / ms)} pings a second`,
    },
  ];
}
