import { fold, type LedgerEvent } from '../src/ledger';
import { event, shortOuting, testId } from './events';

const fishOf = (events: readonly LedgerEvent[]) => fold(events).outings[0].fish;
const hourS = 3600;

/** A landed fish of an outing, and the outing's events. */
function landed() {
  const short = shortOuting();
  return { ...short, fish: short.events.find((e) => e.kind === 'fish-landed')! };
}

test('an undo that a slow clock dates before its entry takes it back', () => {
  const { events, outing, fish } = landed();
  expect(fishOf([...events, event(outing, -5 * hourS, 'undone', { target: fish.id })])).toHaveLength(0);
});

test('an undo of an undo gives back what it took, whichever clock was fast', () => {
  const { events, outing, fish } = landed();
  for (const [undoS, backS] of [
    [100 * hourS, 700],
    [700, 800],
    [-hourS, -2 * hourS],
  ] as const) {
    const undo = event(outing, undoS, 'undone', { target: fish.id });
    const back = event(outing, backS, 'undone', { target: undo.id });
    expect(fishOf([...events, undo, back])).toHaveLength(1);
    expect(fishOf([...events, undo, back, event(outing, backS, 'undone', { target: back.id })])).toHaveLength(0);
  }
});

test('of two corrections the later stands; one that is dated before its entry counts from the entry on', () => {
  const { events, outing, fish } = landed();
  const amend = (s: number, lengthMm: number) => event(outing, s, 'amended', { target: fish.id, body: { lengthMm } });
  expect(fishOf([...events, amend(700, 300), amend(800, 310)])[0].lengthMm).toBe(310);
  expect(fishOf([...events, amend(800, 310), amend(700, 300)])[0].lengthMm).toBe(310);
  expect(fishOf([...events, amend(-hourS, 290), amend(645, 320)])[0].lengthMm).toBe(320);
});

test('corrections in a circle add up the same in any order', () => {
  const { events, outing, fish } = landed();
  const [a, b] = [testId(), testId()];
  const ring = [
    { ...event(outing, 700, 'undone', { target: b }), id: a },
    { ...event(outing, 800, 'undone', { target: a }), id: b },
    event(outing, 900, 'undone', { target: fish.id }),
  ] as LedgerEvent[];
  const once = fold([...events, ...ring]);
  expect(fold([...[...ring].reverse(), ...events])).toEqual(once);
});

test('an outing that ended before it began, by a clock that was set back, ends when it began', () => {
  const { events, outing } = landed();
  const early = [...events.filter((e) => e.kind !== 'outing-ended'), event(outing, -hourS, 'outing-ended', {})];
  const [state] = fold(early).outings;
  expect(state.endedMs).toBe(state.startedMs);
});

test('a pass in many pieces keeps every point once, in order, and leaves the entries as they were', () => {
  const { outing, events } = landed();
  const pass = testId();
  const first: [number, number][] = [[-140, 47], [-140.001, 47]]; // prettier-ignore
  const opened = event(outing, 1000, 'station-opened', { station: pass, kind: 'pass', label: '1', at: [-140, 47], track: first });
  const pieces = Array.from({ length: 40 }, (_, i) =>
    event(outing, 1001 + i, 'tracked', { station: pass, points: Array.from({ length: 20 }, (_, k) => [-140 + i / 1e4, 47 + k / 1e4, i * 20 + k] as [number, number, number]) }),
  );
  const all = [...events.filter((e) => e.kind !== 'outing-ended'), opened, ...pieces];
  const track = () => fold(all).outings[0].stations.find((s) => s.id === pass)!.track!;
  expect(track()).toHaveLength(2 + 800);
  // Folded again it is no longer: the fold writes into no entry.
  expect(track()).toHaveLength(802);
  expect(first).toHaveLength(2);
});

describe('joined outings', () => {
  const two = () => {
    const [one, other] = [shortOuting(), shortOuting()];
    const open = (events: readonly LedgerEvent[]) => events.filter((e) => e.kind !== 'outing-ended');
    return { one, other, events: [...open(one.events), ...open(other.events)] };
  };

  test('add up as one, whatever order they come in, with what is logged to the other later', () => {
    const { one, other, events } = two();
    const late = event(other.outing, 3000, 'note', { text: 'later' });
    const all = [...events, event(other.outing, 2500, 'joined', { into: one.outing }), late];
    const { outings } = fold(all);
    expect(outings.map((o) => [o.id, o.stations.length, o.fish.length])).toEqual([[one.outing, 2, 2]]);
    expect(outings[0].entries.at(-1)).toMatchObject({ text: 'later' });
    expect(fold([...all].reverse())).toEqual({ ...fold(all) });
  });

  test('joined into each other on two phones they are still one', () => {
    const { one, other, events } = two();
    const all = [...events, event(other.outing, 2500, 'joined', { into: one.outing }), event(one.outing, 2501, 'joined', { into: other.outing })];
    expect(fold(all).outings.map((o) => o.id)).toEqual([one.outing]);
  });

  test('a join into an outing that is not here, or was undone, counts for nothing', () => {
    const { one, other, events } = two();
    const joined = event(other.outing, 2500, 'joined', { into: testId() });
    expect(fold([...events, joined]).outings).toHaveLength(2);
    const into = event(other.outing, 2500, 'joined', { into: one.outing });
    const start = one.events[0];
    expect(fold([...events, into, event(one.outing, 2600, 'undone', { target: start.id })]).outings.map((o) => o.id)).toEqual([other.outing]);
  });

  test('the one begins when the earlier of the two began', () => {
    const { one, other, events } = two();
    const earlier = events.map((e) => (e.outing === other.outing ? { ...e, at: new Date(Date.parse(e.at) - 3_600_000).toISOString() } : e));
    const [state] = fold([...earlier, event(other.outing, 2500, 'joined', { into: one.outing })]).outings;
    expect(state.startedMs).toBe(Date.parse(one.events[0].at) - 3_600_000);
  });
});
