import { createHash, randomInt } from 'node:crypto';

/** Signs that are not taken for each other when read aloud. */
const signs = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A code of twelve signs to be read or typed: "K7QF-9WTD-3XMB", 59 bits. */
export function newCode(): string {
  const part = () => Array.from({ length: 4 }, () => signs[randomInt(signs.length)]).join('');
  return `${part()}-${part()}-${part()}`;
}

/** What is kept of a code: whoever reads the database cannot use it. Blanks, dashes and small letters make no difference. */
export const codeHash = (code: string): string => createHash('sha256').update(plainCode(code)).digest('hex');

/** A code of six signs, for a crew on the ice: "4KM7PR". It is good for an outing, and few tries are allowed. */
export const shortCode = (): string => Array.from({ length: 6 }, () => signs[randomInt(signs.length)]).join('');

/** A code as it was meant, however it was typed. */
export const plainCode = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');
