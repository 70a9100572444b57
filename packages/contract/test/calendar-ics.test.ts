import ICAL from 'ical.js';
import { calendarIcs, type CalendarEntry } from '../src/formats/calendar-ics';

/** Read by a program that is not ours. */
function read(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text) as never);
  return calendar.getAllSubcomponents('vevent').map((c) => {
    const event = new ICAL.Event(c);
    return {
      fromMs: event.startDate.toJSDate().getTime(),
      toMs: event.endDate.toJSDate().getTime(),
      title: event.summary,
      detail: event.description,
      place: event.location,
      uid: event.uid,
    };
  });
}

const at = (text: string) => Date.parse(text);
const window: CalendarEntry = { id: 'a', fromMs: at('2027-01-16T15:40Z'), toMs: at('2027-01-16T18:10Z'), title: 'Crappie feed', detail: 'Pressure falls; cloud.\nThen, "dusk".' };

test('hours come back from another program as they were given, with signs that the format uses itself', () => {
  const entries = [
    window,
    { ...window, id: 'b', title: 'Måned, sted; \\ og ÆØÅ', detail: 'x'.repeat(300) },
    // Over midnight, over the end of a year, and a moment.
    { ...window, id: 'c', fromMs: at('2026-12-31T23:30Z'), toMs: at('2027-01-01T01:00Z') },
    { ...window, id: 'd', toMs: window.fromMs },
  ];
  const found = read(calendarIcs(entries, 'Tamber Lake, west'));
  expect(found.map(({ title, detail, place }) => ({ title, detail, place }))).toEqual(entries.map(({ title, detail }) => ({ title, detail, place: 'Tamber Lake, west' })));
  expect(found.map((f) => f.fromMs)).toEqual(entries.map((e) => e.fromMs));
  expect(found.map((f) => f.toMs)).toEqual([entries[0].toMs, entries[1].toMs, entries[2].toMs, window.fromMs + 60_000]);
  expect(new Set(found.map((f) => f.uid)).size).toBe(4);
});

test('long lines are broken as the format asks', () => {
  const lines = calendarIcs([{ ...window, detail: 'cloud '.repeat(80) }], 'W').split('\r\n');
  for (const line of lines) expect(line.length).toBeLessThanOrEqual(75);
});

test('what ends before it begins is refused', () => expect(() => calendarIcs([{ ...window, toMs: window.fromMs - 1 }], 'W')).toThrow('expected an end after the beginning'));
