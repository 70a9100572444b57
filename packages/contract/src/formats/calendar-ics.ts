import { createEvents, type DateTime } from 'ics';

/** Something with a beginning and an end, for a calendar. */
export interface CalendarEntry {
  /** The same for the same thing, so that a calendar that reads it again has it once. */
  id: string;
  fromMs: number;
  /** Not before `fromMs`; the same for a moment. */
  toMs: number;
  title: string;
  detail: string;
}

const inUtc = (ms: number): DateTime => {
  const d = new Date(ms);
  return [d.getUTCFullYear(), d.getUTCMonth() + 1, d.getUTCDate(), d.getUTCHours(), d.getUTCMinutes()];
};

/** A calendar file (RFC 5545) of hours at a water, in UTC, which every calendar shows in its own time. RangeError for an entry that ends before it begins. */
export function calendarIcs(entries: readonly CalendarEntry[], place: string): string {
  const wrong = entries.find((e) => !(e.toMs >= e.fromMs));
  if (wrong) throw new RangeError(`calendar: expected an end after the beginning, found "${wrong.title}" that ends before`);
  const { error, value } = createEvents(
    entries.map((e) => ({
      uid: `${e.id}@vivid-burrow`,
      productId: 'vivid-burrow',
      start: inUtc(e.fromMs),
      startInputType: 'utc' as const,
      startOutputType: 'utc' as const,
      end: inUtc(Math.max(e.toMs, e.fromMs + 60_000)),
      endInputType: 'utc' as const,
      endOutputType: 'utc' as const,
      title: e.title,
      description: e.detail,
      location: place,
      busyStatus: 'FREE' as const,
    })),
  );
  if (error) throw error;
  return value!;
}
