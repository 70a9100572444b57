import type { z } from 'zod';

/** What a kind of value is called by those who write files, not programs. */
const kinds: Readonly<Record<string, string>> = {
  object: 'named values in braces {…}',
  record: 'named values in braces {…}',
  array: 'a list [..]',
  tuple: 'a list [..]',
  string: 'a text in quotes',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  undefined: 'nothing',
  null: 'nothing (null)',
  nan: 'no number',
  NaN: 'no number',
};

const kindOf = (name: string) => kinds[name] ?? name;

/** A complaint of the checker in plain words; its own where it says what was expected already. */
function inWords(message: string): string {
  const type = /^Invalid input: expected (\w+), received (\w+)$/.exec(message);
  if (type) return `expected ${kindOf(type[1])}, found ${kindOf(type[2])}`;
  const exactly = /^Invalid input: expected (".*"|-?[\d.]+)$/.exec(message);
  if (exactly) return `expected ${exactly[1]}`;
  const option = /^Invalid option: expected one of (.*)$/.exec(message);
  if (option) return `expected one of ${option[1].replaceAll('"', '').split('|').join(', ')}`;
  const size = /^Too (?:small|big): expected (\w+) to (?:be|have) (>=|>|<=|<)\s?(-?[\d.]+)(?: (\w+))?$/.exec(message);
  if (size) {
    const bound = { '>=': 'at least', '>': 'more than', '<=': 'at most', '<': 'less than' }[size[2]]!;
    return `expected ${bound} ${size[3]}${size[4] ? ` ${size[4]}` : ''}`;
  }
  if (message.startsWith('Invalid ISO datetime')) return 'expected a time with its offset, such as 2027-01-16T06:40:00-09:00';
  if (message === 'Invalid UUID' || message === 'Invalid UUIDv7') return 'expected an id, a UUID of version 7';
  if (message === 'Invalid email address') return 'expected an e-mail address';
  if (message === 'Invalid input') return 'expected another form';
  return message;
}

/** The first thing wrong with a value, in one line: where, and what was expected. */
export function firstProblem(error: z.ZodError): string {
  const [issue] = error.issues;
  const where = issue.path.length > 0 ? issue.path.map(String).join('.') : 'value';
  return `${where}: ${inWords(issue.message)}`;
}
