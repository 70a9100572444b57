import { startingViewpoints } from '@burrow/core/outlook';
import { metric } from '@burrow/core/units';
import { usePreferences, type Preferences } from '../src/data/preferences';
import { boxOf } from '../src/data/stored-box';
import { preferencesVersion, readPreferences } from '../src/data/stored-preferences';
import { renderHook } from '@testing-library/react-native';

const starting = renderHook(() => usePreferences()).result.current;

test('the form of 0.15 keeps its sides under their new names', () => {
  const kept = readPreferences({ units: metric, schools: { 'glass-or-light': 'light', 'early-or-warmed': 'early' }, windSchool: 'lee' }, starting);
  expect(kept).toEqual({
    ...starting,
    units: metric,
    viewpoints: { 'pressure-or-light': 'light', 'early-or-warmed': 'early' },
    windViewpoint: 'lee',
  });
});

test('what is written is read back whole', () => {
  const own: Preferences = {
    ...starting,
    theme: 'dusk',
    craft: 'kayak',
    water: 'pond',
    pressedWaters: ['tamber-lake'],
    coldPlaces: 'basin',
    holeRound: 'two-holes',
    plan: { key: 'k', items: [{ id: 'i', atMs: 1, untilMs: 2, kind: 'set up', what: 'w', why: 'y' }] },
    holePlan: {
      id: 'p',
      water: 'pond',
      wanted: 8,
      walkM: 10,
      covered: 0.2,
      holes: [{ at: [-140, 47], depthM: 4, sdM: 0.2, perHour: 1, reasons: [{ ruleId: 'r', text: 't', weight: 1 }], own: { visits: 0, minutes: 0 } }],
    },
  };
  expect(readPreferences(JSON.parse(JSON.stringify({ ...own, version: preferencesVersion })), starting)).toEqual(own);
});

test.each([
  ['theme', 'neon'],
  ['units', { depth: 'fathom' }],
  ['presentations', 'a box'],
  ['leastIceM', -1],
  ['load', 'tank'],
  ['viewpoints', { 'pressure-or-light': 'moon', 'early-or-warmed': 'sun' }],
  ['plan', { key: 'k', items: [{ id: 'i', atMs: 1, untilMs: 2, kind: 'drill', what: 'w', why: 'y' }] }],
  ['holePlan', { holes: 'none' }],
  ['pressedWaters', 'yes'],
  ['coldPlaces', 'both'],
  ['holeRound', 'all'],
] as const)('a broken %s comes from the start, and takes nothing else with it', (name, value) => {
  const kept = readPreferences({ version: preferencesVersion, ...starting, water: 'pond', [name]: value }, starting);
  expect(kept).toEqual({ ...starting, water: 'pond', [name]: starting[name] });
});

test.each([[null], ['text'], [7], [[]]])('%p is no preferences at all: the start', (stored) => {
  expect(readPreferences(stored, starting)).toEqual(starting);
  expect(starting.viewpoints).toEqual(startingViewpoints);
});

test('presentations of an older app come through, to be asked about once; a damaged piece costs only what was said of it', () => {
  const old = readPreferences({ presentations: [{ id: 'a', name: 'Red jig' }] }, starting);
  expect(old.presentations).toEqual([{ id: 'a', name: 'Red jig' }]);
  expect(boxOf(old.presentations)).toEqual([]);
  const tackle = { family: 'tube', massG: 3.5, sizeMm: 60, colour: 'clear', hooks: 1, points: 1, rattle: false, suspends: null };
  const kept = readPreferences(
    {
      version: preferencesVersion,
      presentations: [
        { id: 'a', name: 'Tube', tackle },
        { id: 'b', name: 'Duck', tackle: { ...tackle, family: 'duck' } },
      ],
    },
    starting,
  );
  expect(boxOf(kept.presentations)).toEqual([{ piece: 'Tube', ...tackle }]);
  expect(kept.presentations[1]).toEqual({ id: 'b', name: 'Duck' });
});

test('a part that does not hold costs only itself: a pole without its newer figures, a list with one bad entry', () => {
  const { runM: _run, ...older } = { ...starting.pole, reachM: 11, bait: 'punch', pattern: 'spiral' };
  const rods = [
    { id: 'r', name: 'Long one', lineMm: 0.2, strengthKg: null },
    { id: 'x', lineMm: -1 },
  ];
  const kept = readPreferences(
    { version: preferencesVersion, ...starting, pole: older, kit: { rods, floats: 'none', feed: [] }, troll: { ...starting.troll, rods: 40 } },
    starting,
  );
  expect(kept.pole).toEqual({ ...starting.pole, reachM: 11, bait: 'punch' });
  expect(kept.kit).toEqual({ rods: [rods[0]], floats: starting.kit.floats, feed: [] });
  expect(kept.troll).toEqual(starting.troll);
});
