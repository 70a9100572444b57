import { ledgerEvent } from '@burrow/contract';
import type { EventBodies, EventKind } from '@burrow/core/ledger';
import { imperial, metric } from '@burrow/core/units';
import { stepped } from '@/features/entries/figures';
import { entryKinds, figuresOf, isFigureKind } from '@/features/entries/kinds';
import { event, testId } from '../../../packages/core/test/events';

/** What an entry of each kind says beside its figures. */
const beside: Partial<Record<EventKind, object>> = {
  'ice-measured': { station: testId() },
  'temperature-measured': { station: testId() },
  'clarity-measured': { station: testId() },
  'level-measured': { by: 'mark' },
  plumbed: { station: testId() },
  'flow-timed': { station: testId() },
  'bag-weighed': { station: testId() },
  fed: { station: testId(), what: 'crumb' },
  cast: { station: testId(), cast: testId() },
  felt: { station: testId(), what: 'hard' },
};
const kinds = (Object.keys(entryKinds) as EventKind[]).filter(isFigureKind);

describe.each([
  ['feet', imperial],
  ['metres', metric],
] as const)('in %s', (_, units) => {
  test.each(kinds)('whatever the keys are pressed to, %s stays an entry that the ledger takes', (kind) => {
    expect(isFigureKind(kind)).toBe(true);
    const figures = figuresOf(kind, units);
    const pressed = (direction: 1 | -1 | 0, isBig: boolean) =>
      Object.fromEntries(
        figures.map((f) => {
          let value = stepped(f, null, 1);
          for (let k = 0; direction !== 0 && k < 400; k++) value = stepped(f, value, direction, isBig);
          return [f.field, value];
        }),
      );
    for (const body of [pressed(0, false), pressed(1, false), pressed(-1, false), pressed(1, true), pressed(-1, true)]) {
      const made = event(testId(), 0, kind, { ...beside[kind], ...body } as unknown as EventBodies[typeof kind]);
      expect([body, ledgerEvent.safeParse(made).error?.issues ?? []]).toEqual([body, []]);
      for (const f of figures) expect(f.text(body[f.field])).not.toMatch(/NaN|undefined/);
    }
  });
});

test('the first step sets what was not known, and a bearing goes round', () => {
  const [bearing, length] = figuresOf('cast', metric);
  expect(stepped(length, null, -1)).toBe(length.start);
  expect(stepped(bearing, 0, -1)).toBe(355);
  expect(stepped(bearing, 355, 1)).toBe(0);
});

test('in feet a tap of a foot logs a foot: so many taps of a step come to so many steps, to the millimetre', () => {
  for (const kind of kinds)
    for (const figure of figuresOf(kind, imperial).filter((f) => f.field === 'depthM' || f.field === 'outM' || f.field === 'distanceM')) {
      let value = stepped(figure, null, 1);
      const start = value;
      for (let taps = 1; taps <= 20; taps++) {
        value = stepped(figure, value, 1);
        expect(Math.abs(value - start - taps * figure.stepBy)).toBeLessThan(0.001 * taps);
      }
    }
});
