import { demoWater, phoneAt, pointWater, visit, type Logged } from './at-water';
import { fireEvent, screen, waitFor } from '@testing-library/react-native';
import type { EventKind } from '@burrow/core/ledger';
import { startingPreferences } from '@/data/preferences';
import { StationScreen } from '@/features/station/StationScreen';
import { testId } from '../../../packages/core/test/events';

const lake = demoWater('tamber-lake');
const reservoir = demoWater('verrin-reservoir');
const drain = demoWater('marrow-drain');
const bare = pointWater('lake', [25.4, 62.1]);

/** A station opened a minute into the outing. */
const station = (id: string, kind: string, at: readonly [number, number], more: object = {}): Logged => [
  1,
  'station-opened',
  { station: id, kind, label: '1', at: [at[0], at[1]], ...more } as never,
];
const placeOf = (file: typeof lake): [number, number] => {
  const sounding = file.features.find((f) => f.properties.role === 'sounding');
  return (sounding?.geometry as { coordinates: [number, number] }).coordinates;
};
const own = (body: object, ...names: string[]) => Object.fromEntries(Object.entries(body).filter(([name]) => !names.includes(name)));

beforeEach(() => phoneAt(null));

describe('at a hole', () => {
  const hole = testId();
  const log: Logged[] = [station(hole, 'hole', placeOf(lake)), [2, 'depth-sounded', { station: hole, depthM: 6, source: 'line' }]];

  test('before a line is down only that, a fish and more can be tapped; then what fish do, each on that line', async () => {
    const at = await visit({ file: lake, log, minutes: 5 }, () => <StationScreen />);
    expect(screen.queryByRole('button', { name: 'Looked' })).toBeNull();
    await at.press(/^Line down/);
    const [line] = at.wrote('line-down');
    expect(own(line, 'line')).toEqual({ station: hole, rod: 'rod 1' });
    for (const name of ['Looked', 'Refused', 'Bite']) await at.press(name);
    const expected = ['looked', 'refused', 'bite'].map((reaction) => ({ station: hole, reaction, line: line.line, bottomM: 6 }));
    expect(at.wrote('reaction')).toEqual(expected);
    at.unmount();
  });

  test('what was tapped is taken back, once', async () => {
    const at = await visit({ file: lake, log: [...log, [3, 'line-down', { line: testId(), station: hole, rod: 'rod 1', depthM: 5 }]], minutes: 5 }, () => <StationScreen />);
    await at.press('Bite');
    expect(at.outing().reactions).toHaveLength(1);
    await at.press('Undo');
    expect(at.outing().reactions).toEqual([]);
    expect(at.kinds()).toEqual(['reaction', 'undone']);
    at.unmount();
  });

  test('a fish is on the line that hangs, at its depth, and nothing of its size is made up', async () => {
    const line = testId();
    const at = await visit({ file: lake, log: [...log, [3, 'line-down', { line, station: hole, rod: 'rod 1', depthM: 5 }]], minutes: 9 }, () => <StationScreen />);
    await at.press('Fish');
    // Nothing was caught here today: which fish it is is asked, and nothing is logged before.
    await at.press('Released');
    expect(at.kinds()).toEqual([]);
    await at.choose('Crappie');
    await at.press('Released');
    const [fish] = at.wrote('fish-landed');
    expect(own(fish, 'fish')).toEqual({ station: hole, line, species: 'black-crappie', depthM: 5, bottomM: 6 });
    expect(at.wrote('fish-released')).toEqual([{ fish: fish.fish }]);
    at.unmount();
  });

  test('when the time is up and nothing is in sight the heading says so too, and a fish or a mark takes it back', async () => {
    const line = testId();
    const fished: Logged[] = [...log, [3, 'line-down', { line, station: hole, rod: 'rod 1', depthM: 5 }]];
    const headingAfter = async (minutes: number, more: Logged[] = []) => {
      const at = await visit({ file: lake, log: [...fished, ...more], minutes }, () => <StationScreen />);
      const heading = at.heading();
      at.unmount();
      return heading;
    };
    expect(await headingAfter(6)).not.toBe('Move on');
    expect(await headingAfter(58)).toBe('Move on');
    expect(await headingAfter(58, [[57, 'fish-landed', { fish: testId(), station: hole, line, species: 'black-crappie' }]])).not.toBe('Move on');
  });

  test('the clock runs from the arrival, and a fish sets it anew', async () => {
    const line = testId();
    const waited = { file: lake, log: [...log, [3, 'line-down', { line, station: hole, rod: 'rod 1', depthM: 5 }]] as Logged[] };
    const leftOf = async (minutes: number, more: Logged[]) => {
      const at = await visit({ ...waited, log: [...waited.log, ...more], minutes }, () => <StationScreen />);
      const spoken = screen.getAllByRole('button').map((b) => (b.props.accessibilityLabel ?? b.props['aria-label']) as string | undefined);
      at.unmount();
      const clock = spoken.find((s) => /^(Stay \d+ minutes|Go now)/.test(s ?? ''))!;
      return Number(/^Stay (\d+)/.exec(clock)?.[1] ?? 0);
    };
    const fresh = await leftOf(3, []);
    expect(await leftOf(13, [])).toBeLessThan(fresh);
    expect(await leftOf(13, [[12, 'fish-landed', { fish: testId(), station: hole, line, species: 'black-crappie' }]])).toBeGreaterThan(await leftOf(13, []));
  });
});

describe('at a stand', () => {
  const stand = testId();

  test('a cast puts the line out once and goes where it is aimed; what was felt is told on that cast', async () => {
    const at = await visit({ file: bare, method: 'cast', log: [station(stand, 'stand', [25.4, 62.1])], minutes: 5 }, () => <StationScreen />);
    await screen.findByText('Aim, cast, count it down');
    await at.press(/^Felt rock/);
    expect(at.kinds()).toEqual([]);
    await at.press(/^Cast/);
    await at.press(/^Cast/);
    expect(at.kinds()).toEqual(['line-down', 'cast', 'cast']);
    const [line] = at.wrote('line-down');
    const casts = at.wrote('cast');
    for (const c of casts) expect(c).toMatchObject({ station: stand, line: line.line, bearingDeg: 0 });
    await at.press(/^Felt rock/);
    expect(at.wrote('felt')).toEqual([{ station: stand, what: 'hard', cast: casts[1].cast, bearingDeg: 0, outM: casts[1].distanceM, by: 'time' }]);
    at.unmount();
  });

  test('with a chart it says where to cast and how far, and casts there', async () => {
    const at = await visit(
      { file: reservoir, species: 'smallmouth-bass', method: 'cast', log: [station(stand, 'stand', placeOf(reservoir))], preferences: { craft: 'kayak' }, minutes: 5 },
      () => <StationScreen />,
    );
    const [said] = await screen.findAllByText(/^Cast .*\d+°$/);
    const [, bearing] = /(\d+)°$/.exec([said.props.children as string].flat().join(''))!;
    fireEvent.press((await screen.findAllByText('Cast'))[0]);
    await waitFor(() => expect(at.kinds()).toContain('cast'));
    expect(at.wrote('cast')[0].bearingDeg).toBe(Number(bearing));
    await at.press('Bite');
    expect(at.wrote('reaction')[0]).toMatchObject({ reaction: 'bite', cast: at.wrote('cast')[0].cast, line: at.wrote('line-down')[0].line });
    at.unmount();
  });

  test('under a float it is the stop that is told, set and logged, and what the float did', async () => {
    const float = { id: 'f', name: 'Float and maggot', tackle: { family: 'float-rig', massG: 0.6, sizeMm: 20, colour: null, hooks: 1, points: 1, rattle: null, suspends: null } };
    const school: Logged = [2, 'felt', { station: stand, what: 'school', bearingDeg: 0, outM: 15, by: 'eye', topM: 4.9 }];
    const at = await visit(
      {
        file: bare,
        species: 'black-crappie',
        method: 'cast',
        log: [station(stand, 'stand', [25.4, 62.1]), school],
        preferences: { presentations: [float], presentation: 'f' },
        minutes: 5,
      },
      () => <StationScreen />,
    );
    await screen.findByText(/^Stop at 4\.6 m/);
    await at.press(/^Cast/);
    expect(at.wrote('line-down')[0]).toMatchObject({ presentation: 'Float and maggot', depthM: expect.closeTo(4.6, 1) });
    await at.press('Under');
    await at.press('Flat');
    await at.press('It stood, then lay flat: a bite');
    expect(at.wrote('reaction').map((r) => [r.reaction, r.float, r.depthM])).toEqual([
      ['bite', 'under', at.wrote('line-down')[0].depthM],
      ['bite', 'rose', at.wrote('line-down')[0].depthM],
    ]);
    await screen.findByText('Leave the stop: they come up to it');
    await at.press('Flat');
    await at.press(/^It never stood/);
    expect(at.wrote('depth-set')[0].depthM).toBeCloseTo(at.wrote('line-down')[0].depthM! - 0.3, 2);
    at.unmount();
  });

  test('a float is put on the line in one tap where the box has none', async () => {
    const at = await visit({ file: bare, species: 'black-crappie', method: 'cast', log: [station(stand, 'stand', [25.4, 62.1])], minutes: 5 }, () => <StationScreen />);
    await at.press('More');
    await at.press('Under a float');
    await at.press(/^Cast/);
    expect(at.wrote('line-down')[0]).toMatchObject({ presentation: 'Float and small bait', depthM: expect.any(Number) });
    at.unmount();
  });

  test('straight down from the stand is another way at the same place, told by whom it was told before', async () => {
    const placed = { by: 'phone', accuracyM: 4 } as const;
    const at = await visit({ file: bare, method: 'cast', log: [station(stand, 'stand', [25.4, 62.1], { placed })], minutes: 5 }, () => <StationScreen />);
    await at.press('More');
    await at.press('Straight down here');
    expect(at.kinds()).toEqual(['method-changed', 'station-opened']);
    expect(at.wrote('station-opened')[0]).toMatchObject({ kind: 'spot', at: [25.4, 62.1], placed });
    at.unmount();
  });
});

describe('at a peg', () => {
  const [near, far] = [testId(), testId()];
  const peg: Logged[] = [
    station(near, 'swim', [-140, 47]),
    ...[2, 4, 6, 8, 10].map((outM, k): Logged => [2, 'plumbed', { station: near, outM, depthM: 0.6 + 0.25 * k }]),
    [3, 'swim-placed', { station: near, outM: 5 }],
    [3, 'station-opened', { station: far, kind: 'swim', label: '1', at: [-140, 47], outM: 10, peg: near }],
    [3.1, 'moved', { station: near }],
    [4, 'flow-timed', { station: near, alongM: 2, seconds: 40 }],
  ];
  const at = (log: Logged[], more: object = {}) => visit({ file: drain, species: 'roach', method: 'pole', log, minutes: 6, ...more }, () => <StationScreen />);

  test('nothing is plumbed yet: that comes first', async () => {
    const begun = await at([station(near, 'swim', [-140, 47])]);
    expect(begun.heading()).toBe('Plumb the bed');
    begun.unmount();
  });

  test('a bite and a fish are of the swim that is fished, and of the class that was said', async () => {
    const line = testId();
    const fished = await at([...peg, [5, 'line-down', { line, station: near, rod: 'pole' }]], {
      preferences: { pole: { ...startingPreferences.pole, classMm: 150, fate: 'net' } },
    });
    await fished.press('Bite');
    await fished.press(/^Fish/);
    await fished.choose('Roach');
    await fished.press(/^Log a roach of/);
    expect(fished.wrote('reaction')).toEqual([{ station: near, reaction: 'bite', line }]);
    const [fish] = fished.wrote('fish-landed');
    expect(own(fish, 'fish')).toEqual({ station: near, species: 'roach', classMm: 150, line });
    expect(fished.wrote('fish-released')).toEqual([]);
    fished.unmount();
  });

  test('feeding before anybody said what the ball is asks for it, and logs nothing', async () => {
    const fed = await at(peg);
    await fed.press(/^Fed/);
    expect(fed.kinds()).toEqual([]);
    expect(await screen.findByText('How hard it is squeezed')).toBeTruthy();
    fed.unmount();
  });

  test('a swap lifts the line here, rests this swim and lowers it on the other', async () => {
    const line = testId();
    const swapped = await at([...peg, [5, 'line-down', { line, station: near, rod: 'pole' }]]);
    await swapped.press(/^Swap/);
    expect(swapped.kinds()).toEqual(['line-up', 'rested', 'moved', 'line-down'] satisfies EventKind[]);
    expect(swapped.wrote('line-up')).toEqual([{ line }]);
    expect(swapped.wrote('moved')).toEqual([{ fromStation: near, station: far }]);
    expect(swapped.wrote('line-down')[0]).toMatchObject({ station: far, rod: 'pole' });
    swapped.unmount();
  });
});

describe('on a pass', () => {
  const pass = testId();

  test('lines go out at the depths that were named; a strike is on its line, where the boat is, and a turn carries the lines on', async () => {
    await phoneAt([25.4, 62.1], 4);
    const on = await visit({ file: bare, species: 'walleye', method: 'troll', log: [station(pass, 'pass', [25.4, 62.1])], minutes: 5 }, () => <StationScreen />);
    await screen.findByRole('heading', { name: 'Set the lines' });
    await on.press('Set the lines');
    await on.press(/^Lines out at/);
    const lines = on.wrote('line-down');
    expect(lines.map((l) => l.rod)).toEqual(['left', 'right']);
    expect(lines.every((l) => l.station === pass && l.depthM! > 0 && l.lineOutM === undefined)).toBe(true);
    await on.press(/^Strike/);
    await on.press(/^right, /);
    expect(on.wrote('reaction')).toEqual([{ station: pass, reaction: 'bite', line: lines[1].line, depthM: lines[1].depthM, at: [25.4, 62.1] }]);
    await phoneAt([25.402, 62.101], 4);
    await on.press(/^Turn/);
    expect(on.wrote('pass-ended')).toEqual([{ station: pass }]);
    const [next] = on.wrote('station-opened');
    expect(next).toMatchObject({ kind: 'pass', label: '2', at: [25.402, 62.101] });
    const carried = on.wrote('line-down').slice(2);
    expect(carried.map((l) => [l.station, l.rod, l.depthM])).toEqual(lines.map((l) => [next.station, l.rod, l.depthM]));
    expect(on.outing().lines.filter((l) => l.upMs === null)).toHaveLength(2);
    on.unmount();
  });

  test('of a line with two baits a strike says which, at its own depth', async () => {
    const line = testId();
    const down: Logged = [2, 'line-down', { line, station: pass, rod: 'line', presentation: 'Soft minnow', depthM: 3, second: { presentation: 'Big worm', aboveM: 1 } }];
    const on = await visit({ file: bare, species: 'walleye', method: 'troll', log: [station(pass, 'pass', [25.4, 62.1]), down], minutes: 5 }, () => <StationScreen />);
    await on.press(/^Strike/);
    await on.press(/^line, upper, Big worm/);
    await on.press(/^Strike/);
    await on.press(/^line, lower, Soft minnow/);
    expect(on.wrote('reaction')).toEqual([
      { station: pass, reaction: 'bite', line, depthM: 2, bait: 'upper' },
      { station: pass, reaction: 'bite', line, depthM: 3 },
    ]);
    on.unmount();
  });

  test('without a position a strike has no place, and no speed that nobody measured', async () => {
    const line = testId();
    const log: Logged[] = [station(pass, 'pass', [25.4, 62.1]), [2, 'line-down', { line, station: pass, rod: 'line', depthM: 3 }]];
    const on = await visit({ file: bare, species: 'walleye', method: 'troll', log, minutes: 5 }, () => <StationScreen />);
    await on.press(/^Strike/);
    expect(on.wrote('reaction')).toEqual([{ station: pass, reaction: 'bite', line, depthM: 3 }]);
    on.unmount();
  });
});
