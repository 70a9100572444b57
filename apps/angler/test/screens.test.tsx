import { render, screen, userEvent } from '@testing-library/react-native';
import { shrunkenRates } from '@burrow/core/season';
import { activePrior, stayOrGo } from '@burrow/core/patch';
import { Choice } from '@/ui/Choice';
import { HoleClock } from '@/features/station/HoleClock';
import { RateDots } from '@/features/season/RateDots';
import { Stepper } from '@/ui/Stepper';
import { ThemeProvider } from '@/theme/theme';

jest.mock('expo-font', () => ({ useFonts: () => [true, null] }));

const show = (node: React.ReactElement) => render(<ThemeProvider name="day">{node}</ThemeProvider>);

test('a rate with too little line behind it says so instead of a figure', () => {
  const rows = shrunkenRates(
    [
      { key: 'low', minutes: 30, count: 4 },
      { key: 'man', minutes: 600, count: 20 },
    ],
    1,
  );
  show(<RateDots rows={rows} label={(key) => key} unit="fish an hour" effort={(minutes) => `${minutes} min of line`} />);
  expect(screen.getByText('not enough yet (30 min of line)')).toBeTruthy();
  expect(screen.getByText(rows[1].rate.mean.toFixed(1), { includeHiddenElements: true })).toBeTruthy();
});

test('the clock says until when, and go when time is up', () => {
  const quiet = { arrivedMs: 0, visitsMs: [], refusalsMs: [], bitesMs: [] };
  const { rerender } = show(<HoleClock clock={stayOrGo(quiet, activePrior, 0)} round={null} untilText="06:54" onPress={() => undefined} />);
  expect(screen.getByLabelText(/^Stay \d+ minutes, until 06:54/)).toBeTruthy();
  rerender(
    <ThemeProvider name="dusk">
      <HoleClock clock={stayOrGo(quiet, activePrior, 40 * 60_000)} round={null} untilText="06:54" onPress={() => undefined} />
    </ThemeProvider>,
  );
  expect(screen.getByLabelText(/^Go now\. Nothing in 40 min/)).toBeTruthy();
});

test('steppers and choices answer to a tap', async () => {
  const user = userEvent.setup();
  const steps: number[] = [];
  const chosen: string[] = [];
  show(
    <>
      <Stepper label="Clear ice" text="10 in" onStep={(d) => steps.push(d)} />
      <Choice
        label="Fish"
        options={[
          { id: 'a', label: 'Perch' },
          { id: 'b', label: 'Pike' },
        ]}
        value="a"
        onChange={(id) => chosen.push(id)}
      />
    </>,
  );
  await user.press(screen.getByLabelText('More Clear ice'));
  await user.press(screen.getByLabelText('Less Clear ice'));
  await user.press(screen.getByText('Pike'));
  expect(steps).toEqual([1, -1]);
  expect(chosen).toEqual(['b']);
});
