import { demoWater, openKey, phoneAt, phoneGoesQuiet, phoneIsSlow, pointWater, visit } from './at-water';
import { screen } from '@testing-library/react-native';
import { middleOfWater, shoreOf } from '@burrow/contract/formats/water-geojson';
import { bearingDeg, distanceM, placeAlong, type LonLat } from '@burrow/core/ground';
import { methodOf } from '@burrow/core/methods';
import { WaterScreen } from '@/features/water/WaterScreen';

const lake = demoWater('tamber-lake');
const river = demoWater('ullen-river');
const middle = middleOfWater(lake);
const opened = (method: string) => methodOf(method)!.opened;
const button = (name: string | RegExp) => screen.queryByRole('button', { name });

/** A place so far from the shore of a water, m: out on land where positive. */
function offShore(file: typeof lake, outM: number): LonLat {
  const [corner] = shoreOf(file)!;
  return placeAlong(corner, bearingDeg(middleOfWater(file), corner), outM);
}

beforeEach(() => phoneAt(null));

describe('where the phone may say where it is', () => {
  test('its place is logged as it is when the key is pressed, not as it was when the map opened', async () => {
    await phoneAt(middle, 6);
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByText(/^You, by the phone within 6 m, just now\. The ring is \d+ m \S+ of you\.$/);
    const walked = placeAlong(middle, 90, 60);
    await phoneAt(walked, 4);
    await at.press('Drill here');
    await at.press('Hole is drilled');
    const [hole] = at.wrote('station-opened');
    expect(distanceM(hole.at, walked)).toBeLessThan(0.1);
    expect(hole.placed).toEqual({ by: 'phone', accuracyM: 4 });
    expect(hole.mapDepthM).toBeGreaterThan(1);
    expect(at.went()).toBe('/hole');
    at.unmount();
  });

  test('the place advised is logged only by the key that says so', async () => {
    await phoneAt(middle, 6);
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByText(/^You, by the phone/);
    await screen.findByRole('button', { name: 'I am at the ring' });
    const ring = at.chart.candidate!;
    expect(distanceM(ring, middle)).toBeGreaterThan(20);
    await at.press('I am at the ring');
    await at.press('Hole is drilled');
    const [hole] = at.wrote('station-opened');
    expect(hole.at).toEqual([...ring]);
    expect(hole.placed).toEqual({ by: 'map' });
    at.unmount();
  });

  test('a tap goes before the phone, and is logged as the map’s', async () => {
    await phoneAt(middle, 6);
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByText(/^You, by the phone/);
    const tapped = placeAlong(middle, 0, 40);
    await at.tap(tapped);
    expect(screen.getByText('The place you tapped.')).toBeTruthy();
    await at.press('Drill here');
    await at.press('Hole is drilled');
    expect(at.wrote('station-opened')[0]).toMatchObject({ at: [...tapped], placed: { by: 'map' } });
    at.unmount();
  });

  test('far from the water it is no place to fish: it is said, and only the ring and a tap are left', async () => {
    await phoneAt(offShore(lake, 4000), 5);
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByText('You are not at this water');
    await screen.findByRole('button', { name: 'I am at the ring' });
    expect(button('Drill here')).toBeNull();
    at.unmount();
  });

  test('a phone gone quiet since logs nothing of an old place, and says so', async () => {
    await phoneAt(middle, 6);
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByText(/^You, by the phone/);
    phoneGoesQuiet();
    await at.press('Drill here');
    await screen.findByText('The phone does not say any more where it is. Tap the map, or try again.');
    expect(at.kinds()).toEqual([]);
    expect(button('Hole is drilled')).toBeNull();
    at.unmount();
  });

  test.each([
    [30, true],
    [90, false],
  ])('a phone that stands still and takes too long to say so anew, %d s after it was read: logged %s', async (ageS, isLogged) => {
    await phoneAt(middle, 6);
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByText(/^You, by the phone/);
    phoneIsSlow(1000 * ageS);
    await at.press('Drill here');
    expect(button('Hole is drilled') !== null).toBe(isLogged);
    at.unmount();
  });

  test.each([
    ['ice', 20, 3, false],
    ['ice', 4, 8, true],
    ['cast', 20, 3, true],
    ['cast', 90, 3, false],
    ['pole', 8, 3, true],
    ['troll', 20, 3, false],
  ])('%s: %d m off the shore, the phone sure to %d m, is a place to fish from: %s', async (method, outM, accuracyM, isPlace) => {
    const file = method === 'ice' || method === 'troll' ? lake : river;
    await phoneAt(offShore(file, outM), accuracyM);
    const at = await visit({ file, method, log: [] }, () => <WaterScreen />);
    await screen.findByText(isPlace ? /^You, by the phone/ : 'You are not at this water');
    expect(button(openKey(method)) !== null && screen.getByRole('button', { name: openKey(method) }).props.accessibilityState?.disabled !== true).toBe(isPlace);
    at.unmount();
  });
});

describe('where it may not', () => {
  test('the ring is stood at, or the place tapped', async () => {
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByRole('button', { name: 'I am at the ring' });
    expect(button('Drill here')).toBeNull();
    const tapped = placeAlong(middle, 180, 30);
    await at.tap(tapped);
    expect(button('I am at the ring')).toBeNull();
    await at.press('Drill here');
    await at.press('Hole is drilled');
    expect(at.wrote('station-opened')[0]).toMatchObject({ at: [...tapped], placed: { by: 'map' } });
    at.unmount();
  });

  test.each(['ice', 'cast', 'pole', 'troll'] as const)('%s on a water without a depth: nothing is opened in its middle by itself', async (method) => {
    const file = pointWater(method === 'pole' ? 'channel' : 'lake', [25.4, 62.1]);
    const at = await visit({ file, method, log: [] }, () => <WaterScreen />);
    const key = await screen.findByRole('button', { name: openKey(method) });
    expect(key.props.accessibilityState?.disabled ?? key.props['aria-disabled']).toBe(true);
    expect(screen.getByText('Where are you?')).toBeTruthy();
    const tapped: LonLat = [25.4011, 62.1004];
    await at.tap(tapped);
    await at.press(openKey(method));
    await at.press(opened(method));
    const [station] = at.wrote('station-opened');
    expect(station).toMatchObject({ at: [...tapped], placed: { by: 'map' } });
    expect(station).not.toHaveProperty('mapDepthM');
    at.unmount();
  });

  test('nothing that nobody touched is logged with a hole: no ice, no depth', async () => {
    const at = await visit({ file: lake, log: [] }, () => <WaterScreen />);
    await screen.findByRole('button', { name: 'I am at the ring' });
    await at.press('I am at the ring');
    await at.press('Hole is drilled');
    expect(at.kinds()).toEqual(['station-opened']);
    const [hole] = at.outing().stations;
    expect(hole).toMatchObject({ depthM: null, clearIceM: null, whiteIceM: null, placed: { by: 'map', accuracyM: null } });
    at.unmount();
  });
});
