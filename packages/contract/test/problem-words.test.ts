import { z } from 'zod';
import { firstProblem } from '../src';

const form = z.object({
  name: z.string(),
  depth: z.number().min(0).max(300),
  kind: z.enum(['lake', 'river']),
  places: z.array(z.number()).min(3),
  at: z.iso.datetime({ offset: true }),
  mark: z.literal('header'),
});
const good = { name: 'a', depth: 1, kind: 'lake', places: [1, 2, 3], at: '2027-01-16T06:40:00-09:00', mark: 'header' };
const said = (value: unknown) => {
  const parsed = form.safeParse(value);
  return parsed.success ? null : firstProblem(parsed.error);
};

test.each([
  [good, null],
  [undefined, 'value: expected named values in braces {…}, found nothing'],
  [[1], 'value: expected named values in braces {…}, found a list [..]'],
  [{ ...good, name: 3 }, 'name: expected a text in quotes, found a number'],
  [{ ...good, name: undefined }, 'name: expected a text in quotes, found nothing'],
  [{ ...good, depth: '3' }, 'depth: expected a number, found a text in quotes'],
  [{ ...good, depth: -1 }, 'depth: expected at least 0'],
  [{ ...good, depth: 400 }, 'depth: expected at most 300'],
  [{ ...good, kind: 'pond' }, 'kind: expected one of lake, river'],
  [{ ...good, places: [1] }, 'places: expected at least 3 items'],
  [{ ...good, at: 'noon' }, 'at: expected a time with its offset, such as 2027-01-16T06:40:00-09:00'],
  [{ ...good, mark: 'x' }, 'mark: expected "header"'],
])('what is wrong is said in words (%#)', (value, words) => {
  expect(said(value)).toBe(words);
});
