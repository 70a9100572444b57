import { z } from 'zod';

export interface ListSize {
  least?: number;
  most: number;
}

/**
 * A list that is measured before it is read and read to its first bad member only, so that a long bad list costs no more than a short one:
 * a plain array schema collects the complaints of every member first.
 */
export const listOf = <T extends z.ZodType>(member: T, { least = 0, most }: ListSize) =>
  z.array(z.unknown()).transform((values, context): z.output<T>[] => {
    const complain = (message: string, path: PropertyKey[] = []) => {
      context.issues.push({ code: 'custom', message, path, input: values });
      return z.NEVER;
    };
    if (values.length < least) return complain(`expected at least ${least} items`);
    if (values.length > most) return complain(`expected at most ${most} items, found ${values.length}`);
    const read: z.output<T>[] = [];
    for (const [i, value] of values.entries()) {
      const parsed = member.safeParse(value);
      if (!parsed.success) {
        const [issue] = parsed.error.issues;
        return complain(issue.message, [i, ...issue.path]);
      }
      read.push(parsed.data);
    }
    return read;
  });
