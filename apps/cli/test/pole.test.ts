import { spawnSync } from 'node:child_process';
import path from 'node:path';

function burrow(line: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...line.split(' ')], { encoding: 'utf8' });
  return { status, stdout, stderr };
}
const answer = (line: string) => JSON.parse(burrow(line).stdout) as Record<string, never>;

test('float, shot, feed and bag answer what a peg asks', () => {
  expect(answer('float --depth-m 2 --flow-ms 0.25')).toEqual({ capacityG: 1 });
  expect(answer('float --depth-m 2 --flow-ms -0.25')).toEqual({ capacityG: 1 });
  expect(answer('shot --capacity-g 0.4 --depth-m 1.8 --load-g 0.06')).toMatchObject({
    totalG: expect.closeTo(0.335, 2),
    shots: expect.arrayContaining([expect.objectContaining({ aboveHookM: 0.1 })]),
  });
  expect(answer('float --depth-m 2 --flow-ms 0.25 --wind-ms 8 --reach-m 13')).toEqual({ capacityG: 1.04 });
  expect(answer('next-ball --depth-m 2 --flow-ms 0.1 --run-m 5')).toMatchObject({ balls: 1, break: 'half', gravel: false, way: 'cup' });
  expect(answer('next-ball --depth-m 3.1 --flow-ms 0 --run-m 3 --fish used --temp-c 5')).toMatchObject({ balls: 8, break: 'bottom', dropM: 0 });
  expect(answer('feed --depth-m 2 --flow-ms 0.2 --ball-cm 5 --density-gcc 1.25 --break never --particle crumb --profile uniform')).toMatchObject({
    landsM: expect.closeTo(0.678, 3),
    sinkS: expect.closeTo(3.39, 2),
  });
  expect(answer('feed --depth-m 2 --flow-ms 0.2 --ball-cm 5 --density-gcc 1.25 --break half --particle hemp')).toMatchObject({
    fedFromM: expect.closeTo(1.76, 2),
    fedToM: expect.closeTo(2.64, 2),
  });
  expect(answer('bag --count 40 --mean-g 60 --sd-g 25')).toMatchObject({ totalG: 2400, lowG: expect.closeTo(2140, 0), highG: expect.closeTo(2660, 0) });
});

test.each([
  ['float --depth-m 0 --flow-ms 0.1', /depth must be 0\.2 to 20 m, found 0|depth/],
  ['shot --capacity-g 0.4 --depth-m 1.8 --load-g 0.5', /load of hook and bait/],
  ['shot --capacity-g 0.4 --depth-m 1.8 --pattern heap', /--pattern: expected one of bulk, strung, strung-dropper, bulk-droppers, found "heap"/],
  ['feed --depth-m 2 --flow-ms 0.2 --ball-cm 5 --density-gcc 0.9 --break half --particle hemp', /density of the ball/],
  ['feed --depth-m 2 --flow-ms 0.2 --ball-cm 5 --density-gcc 1.2 --break half --particle sand', /--particle: expected one of crumb, pellet/],
  ['float --depth-m 2 --flow-ms 0.1 --wind-ms 8', /--reach-m: expected beside --wind-ms/],
  ['next-ball --depth-m 2 --flow-ms 0.1 --run-m 3 --last half', /--last and --blank-min: expected both/],
  ['next-ball --depth-m 2 --flow-ms 0.1 --run-m 3 --fish hungry', /--fish: expected one of unfed, used/],
  ['next-ball --depth-m 2 --flow-ms 0.1 --run-m 0', /run/],
  ['bag --count 1.5 --mean-g 60', /--count: expected a whole number of fish, found 1\.5/],
])('%s is one clear line', (line, message) => {
  const { status, stdout, stderr } = burrow(line);
  expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
  expect(stderr).toMatch(message);
  expect(stderr.trim().split('\n')).toHaveLength(1);
});
