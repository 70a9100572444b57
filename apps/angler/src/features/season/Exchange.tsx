import { catchesCsv } from '@burrow/contract/formats/catches-csv';
import type { LedgerEvent } from '@burrow/core/ledger';
import { counted, dayText } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { openFile, saveFile } from '@/data/files';
import type { ImportRecord } from '@/data/ledger-view';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

/** The log out and in again, in open formats. */
export function Exchange() {
  const { events, state, ledger, imports } = useLedger();
  const { detail } = useWater();
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const [says, setSays] = useState<string | null>(null);
  const [asked, setAsked] = useState<{ name: string; events: LedgerEvent[] } | null>(null);
  const [taken, setTaken] = useState<{ record: ImportRecord; undone: LedgerEvent[] } | null>(null);
  const preview = asked && ledger.previewImport(asked.events);
  const bringIn = async () => {
    const file = await openFile('.ndjson,application/x-ndjson');
    if (!file) return;
    const { parseLedger, FormatError } = await import('@burrow/contract/formats/ledger-ndjson');
    try {
      const read = parseLedger(file.text);
      const { fresh, known } = ledger.previewImport(read);
      if (fresh > 0) setAsked({ name: file.name, events: read });
      else setSays(`0 new entries from ${file.name}, ${known} were here already.`);
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      setSays(`${file.name}: ${error.message}. Nothing was taken in.`);
    }
  };
  const takeIn = async () => {
    const { name, events: read } = asked!;
    const { count } = await ledger.importEvents(read, name);
    setAsked(null);
    setSays(`${count} new ${count === 1 ? 'entry' : 'entries'} from ${name}.`);
  };
  const takeOut = async (record: ImportRecord) => {
    setTaken({ record, undone: await ledger.takeOut(record, zone) });
    setSays(null);
  };
  const exportLedger = async () => {
    const { ledgerText } = await import('@burrow/contract/formats/ledger-ndjson');
    saveFile('ledger.ndjson', 'application/x-ndjson', ledgerText(events));
  };
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        Take it with you
      </Text>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <Action icon="download" label="Ledger (NDJSON)" onPress={() => void exportLedger()} />
        <Action icon="download" label="Catches (CSV)" onPress={() => saveFile('catches.csv', 'text/csv', catchesCsv(state))} />
        <Action icon="upload" label="Bring a ledger in" onPress={() => void bringIn()} />
      </View>
      <Text size="small" tone="second">
        The ledger holds all that was logged, and comes back as it was. The catches hold the fish alone: no bites, casts, lines, ice, feed or measurements, and no pictures.
      </Text>
      <View aria-live="polite">{says ? <Text>{says}</Text> : null}</View>
      {imports.map((record) => (
        <View key={record.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text size="small" style={{ flex: 1 }}>{`${record.name}, brought in ${dayText(record.atMs, zone)}: ${record.count} ${record.count === 1 ? 'entry' : 'entries'}`}</Text>
          <Action label="Take out" spoken={`Take out ${record.name}`} onPress={() => void takeOut(record)} />
        </View>
      ))}
      {taken ? (
        <Action
          icon="undo"
          label={`Put back ${taken.record.name}`}
          onPress={() => {
            void ledger.putBack(taken.record, taken.undone, zone);
            setTaken(null);
          }}
        />
      ) : null}
      <Sheet
        title="Bring this ledger in?"
        open={asked !== null}
        onClose={() => setAsked(null)}
        footer={
          <>
            <Action kind="main" height={64} label={`Take in ${preview?.fresh ?? 0} new ${preview?.fresh === 1 ? 'entry' : 'entries'}`} onPress={() => void takeIn()} />
            <Action label="Leave it" onPress={() => setAsked(null)} />
          </>
        }
      >
        {preview ? (
          <>
            <Text>{`${asked!.name}: ${preview.fresh} new, ${preview.known} here already, with ${counted(preview.outings, 'outing')} that ${preview.outings === 1 ? 'is' : 'are'} not in your log.`}</Text>
            {preview.isForeign ? <Text tone="straw">Some of it was written by another account. Taken in, it counts as yours in every figure here.</Text> : null}
            <Text size="small" tone="second">
              It can be taken out again from this place.
            </Text>
          </>
        ) : null}
      </Sheet>
    </View>
  );
}
