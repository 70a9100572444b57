import { createHash, randomInt } from 'node:crypto';

/** Signs that are not taken for each other when read aloud. */
const signs = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A code of twelve signs to be read or typed: "K7QF-9WTD-3XMB", 59 bits. */
export function newCode(): string {
  const part = () => Array.from({ length: 4 }, () => signs[randomInt(signs.length)]).join('');
  return `${part()}-${part()}-${part()}`;
}

/** What is kept of a code: whoever reads the database cannot use it. Blanks, dashes and small letters make no difference. */
export const codeHash = (code: string): string =>
  createHash('sha256')
    .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
    .digest('hex');
