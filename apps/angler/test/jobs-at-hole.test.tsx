import { demoWater, phoneAt, visit, type Logged } from './at-water';
import { screen, waitFor } from '@testing-library/react-native';
import { StationScreen } from '@/features/station/StationScreen';
import { WaterScreen } from '@/features/water/WaterScreen';
import { takesOf } from '@burrow/core/visits';
import { testId } from '../../../packages/core/test/events';

/*
 * Rows of the jobs that are answered at a hole and over a spot, tapped through.
 */

const water = demoWater('tamber-lake');
const opened = (station: string, label: string, at: [number, number], kind = 'hole'): Logged => [1, 'station-opened', { station, kind, label, at }];
const [one, two, three] = [testId(), testId(), testId()];

beforeEach(() => phoneAt(null));

test('job 10, search: three holes drilled, the unread ones come first, then the one with marks', async () => {
  const holes = [opened(one, '1', [-139.998, 46.9995]), opened(two, '2', [-139.9979, 46.9995]), opened(three, '3', [-139.9978, 46.9995])];
  const back: Logged = [3, 'moved', { fromStation: three, station: one }];
  const at = await visit({ file: water, log: [...holes, back], species: 'bluegill', minutes: 4 }, () => <StationScreen />);
  await waitFor(() => expect(at.heading()).toBe('Read the rest first'));
  expect(screen.getByText(/^Holes 2 and 3 are drilled and not read/)).toBeTruthy();
  await at.press('Nothing');
  expect(at.wrote('felt')).toMatchObject([{ station: one, what: 'empty', outM: 0, by: 'eye' }]);
  at.unmount();
  const looks: Logged[] = [
    [4, 'felt', { station: one, what: 'empty', bearingDeg: 0, outM: 0, by: 'eye' }],
    [5, 'felt', { station: two, what: 'school', bearingDeg: 0, outM: 0, by: 'eye', topM: 5.2, bottomM: 6.5 }],
    [6, 'felt', { station: three, what: 'empty', bearingDeg: 0, outM: 0, by: 'eye' }],
  ];
  const read = await visit({ file: water, log: [...holes, back, ...looks], species: 'bluegill', minutes: 8 }, () => <StationScreen />);
  await waitFor(() => expect(read.heading()).toBe('Hole 2 first: marks at 5.2 m'));
  // Nothing is in the water: no time is counted. With a line down here the clock sends to the same hole, and says nothing of staying.
  const clocks = () =>
    screen.getAllByRole('button').flatMap((b) => /^(Stay \d+ minutes|Go now)/.exec((b.props.accessibilityLabel ?? b.props['aria-label']) as string)?.input ?? []);
  expect(clocks()).toEqual([]);
  read.unmount();
  const down: Logged = [7, 'line-down', { line: testId(), station: one, rod: 'rod 1', presentation: 'Tungsten 3 mm', depthM: 5 }];
  const early = await visit({ file: water, log: [...holes, back, ...looks, down], species: 'bluegill', minutes: 8 }, () => <StationScreen />);
  await waitFor(() => expect(early.heading()).toBe('Hole 2 first: marks at 5.2 m'));
  expect(clocks()).toEqual([expect.stringMatching(/^Go now\. Hole 2 first: marks at 5\.2 m\./)]);
});

test('job 9, find: what is seen in passing is kept, and how far off the bed they hang is said', async () => {
  const log: Logged[] = [opened(one, '1', [-139.998, 46.9995], 'spot')];
  const at = await visit({ file: water, log, species: 'white-crappie', method: 'vertical', minutes: 3 }, () => <StationScreen />);
  await at.press('More');
  await at.press('A school to the side');
  await at.choose('Under me');
  for (let k = 0; k < 2; k++) await at.press('More Its top');
  for (let k = 0; k < 2; k++) await at.press('More Water there');
  await at.press('Log this school');
  const [seen] = at.wrote('felt');
  expect(seen).toMatchObject({ what: 'school', outM: 0, topM: expect.any(Number), bottomM: expect.any(Number) });
});

test('jobs 4 and 9, safety: over a spot More has the turn-back time and the engine, on ice neither', async () => {
  const spot = await visit({ file: water, log: [opened(one, '1', [-139.998, 46.9995], 'spot')], method: 'vertical', minutes: 3 }, () => <StationScreen />);
  await spot.press('More');
  expect(screen.getByText('Line in the propeller: engine off first.')).toBeTruthy();
  expect(screen.getByText(/^Turn back by \d\d:\d\d/)).toBeTruthy();
  spot.unmount();
  const hole = await visit({ file: water, log: [opened(one, '1', [-139.998, 46.9995])], minutes: 3 }, () => <StationScreen />);
  await hole.press('More');
  expect(screen.queryByText('Line in the propeller: engine off first.')).toBeNull();
});

test('job 5, seat, scent and tails: a tube built anew is a piece of its own, and the line that goes down with it says how', async () => {
  const [line] = [testId()];
  const tube = { id: 'tube', name: 'White tube', tackle: { family: 'tube', massG: 12, sizeMm: 90, colour: 'white', hooks: 1, points: 1, rattle: null, suspends: null } };
  const log: Logged[] = [opened(one, '1', [-139.998, 46.9995]), [2, 'line-down', { line, station: one, rod: 'rod 1', presentation: 'White tube', depthM: 6 }]];
  const at = await visit({ file: water, log, species: 'lake-trout', minutes: 3, preferences: { presentations: [tube], presentation: 'tube' } }, () => <StationScreen />);
  await at.press('More');
  await at.press('How the tube is built');
  expect(screen.queryByText('It hangs level.')).toBeNull();
  await at.choose('Short of the nose');
  expect(screen.getByText('It hangs level.')).toBeTruthy();
  await at.press('More Tails behind the bend');
  await at.choose('Scent');
  await at.press('This one goes on the line');
  expect(at.kinds()).toEqual(['line-up', 'line-down']);
  expect(at.wrote('line-down')).toMatchObject([{ presentation: 'White tube, short seat, scent, tails 11 mm', tube: { seat: 'short', scent: true, cutMm: 11 } }]);
  expect(at.outing().lines.at(-1)!.tube).toEqual({ seat: 'short', scent: true, cutMm: 11 });
});

test('job 5, bed: a snag is one tap, and is told by seat', async () => {
  const line = testId();
  const log: Logged[] = [
    opened(one, '1', [-139.998, 46.9995]),
    [2, 'line-down', { line, station: one, rod: 'rod 1', presentation: 'White tube, full seat', tube: { seat: 'full' } }],
    [30, 'felt', { station: one, what: 'snag', bearingDeg: 0, outM: 0, by: 'eye' }],
  ];
  const tackle = { family: 'tube', massG: 12, sizeMm: 90, colour: 'white', hooks: 1, points: 1, rattle: null, suspends: null };
  const piece = { id: 'tube', name: 'White tube, full seat', tackle, tube: { of: 'White tube', seat: 'full' as const } };
  const at = await visit({ file: water, log, species: 'lake-trout', minutes: 62, preferences: { presentations: [piece], presentation: 'tube' } }, () => <StationScreen />);
  await at.press('More');
  await at.press('Tube: full seat');
  expect(screen.getByText('Full seat: 1 snag in 1.0 h')).toBeTruthy();
  expect(screen.getByText('It hangs nose down.')).toBeTruthy();
  await at.press('Snagged');
  expect(at.wrote('felt')).toMatchObject([{ station: one, what: 'snag', outM: 0 }]);
});

test('job 7, place: a water marked as pressed names the next cover beside the first place', async () => {
  const at = await visit(
    { file: demoWater('verrin-reservoir'), species: 'black-crappie', method: 'vertical', minutes: 2, log: [], preferences: { pressedWaters: ['here'] } },
    () => <WaterScreen />,
  );
  await waitFor(() => expect(screen.getByText(/^Crowded: next the /)).toBeTruthy());
  at.unmount();
});

test('job 2, crossed: of two lines bitten together by one fish one bite stays, and who lifts is said', async () => {
  const [left, right] = [testId(), testId()];
  const down = (line: string, rod: string): Logged => [2, 'line-down', { line, station: one, rod, presentation: 'Light jig', depthM: 5.3 }];
  const bite = (minute: number, line: string): Logged => [minute, 'reaction', { station: one, line, reaction: 'bite' }];
  const log: Logged[] = [opened(one, '1', [-139.998, 46.9995]), down(left, 'rod 1'), down(right, 'rod 2'), bite(5, left), bite(6, right)];
  const at = await visit({ file: water, log, species: 'white-perch', minutes: 7 }, () => <StationScreen />);
  const bites = () => takesOf(at.outing()).filter((t) => t.isBite).length;
  expect(bites()).toBe(2);
  await at.press('More');
  expect(screen.getByText(/who has the fish lifts, the other opens the reel/)).toBeTruthy();
  await at.press('Crossed: one fish, one bite');
  expect(bites()).toBe(1);
  at.unmount();
  const single = await visit({ file: water, log: log.slice(0, -1), species: 'white-perch', minutes: 7 }, () => <StationScreen />);
  await single.press('More');
  expect(screen.queryByText('Crossed: one fish, one bite')).toBeNull();
});

test('job 15, hook-up: of a first fish neither kind is preset, both are offered, and one lost at the hole is one tap', async () => {
  const log: Logged[] = [opened(one, '1', [-139.998, 46.9995]), [2, 'line-down', { line: two, station: one, rod: 'rod 1', presentation: 'Spoon', depthM: 14 }]];
  const at = await visit({ file: demoWater('verrin-reservoir'), log, species: 'lake-whitefish', minutes: 4 }, () => <StationScreen />);
  await at.press('Fish');
  for (const name of ['Whitefish', 'Lake trout']) expect(screen.getByRole('radio', { name }).props.accessibilityState?.checked ?? false).toBe(false);
  expect(screen.getByText(/^Choose which fish it is/)).toBeTruthy();
  at.unmount();
  const lost = await visit({ file: demoWater('verrin-reservoir'), log, species: 'lake-whitefish', minutes: 4 }, () => <StationScreen />);
  await lost.press('More');
  await lost.press('Lost at the hole');
  expect(lost.wrote('reaction')).toMatchObject([{ station: one, reaction: 'lost', lostAt: 'end' }]);
});
