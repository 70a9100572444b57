import fc from 'fast-check';
import { fold, instantOf, type LedgerEvent } from '../src/ledger';
import { event, shortOuting, testId } from './events';

const shuffled = (events: readonly LedgerEvent[], order: readonly number[]) =>
  events
    .map((e, i) => ({ e, k: order[i % order.length] ^ i }))
    .sort((a, b) => a.k - b.k)
    .map(({ e }) => e);

test('an outing adds up', () => {
  const { events, hole } = shortOuting();
  const [outing] = fold(events).outings;
  expect(outing.endedMs).not.toBeNull();
  expect(outing.stations).toMatchObject([{ id: hole, depthM: 7.5, clearIceM: 0.25 }]);
  expect(outing.lines[0].upMs! - outing.lines[0].downMs).toBe(1800_000);
  expect(outing.lines[0].depths.map((d) => d.depthM)).toEqual([6.5, 5.5]);
  expect(outing.fish).toMatchObject([{ species: 'black-crappie', fate: 'released' }]);
  expect(outing.reactions.map((r) => r.kind)).toEqual(['looked', 'bite']);
});

test('order of arrival and doubles change nothing', () => {
  const events = [...shortOuting().events, ...shortOuting().events];
  const expected = fold(events);
  fc.assert(
    fc.property(fc.array(fc.nat(1000), { minLength: 3, maxLength: 30 }), fc.array(fc.nat(events.length - 1), { maxLength: 12 }), (order, doubled) => {
      expect(fold(shuffled([...events, ...doubled.map((i) => events[i])], order))).toEqual(expected);
    }),
    { numRuns: 60 },
  );
});

test('undo takes back, undoing the undo gives back', () => {
  const { events, outing } = shortOuting();
  const bite = events.find((e) => e.kind === 'reaction' && e.body.reaction === 'bite')!;
  const undo = event(outing, 700, 'undone', { target: bite.id });
  expect(fold([...events, undo]).outings[0].reactions.map((r) => r.kind)).toEqual(['looked']);
  const redo = event(outing, 710, 'undone', { target: undo.id });
  expect(fold([...events, undo, redo])).toEqual(fold(events));
});

test('the last amendment counts, until it is undone', () => {
  const { events, outing } = shortOuting();
  const landed = events.find((e) => e.kind === 'fish-landed')!;
  const first = event(outing, 800, 'amended', { target: landed.id, body: { lengthMm: 260 } });
  const second = event(outing, 900, 'amended', { target: landed.id, body: { lengthMm: 270 } });
  const undo = event(outing, 950, 'undone', { target: second.id });
  const length = (all: LedgerEvent[]) => fold(all).outings[0].fish[0].lengthMm;
  expect(length([...events, second, first])).toBe(270);
  expect(length([...events, first, second, undo])).toBe(260);
});

test('events of an outing that has not arrived yet wait for it', () => {
  const { events } = shortOuting();
  expect(fold(events.slice(1)).outings).toEqual([]);
  expect(fold([...events.slice(1), events[0]]).outings).toHaveLength(1);
});

test('a fish kept by one phone before the other has landed it still counts', () => {
  const { events } = shortOuting();
  const reversed = fold([...events].reverse());
  expect(reversed.outings[0].fish[0].fate).toBe('released');
});

test('instants read like Date does, in the ledger’s form and in others', () => {
  fc.assert(
    fc.property(fc.integer({ min: Date.UTC(1990, 0), max: Date.UTC(2080, 0) }), fc.integer({ min: -14 * 60, max: 14 * 60 }), (ms, offset) => {
      const sign = offset < 0 ? '-' : '+';
      const two = (n: number) => String(n).padStart(2, '0');
      const local = new Date(ms + offset * 60_000).toISOString().slice(0, -1);
      const iso = `${local}${sign}${two(Math.floor(Math.abs(offset) / 60))}:${two(Math.abs(offset) % 60)}`;
      expect(instantOf(iso)).toBe(ms);
      expect(instantOf(new Date(ms).toISOString())).toBe(ms);
    }),
  );
  expect(instantOf('2027-01-16T06:40-09:00')).toBe(Date.UTC(2027, 0, 16, 15, 40));
  expect(instantOf('yesterday')).toBeNaN();
});

test('a hole drilled twice under one id is one hole', () => {
  const { events, outing, hole } = shortOuting();
  const again = { ...event(outing, 70, 'station-opened', { station: hole, kind: 'hole', label: '9', at: [-140, 47] as [number, number] }), id: testId() } as LedgerEvent;
  expect(fold([...events, again]).outings[0].stations.map((h) => h.label)).toEqual(['1']);
});

test('flags of a tip-up are kept with its line, and can be undone; a drill belongs to no outing', () => {
  const { events, outing, line } = shortOuting();
  const flags = [event(outing, 800, 'flag-up', { line }), event(outing, 900, 'flag-up', { line }), event(outing, 950, 'flag-up', { line: testId() })];
  const drill = event(testId(), 3000, 'drill-done', { scene: 'stack', seed: 1, seconds: 200, decisions: 9, score: 60, takes: 2, landed: 1, refusals: 3, logged: 1 });
  const state = fold([...events, ...flags, drill]);
  expect(state.outings).toHaveLength(1);
  expect(state.outings[0].lines[0].flagsMs).toHaveLength(2);
  expect(state.drills).toMatchObject([{ scene: 'stack', score: 60 }]);
  const undone = fold([...events, ...flags, drill, event(outing, 901, 'undone', { target: flags[1].id }), event(outing, 3001, 'undone', { target: drill.id })]);
  expect(undone.outings[0].lines[0].flagsMs).toHaveLength(1);
  expect(undone.drills).toEqual([]);
});
