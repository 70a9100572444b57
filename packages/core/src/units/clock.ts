export const minuteMs = 60_000;
export const hourMs = 3_600_000;
export const dayMs = 86_400_000;

/** An offset as a zone of its own: +02:00. */
const fixedZone = /^([+-])(\d{2}):(\d{2})$/;

/**
 * Offset of a time zone from UTC at an instant, in milliseconds: of an IANA zone, or of a fixed one such as +02:00.
 * Throws RangeError for an unknown zone.
 */
export function zoneOffsetMs(atMs: number, timeZone: string): number {
  const fixed = fixedZone.exec(timeZone);
  if (fixed) return (fixed[1] === '-' ? -1 : 1) * (Number(fixed[2]) * 60 + Number(fixed[3])) * minuteMs;
  const parts = zoneFormat(timeZone).formatToParts(atMs);
  const of = (type: string) => Number(parts.find((part) => part.type === type)?.value);
  const local = Date.UTC(of('year'), of('month') - 1, of('day'), of('hour') % 24, of('minute'), of('second'));
  return local - Math.floor(atMs / 1000) * 1000;
}

const formats = new Map<string, Intl.DateTimeFormat>();
function zoneFormat(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-US', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
    });
    formats.set(timeZone, format);
  }
  return format;
}

/** Local wall-clock fields of an instant at a water. */
export function localTime(atMs: number, timeZone: string) {
  const local = new Date(atMs + zoneOffsetMs(atMs, timeZone));
  return {
    year: local.getUTCFullYear(),
    month: local.getUTCMonth() + 1,
    day: local.getUTCDate(),
    weekday: local.getUTCDay(),
    hour: local.getUTCHours(),
    minute: local.getUTCMinutes(),
  };
}

const two = (n: number) => String(n).padStart(2, '0');

/** "06:40" at the water. */
export function clockText(atMs: number, timeZone: string): string {
  const t = localTime(atMs, timeZone);
  return `${two(t.hour)}:${two(t.minute)}`;
}

const weekdays = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** "Sat 16 Jan" at the water. */
export function dayText(atMs: number, timeZone: string): string {
  const t = localTime(atMs, timeZone);
  return `${weekdays[t.weekday]} ${t.day} ${months[t.month - 1]}`;
}

/** The instant of local midnight that begins the local day of `atMs`. */
export function startOfDay(atMs: number, timeZone: string): number {
  const offset = zoneOffsetMs(atMs, timeZone);
  const midnight = Math.floor((atMs + offset) / dayMs) * dayMs - offset;
  return midnight + (offset - zoneOffsetMs(midnight, timeZone));
}

/** ISO 8601 with the water's own offset, such as 2027-01-16T06:40:00.000-07:00. */
export function isoWithOffset(atMs: number, timeZone: string): string {
  const offset = zoneOffsetMs(atMs, timeZone);
  const minutes = Math.round(Math.abs(offset) / minuteMs);
  const sign = offset < 0 ? '-' : '+';
  return `${new Date(atMs + offset).toISOString().slice(0, -1)}${sign}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}

/** Wall-clock time of a zone as a form holds it: 2027-01-16T06:40. */
export const wallClock = (atMs: number, timeZone: string): string => isoWithOffset(atMs, timeZone).slice(0, 16);

/** The instant of a wall-clock time (2027-01-16T06:40) in a zone, ms; NaN for what is none. An hour that the clocks skip is that before it. */
export function fromWallClock(text: string, timeZone: string): number {
  const local = Date.parse(`${text}Z`);
  if (Number.isNaN(local)) return Number.NaN;
  const guess = local - zoneOffsetMs(local, timeZone);
  return local - zoneOffsetMs(guess, timeZone);
}

/** A span as "5 min", "3 h" or "2 days", days rounded, the rest rounded down; under a minute "now". */
export function spanText(spanMs: number): string {
  const minutes = Math.floor(spanMs / minuteMs);
  if (minutes < 1) return 'now';
  if (minutes < 60) return `${minutes} min`;
  if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h`;
  return `${Math.round(minutes / 1440)} days`;
}

/** How long ago: "just now", "40 s ago", "3 min ago". */
export function agoText(spanMs: number): string {
  if (spanMs < 10_000) return 'just now';
  return spanMs < minuteMs ? `${Math.floor(spanMs / 10_000) * 10} s ago` : `${spanText(spanMs)} ago`;
}
