import { Coach, cadences, type Advice } from '@burrow/core/coach';
import { DrillLog, floatSchedule, floatSigns, type DrillReview } from '@burrow/core/practice';
import { render, screen, userEvent } from '@testing-library/react-native';
import { FloatDrill } from '@/features/practice/FloatDrill';
import { Lessons } from '@/features/practice/Lessons';
import { Review } from '@/features/practice/Review';
import { unitSystems } from '@/data/preferences';
import { ThemeProvider } from '@/theme/theme';

const mockLedger = { state: { drills: [] }, ledger: { write: jest.fn() } };
jest.mock('@/data/session', () => ({ useLedger: () => mockLedger }));
jest.mock('@/ui/useShortcuts', () => ({ useShortcuts: () => undefined }));

const show = (node: React.ReactElement) => render(<ThemeProvider name="day">{node}</ThemeProvider>);
const mark = { id: 1, depthM: 6, kind: 'fish' as const, levelDb: -40, riseMs: 0, ageMs: 3000 };
const state = (t: number, marks = [mark]) => ({ t, bottomM: 8, jigM: 4, marks });

/** A drill of two looks: for the first the learner leaves the jig where it is, for the second it follows the coach. */
function drilled(): DrillReview {
  const first = new Coach({ speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 }).update(state(0))!;
  const second: Advice = { ...first, ruleId: 'look.stalled', sinceMs: 10_000, jigM: 5.7, cadence: cadences.quiver };
  const log = new DrillLog();
  for (let i = 0; i < 200; i++) {
    const isLate = i >= 100;
    log.push({
      state: state(100 * i),
      advice: isLate ? second : first,
      lineM: isLate ? 5.7 : 1.5,
      cadence: isLate ? 'quiver' : 'call',
      fish: [{ id: 7, depthM: 6, state: isLate && i > 120 ? 'approach' : 'pass' }],
    });
  }
  return log.review();
}

describe('review of a drill', () => {
  test('begins where most was lost, and says what was done, what the coach would have done, and what the fish did', async () => {
    const onAgain = jest.fn();
    show(<Review review={drilled()} title="A lively stack" best={88} onAgain={onAgain} onClose={() => undefined} units={unitSystems.metric} />);
    expect(screen.getByText(/^\d+ of 100 over 2 decisions$/)).toBeTruthy();
    expect(screen.getByText(/A lively stack, 0:19|A lively stack, 0:20/)).toBeTruthy();
    expect(screen.getByText(/Best so far 88\./)).toBeTruthy();
    expect(screen.getByText('Decision 1, at 0:00')).toBeTruthy();
    for (const label of ['You', 'Coach', 'Fish']) expect(screen.getByText(label)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Before' }).props.accessibilityState?.disabled ?? screen.getByRole('button', { name: 'Before' }).props['aria-disabled']).toBe(true);
    await userEvent.press(screen.getByRole('button', { name: 'Next' }));
    expect(screen.getByText('Decision 2, at 0:10')).toBeTruthy();
    expect(screen.getByText('100')).toBeTruthy();
    await userEvent.press(screen.getByRole('button', { name: 'Once more' }));
    expect(onAgain).toHaveBeenCalled();
  });

  test('a drill without a decision says so and shows no score', () => {
    show(<Review review={new DrillLog().review()} title="Empty water" best={null} onAgain={() => undefined} onClose={() => undefined} units={unitSystems.imperial} />);
    expect(screen.getByText('Nothing to decide yet')).toBeTruthy();
    expect(screen.getByText(/Give it a minute or two/)).toBeTruthy();
    expect(screen.queryByText(/Best so far/)).toBeNull();
  });
});

test('the lessons tell their figures in the angler’s units, none of them empty', () => {
  show(<Lessons units={unitSystems.metric} />);
  for (const title of ['The cone', 'A mark at the edge', 'The blind strip on a slope', 'Two lines in one cone']) expect(screen.getByText(title)).toBeTruthy();
  // 2 · 6 m · tan 10° = 2.12 m.
  expect(screen.getByText(/20° beam covers 2\.1 m across at 6 m/)).toBeTruthy();
  screen.unmount();
  show(<Lessons units={unitSystems.imperial} />);
  expect(screen.getByText(/20° beam covers 7 ft across at 19\.5 ft/)).toBeTruthy();
  expect(screen.queryByText(/NaN|undefined/)).toBeNull();
});

describe('a drill on a float', () => {
  test('begins, is struck, ends early, and is told sign by sign and kept in the log', async () => {
    const wrote = jest.fn();
    mockLedger.ledger.write = wrote;
    let nowMs = 0;
    jest.spyOn(Date, 'now').mockImplementation(() => nowMs);
    const user = userEvent.setup();
    show(<FloatDrill />);
    await user.press(screen.getByRole('button', { name: 'Begin' }));
    const [first, second] = floatSchedule(1);
    nowMs = 1000 * (first.atS + 0.3);
    await user.press(screen.getByRole('button', { name: 'Strike' }));
    expect(screen.getByText(new RegExp(`^${floatSigns[first.says].isFish ? 'Fish' : 'Nothing'}\\. `))).toBeTruthy();
    nowMs = 1000 * (second.atS + second.lastsS + 1);
    await user.press(screen.getByRole('button', { name: 'End' }));
    expect(screen.getByText(/^\d+ of 100$/)).toBeTruthy();
    expect(screen.getByText(new RegExp(`^${floatSigns[second.says].name}, (missed|let be: right)$`))).toBeTruthy();
    expect(wrote).toHaveBeenCalledWith(expect.anything(), 'drill-done', expect.objectContaining({ scene: 'float', decisions: 2 }));
    jest.restoreAllMocks();
  });
});
