const digit = (s: string, i: number) => s.charCodeAt(i) - 48;
const two = (s: string, i: number) => digit(s, i) * 10 + digit(s, i + 1);

/** Days from 1970 to the first of a month of the Gregorian calendar. Source: Howard Hinnant, days_from_civil. */
function daysFromCivil(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yoe = y - era * 400;
  const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146_097 + yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy - 719_468;
}

/**
 * Milliseconds of an ISO 8601 instant. The ledger's own form (YYYY-MM-DDTHH:MM:SS.mmm±HH:MM or Z) is read without a Date,
 * since a fold reads every event's; other forms go through Date. NaN for what is no instant.
 */
export function instantOf(iso: string): number {
  const length = iso.length;
  const sign = iso.charCodeAt(23);
  if ((length === 29 && (sign === 43 || sign === 45) && iso.charCodeAt(19) === 46) || (length === 24 && sign === 90)) {
    const days = daysFromCivil(two(iso, 0) * 100 + two(iso, 2), two(iso, 5), two(iso, 8));
    const ms = digit(iso, 20) * 100 + two(iso, 21);
    const local = ((days * 24 + two(iso, 11)) * 60 + two(iso, 14)) * 60_000 + two(iso, 17) * 1000 + ms;
    if (length === 24) return local;
    const offset = (two(iso, 24) * 60 + two(iso, 27)) * 60_000;
    return sign === 43 ? local - offset : local + offset;
  }
  return Date.parse(iso);
}

/** The offset that an ISO 8601 instant is written in, such as +02:00; +00:00 for one in UTC. */
export const offsetOf = (iso: string): string => /[+-]\d{2}:\d{2}$/.exec(iso)?.[0] ?? '+00:00';
