import { z } from 'zod';

/** Text that every store takes: no NUL, which PostgreSQL refuses, and no half of a surrogate pair, which is no character. */
export const isStorableText = (text: string): boolean => !text.includes('\0') && !/[\uD800-\uDFFF]/u.test(text);

const expectedText = 'expected text of whole characters without NUL';

/** A text of `least` to `most` characters. */
export const storableText = (least: number, most: number) => z.string().min(least).max(most).refine(isStorableText, expectedText);

/** How deep and how wide a value without a schema of its own may be. */
export interface ValueLimits {
  depth: number;
  values: number;
}

/** What is wrong with a value out of JSON that no schema describes: text that cannot be kept, or nesting and size past the limits; null when it is fine. */
export function valueProblem(value: unknown, limits: ValueLimits): string | null {
  const waiting: { value: unknown; depth: number }[] = [{ value, depth: 1 }];
  for (let seen = 0; waiting.length > 0; seen++) {
    if (seen >= limits.values) return `expected at most ${limits.values} values, found more`;
    const { value: next, depth } = waiting.pop()!;
    if (typeof next === 'string' && !isStorableText(next)) return expectedText;
    if (typeof next !== 'object' || next === null) continue;
    if (depth > limits.depth) return `expected values nested at most ${limits.depth} deep, found deeper`;
    for (const [key, inner] of Object.entries(next)) {
      if (!isStorableText(key)) return expectedText;
      waiting.push({ value: inner, depth: depth + 1 });
    }
  }
  return null;
}
