import type { EventBodies, LedgerEvent } from '@burrow/core/ledger';
import { correct } from '@/data/corrections';
import type { PhoneLedger } from '@/data/ledger';
import { event, shortOuting } from '../../../packages/core/test/events';

const scope = { id: 'outing', zone: 'UTC' };

/** A ledger that only remembers what it was asked to write. */
function pen() {
  const written: { kind: string; body: unknown }[] = [];
  const ledger = {
    writeAll: async (_: unknown, things: { kind: string; body: unknown }[]) => {
      written.push(...things);
      return things as unknown as LedgerEvent[];
    },
  } as unknown as PhoneLedger;
  return { ledger, written };
}

const landed = (events: readonly LedgerEvent[]) => events.find((e) => e.kind === 'fish-landed')!;

test('a correction writes the fields that differ and no other', async () => {
  const { events } = shortOuting();
  const fish = landed(events);
  const { ledger, written } = pen();
  await correct(ledger, scope, events, fish.id, { ...(fish.body as EventBodies['fish-landed']), lengthMm: 300 }, Date.parse(fish.at));
  expect(written).toEqual([{ kind: 'amended', body: { target: fish.id, body: { lengthMm: 300 } } }]);
});

test('a correction in which nothing differs writes nothing', async () => {
  const { events } = shortOuting();
  const fish = landed(events);
  const { ledger, written } = pen();
  expect(await correct(ledger, scope, events, fish.id, { ...(fish.body as EventBodies['fish-landed']) }, Date.parse(fish.at))).toEqual([]);
  expect(written).toEqual([]);
});

test('what was never measured, and another hour, are written anew', async () => {
  const { events, outing } = shortOuting();
  const fish = landed(events);
  const { ledger, written } = pen();
  const { lengthMm: _, ...less } = fish.body as EventBodies['fish-landed'];
  await correct(ledger, scope, [...events, event(outing, 900, 'amended', { target: fish.id, body: { weightG: 250 } })], fish.id, { ...less, weightG: 250 }, Date.parse(fish.at));
  expect(written.map((w) => w.kind)).toEqual(['fish-landed', 'undone']);
  expect(written[0].body).not.toHaveProperty('lengthMm');
});
