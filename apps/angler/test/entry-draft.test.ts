import { foldLedger } from '@burrow/contract';
import { parseLedger } from '@burrow/contract/formats/ledger-ndjson';
import type { EventKind, LedgerEvent, LogEntry, OutingState } from '@burrow/core/ledger';
import { metric, seededRandom } from '@burrow/core/units';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { draftOf, isBedDepth, isCorrectable, isReady, lateKinds, madeOf, type Draft } from '@/features/entries/draft';
import { stepped } from '@/features/entries/figures';
import { entryKinds, figuresOf, isFigureKind, wordsOf } from '@/features/entries/kinds';

const events = parseLedger(readFileSync(path.resolve(__dirname, '../../../demo/season.ndjson'), 'utf8')) as LedgerEvent[];
const state = foldLedger(events);
const bodies = new Map(events.map((e) => [e.id, e.body as Record<string, unknown>]));
const corrigible: { outing: OutingState; entry: LogEntry }[] = state.outings.flatMap((outing) =>
  outing.entries.filter((entry) => isCorrectable(entry, outing) && !isBedDepth(entry.kind)).map((entry) => ({ outing, entry })),
);
/** Some of each kind: the season has thousands. */
const some = Object.keys(entryKinds).flatMap((kind) => {
  const of = corrigible.filter((c) => c.entry.kind === kind);
  return of.filter((_, k) => k % Math.ceil(of.length / 12) === 0);
});

test('the season has entries of most kinds that can be corrected', () => {
  expect(new Set(some.map((c) => c.entry.kind)).size).toBeGreaterThanOrEqual(9);
});

test('an entry that is opened and saved as it stands is the same entry', () => {
  const own = new Map<string, LedgerEvent[]>(state.outings.map((o) => [o.id, events.filter((e) => e.outing === o.id)]));
  for (const { outing, entry } of some) {
    const draft = draftOf(entry, outing, own.get(outing.id)!);
    expect([entry.kind, isReady(draft, false)]).toEqual([entry.kind, true]);
    expect([entry.kind, madeOf(draft, entry, outing, own.get(outing.id)!).body]).toEqual([entry.kind, bodies.get(entry.id)]);
  }
});

/** Ways to change one thing of a draft, and the fields of the body that may differ by it. */
const changesOf = (draft: Draft, random: () => number): [Draft, string[]][] => {
  const { kind } = draft;
  if (kind === 'fish-landed')
    return [
      [{ ...draft, lengthMm: 321 }, ['lengthMm']],
      [{ ...draft, lengthMm: null }, ['lengthMm']],
      [{ ...draft, species: 'burbot' }, ['species']],
      [{ ...draft, depthM: 2.5 }, ['depthM']],
      [{ ...draft, fate: draft.fate === 'kept' ? 'released' : 'kept' }, []],
    ];
  if (kind === 'reaction')
    return [
      [{ ...draft, reaction: 'fled' }, ['reaction']],
      [{ ...draft, depthM: null }, ['depthM']],
    ];
  if (isFigureKind(kind))
    return figuresOf(kind, metric).map((f) => [
      { ...draft, figures: { ...draft.figures, [f.field]: stepped(f, draft.figures[f.field] ?? null, random() < 0.5 ? 1 : -1) } },
      [f.field],
    ]);
  return [[{ ...draft, text: 'another' }, [kind === 'line-down' ? 'presentation' : 'text']]];
};

test('one thing changed changes no field but its own', () => {
  const random = seededRandom(7);
  for (const { outing, entry } of some) {
    const own = events.filter((e) => e.outing === outing.id);
    const draft = draftOf(entry, outing, own);
    for (const [changed, fields] of changesOf(draft, random)) {
      const made = madeOf(changed, entry, outing, own).body as Record<string, unknown>;
      const before = bodies.get(entry.id)!;
      const differing = [...new Set([...Object.keys(made), ...Object.keys(before)])].filter((f) => JSON.stringify(made[f]) !== JSON.stringify(before[f]));
      expect([entry.kind, differing.filter((f) => !fields.includes(f))]).toEqual([entry.kind, []]);
    }
  }
});

test('a new entry wants a place, and what its kind is about', () => {
  const [outing] = state.outings;
  const unasked = draftOf(null, outing, []);
  expect(isReady(unasked, true)).toBe(false);
  const draft = { ...unasked, species: 'walleye' };
  expect(isReady(draft, true)).toBe(true);
  expect(isReady({ ...draft, station: '' }, true)).toBe(false);
  expect(isReady({ ...draft, kind: 'note', station: '', text: ' ' }, true)).toBe(false);
  expect(isReady({ ...draft, kind: 'note', station: '', text: 'cold' }, true)).toBe(true);
  expect(isReady({ ...draft, kind: 'depth-sounded' }, true)).toBe(false);
  expect(isReady({ ...draft, kind: 'temperature-measured', figures: { tempC: 4 } }, true)).toBe(false);
  expect(isReady({ ...draft, kind: 'temperature-measured', figures: { tempC: 4, depthM: 1 } }, true)).toBe(true);
  expect(isReady({ ...draft, kind: 'fed', text: 'crumb' }, true)).toBe(true);
});

test.each<[string | undefined, EventKind[]]>([
  ['swim', ['fish-landed', 'reaction', 'fed', 'plumbed', 'bag-weighed', 'temperature-measured', 'note']],
  ['pass', ['fish-landed', 'reaction', 'temperature-measured', 'note']],
  ['stand', ['fish-landed', 'reaction', 'depth-sounded', 'cast', 'temperature-measured', 'note']],
  ['hole', ['fish-landed', 'reaction', 'depth-sounded', 'temperature-measured', 'note']],
  [undefined, ['fish-landed', 'reaction', 'depth-sounded', 'note']],
])('at a %s what can be added late', (place, kinds) => expect(lateKinds(place).map((k) => k.id)).toEqual(kinds));

test('every entry of a season has words, and none says what is not a number', () => {
  for (const outing of state.outings)
    for (const entry of outing.entries) {
      const { what, detail } = wordsOf(entry, outing, metric);
      expect(what).not.toBe('');
      expect(`${what} ${detail}`).not.toMatch(/undefined|NaN|null/);
    }
});
