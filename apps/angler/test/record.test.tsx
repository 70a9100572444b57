import { demoWater, phoneAt, pointWater, visit, type Logged, type Visit } from './at-water';
import { fireEvent, screen } from '@testing-library/react-native';
import type { EventBodies, OutingState } from '@burrow/core/ledger';
import { offsetOf } from '@burrow/core/ledger';
import { FishSheet } from '@/features/station/FishSheet';
import { StationScreen } from '@/features/station/StationScreen';
import { EntrySheet } from '@/features/season/outing/EntrySheet';
import { PastOutingSheet } from '@/features/season/PastOutingSheet';
import { WaterScreen } from '@/features/water/WaterScreen';
import { OutlookScreen } from '@/features/outlook/OutlookScreen';
import { unitSystems, unsaid, usePreferences, type Preferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { baseMs, testId } from '../../../packages/core/test/events';

/*
 * What is written down: which fish, how heavy, where, and nothing that nobody said.
 */

const finland = pointWater('lake', [25.7, 62.3]);
const [hole, second] = [testId(), testId()];
const opened = (station: string, label: string, kind = 'hole'): EventBodies['station-opened'] => ({ station, kind, label, at: [25.7, 62.3] });
const log: Logged[] = [
  [1, 'station-opened', opened(hole, '1')],
  [5, 'station-opened', opened(second, '2')],
];

/** A sheet over the outing under way. */
function Over({ children }: { children: (outing: OutingState) => React.ReactNode }) {
  const { state } = useLedger();
  const outing = state.outings.at(-1);
  return outing ? children(outing) : null;
}
const nobody = () => undefined;
const fishSheet = () => (
  <Over>
    {(outing) => <FishSheet open onClose={nobody} outing={outing} zone="UTC" station={hole} line={undefined} depthM={null} bottomM={null} airC={null} onLogged={nobody} />}
  </Over>
);
function Late({ outing, of }: { outing: OutingState; of: string | null }) {
  const { units } = usePreferences();
  const entry = of === null ? null : outing.entries.find((e) => e.kind === of)!;
  return <EntrySheet outing={outing} zone="UTC" units={units} entry={entry} onClose={nobody} onDone={nobody} />;
}
const lateSheet = (of: string | null) =>
  function LateSheet() {
    return <Over>{(outing) => <Late outing={outing} of={of} />}</Over>;
  };
const typed = (label: string, text: string) => fireEvent.changeText(screen.getByLabelText(label), text);

describe('which fish', () => {
  test('a water that was never fished asks for it at the start, without weather too, and begins nothing before', async () => {
    await phoneAt(null);
    const at = await visit({ file: finland, preferences: { species: 'black-crappie', speciesOn: null } }, () => <WaterScreen />);
    await at.press('Another way');
    await at.press('Start outing: on the ice');
    expect(at.kinds()).toEqual([]);
    typed('Type a name, common or scientific', 'stizo');
    typed('Type a name, common or scientific', 'sander luc');
    await at.press('Zander');
    expect(at.wrote('outing-started')).toMatchObject([{ species: ['zander'], method: 'ice' }]);
    at.unmount();
  });

  test('a fish of one’s own naming, and anything, are choices', async () => {
    const at = await visit({ file: finland, preferences: { speciesOn: null } }, () => <WaterScreen />);
    await at.press('Another way');
    await at.press('Start outing: on the ice');
    typed('Type a name, common or scientific', 'Kultalahna');
    await at.press('Call it Kultalahna');
    expect(at.wrote('outing-started')[0].species).toEqual(['Kultalahna']);
    at.unmount();
  });

  test('the fish fished for is changed from the heading of the station, and the Outlook is for the same', async () => {
    const at = await visit({ file: finland, log, species: 'zander', method: 'ice', minutes: 9 }, () => <StationScreen />);
    await at.press(/^Hole 2, zander.* Fishing for Zander: change$/);
    typed('Type a name, common or scientific', 'burbot');
    await at.press('Burbot');
    expect(at.outing().species).toEqual(['burbot']);
    expect(at.kinds()).toEqual(['amended']);
    at.unmount();
  });

  test('on the sheet of the first fish nothing is chosen; of the next it is the one that was caught last here', async () => {
    const at = await visit({ file: finland, log, species: 'zander', minutes: 9 }, fishSheet);
    expect(screen.queryByRole('radio', { checked: true })).toBeNull();
    await at.press('Kept');
    expect(at.kinds()).toEqual([]);
    await at.choose('River perch');
    await at.press('Released');
    expect(at.wrote('fish-landed')).toMatchObject([{ species: 'european-perch', station: hole }]);
    await at.press('Kept');
    expect(at.wrote('fish-landed').map((f) => f.species)).toEqual(['european-perch', 'european-perch']);
    at.unmount();
  });

  test('a fish without figures says whose advice it takes', async () => {
    const at = await visit({ file: finland, preferences: { species: 'zander', speciesOn: 'here' } }, () => <OutlookScreen />);
    expect(await screen.findByText('No figures of its own for zander: advised on as the walleye.')).toBeTruthy();
    at.unmount();
  });
});

describe('how large', () => {
  test('weight, girth, length and a note are typed or stepped, and only what was said is written', async () => {
    const at = await visit({ file: finland, log, preferences: { units: unitSystems.imperial }, minutes: 9 }, fishSheet);
    await at.choose('Pike');
    await at.press('Weight, girth, photo, note');
    typed('Weight, lb', '12,5');
    typed('Girth, in', '15');
    await at.press('More Girth');
    typed('Note on this fish', ' by the reeds ');
    await at.press('Kept');
    const [fish] = at.wrote('fish-landed');
    expect(fish).toMatchObject({ species: 'northern-pike', weightG: 5669.9, girthMm: 387, note: 'by the reeds' });
    expect(fish).not.toHaveProperty('lengthMm');
    expect(fish).not.toHaveProperty('photo');
    at.unmount();
  });

  test('what is no figure is said, and not taken', async () => {
    const at = await visit({ file: finland, log, minutes: 9 }, fishSheet);
    await at.choose('Pike');
    await at.press('Weight, girth, photo, note');
    typed('Weight, g', 'heavy');
    expect(screen.getByText('Expected a figure above 0, such as 500.')).toBeTruthy();
    await at.press('Released');
    expect(at.wrote('fish-landed')[0]).not.toHaveProperty('weightG');
    at.unmount();
  });
});

describe('late entries', () => {
  test('a past outing is written at its own time, of its own fish and way, and ended', async () => {
    const at = await visit({ file: finland, minutes: 0 }, () => <PastOutingSheet onClose={nobody} />);
    await at.choose('On the ice');
    await at.choose('River perch');
    // Not before it is said when.
    await at.press('Add it');
    expect(at.kinds()).toEqual([]);
    const day = new Date(baseMs - 40 * 86_400_000).toISOString().slice(0, 10);
    fireEvent(screen.getByLabelText('It began'), 'change', { target: { value: `${day}T09:30` } });
    await at.press('Add it');
    expect(at.kinds()).toEqual(['outing-started', 'outing-ended']);
    const outing = at.outing();
    expect(new Date(outing.startedMs).toISOString()).toBe(`${day}T09:30:00.000Z`);
    expect(outing.endedMs! - outing.startedMs).toBe(4 * 3_600_000);
    expect(outing.species).toEqual(['european-perch']);
    at.unmount();
  });

  test('a hole is added late, where it is typed to have been, with the depth that was said and no other', async () => {
    const at = await visit({ file: finland, log, minutes: 30 }, lateSheet(null));
    await at.choose('A hole');
    await at.press('Add it');
    expect(at.kinds()).toEqual([]);
    typed('Latitude, longitude', '62.3005 N, 25.7010 E');
    await at.press('Add it');
    const [place] = at.wrote('station-opened');
    expect(place).toMatchObject({ kind: 'hole', label: '3', placed: { by: 'map' }, at: [25.701, 62.3005] });
    expect(at.kinds()).toEqual(['station-opened']);
    at.unmount();
  });

  test('ice is counted from nothing: the first tap is 1 cm', async () => {
    const at = await visit({ file: finland, log, minutes: 30 }, lateSheet(null));
    await at.choose('Ice');
    await at.press('More Clear ice');
    await at.press('More White ice');
    await at.press('Add it');
    expect(at.wrote('ice-measured')).toEqual([{ station: second, clearM: 0.01, whiteM: 0 }]);
    at.unmount();
  });

  test('a fish is moved to the place it was caught at, and nothing else of it changes', async () => {
    const caught: EventBodies['fish-landed'] = { fish: testId(), station: second, species: 'zander', lengthMm: 480, weightG: 1012.5, note: 'fat', depthM: 7 };
    const at = await visit({ file: finland, log: [...log, [9, 'fish-landed', caught]], minutes: 30 }, lateSheet('fish-landed'));
    await at.choose('Hole 1');
    await at.press('Save the correction');
    expect(at.wrote('amended').map((a) => a.body)).toEqual([{ station: hole }]);
    expect(at.outing().fish[0]).toMatchObject({ ...{ lengthMm: 480, weightG: 1012.5, note: 'fat', depthM: 7, species: 'zander' }, station: hole });
    at.unmount();
  });

  test('where a station lies is put right, with all that was logged there', async () => {
    const at = await visit({ file: finland, log: [...log, [9, 'reaction', { station: second, reaction: 'bite' }]], minutes: 30 }, lateSheet('station-opened'));
    typed('Latitude, longitude', '62.31, 25.72');
    await at.press('Save the correction');
    expect(at.outing().stations[0]).toMatchObject({ id: hole, at: [25.72, 62.31], placed: { by: 'map' }, depthM: null });
    expect(at.kinds()).toEqual(['amended']);
    expect(at.outing().reactions).toHaveLength(1);
    at.unmount();
  });

  test('an outing keeps the clocks it was logged by', () => {
    expect(offsetOf('2027-01-16T06:40:00.000-09:30')).toBe('-09:30');
    expect(offsetOf('2027-01-16T06:40:00Z')).toBe('+00:00');
  });
});

describe('another way', () => {
  const jig = { id: 'jig', name: 'Small jig', tackle: { ...unsaid, family: 'micro-jig' } };
  const spoon = { id: 'spoon', name: 'Spoon', tackle: { ...unsaid, family: 'spoon' } };
  const stand = testId();
  const standing: Logged[] = [
    [1, 'station-opened', { station: hole, kind: 'hole', label: '1', at: [25.7, 62.3] }],
    [2, 'line-down', { line: testId(), station: hole, rod: 'rod 1', presentation: 'Small jig' }],
    [3, 'method-changed', { method: 'cast' }],
    [4, 'station-opened', { station: stand, kind: 'stand', label: '2', at: [25.7, 62.3] }],
  ];
  const standOf = (preferences: Partial<Preferences>): Promise<Visit> => visit({ file: finland, log: standing, preferences, minutes: 9 }, () => <StationScreen />);

  test('an ice jig is no bait of a cast: what is on the line is asked', async () => {
    const at = await standOf({ presentations: [jig, spoon], presentation: 'jig' });
    expect(await screen.findByText('What is on the line?')).toBeTruthy();
    expect(screen.queryByText('Still Small jig')).toBeNull();
    await at.press('Spoon');
    await at.press(/^Cast/);
    expect(at.wrote('line-down')).toMatchObject([{ station: stand, presentation: 'Spoon' }]);
    at.unmount();
  });

  test('left unanswered, nothing is logged as the bait', async () => {
    const at = await standOf({ presentations: [jig], presentation: 'jig' });
    await at.press('Close');
    await at.press(/^Cast/);
    expect(at.wrote('line-down')).toHaveLength(1);
    expect(at.wrote('line-down')[0]).not.toHaveProperty('presentation');
    at.unmount();
  });

  test('every way can be started, whatever the model expects; on a river none over ice', async () => {
    const lake = await visit({ file: demoWater('cobble-pond'), species: 'black-crappie', preferences: { speciesOn: 'here' } }, () => <WaterScreen />);
    await lake.press('Another way');
    for (const name of ['Casting', 'From a boat or pier', 'Pole from a peg', 'Trolling, drifting']) expect(screen.getByText(name)).toBeTruthy();
    lake.unmount();
    const river = await visit({ file: pointWater('river', [16, 60]), preferences: { speciesOn: 'here' } }, () => <WaterScreen />);
    await river.press('Another way');
    expect(screen.queryByText('On the ice')).toBeNull();
    expect(screen.getByText('From a boat or pier')).toBeTruthy();
    river.unmount();
  });
});
