import { act, render, screen } from '@testing-library/react-native';
import { Suspense } from 'react';
import { Text } from '@/ui/Text';
import { Notice } from '@/ui/Notice';
import { lazily, untilItComes } from '@/ui/lazily';
import { ThemeProvider } from '@/theme/theme';

afterEach(() => jest.useRealTimers());

test('a part that a weak signal loses is asked for again, with longer and longer pauses', async () => {
  const pauses: number[] = [];
  let tries = 0;
  const load = () => (++tries < 8 ? Promise.reject(new Error('the part did not come')) : Promise.resolve('the part'));
  await expect(untilItComes(load, async (ms) => void pauses.push(ms))).resolves.toBe('the part');
  expect(pauses).toEqual([500, 1000, 2000, 4000, 8000, 8000, 8000]);
});

test('it is shown when it comes, and a wait of 20 s is said to be too long, with a way out', async () => {
  jest.useFakeTimers();
  let comes = false;
  const Part = lazily(() => (comes ? Promise.resolve(() => <Text>The part</Text>) : Promise.reject(new Error('lost'))));
  render(
    <ThemeProvider name="day">
      <Suspense fallback={<Notice title="Coming up" busy />}>
        <Part />
      </Suspense>
    </ThemeProvider>,
  );
  await act(() => jest.advanceTimersByTimeAsync(19_000));
  expect(screen.queryByText('Open the page anew')).toBeNull();
  await act(() => jest.advanceTimersByTimeAsync(2_000));
  expect(screen.getByText('Open the page anew')).toBeTruthy();
  comes = true;
  await act(() => jest.advanceTimersByTimeAsync(9_000));
  expect(screen.getByText('The part')).toBeTruthy();
  expect(screen.queryByText('Open the page anew')).toBeNull();
});
