import { catchesCsv } from '@burrow/contract/formats/catches-csv';
import type { LedgerEvent } from '@burrow/core/ledger';
import { counted, dayText } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { openFile, saveFile } from '@/data/files';
import { printPage } from '@/data/print';
import type { ImportRecord } from '@/data/ledger-view';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

/** A ledger that was read and not taken in yet. */
interface Asked {
  name: string;
  events: LedgerEvent[];
}

/** The log out and in again, in open formats. */
export function Exchange() {
  const { events, state, ledger, imports } = useLedger();
  const { detail } = useWater();
  const zone = detail.data?.value.file.water.timezone ?? 'UTC';
  const [says, setSays] = useState<string | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [taken, setTaken] = useState<{ record: ImportRecord; undone: LedgerEvent[] } | null>(null);
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
  const takeIn = async ({ name, events: read }: Asked) => {
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
        <Action label="Print this page" onPress={() => void printPage()} />
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
      {asked ? <BringSheet asked={asked} onTake={() => void takeIn(asked)} onClose={() => setAsked(null)} /> : null}
    </View>
  );
}

/** What taking a ledger in would add, before it is taken in. */
function BringSheet({ asked, onTake, onClose }: { asked: Asked; onTake: () => void; onClose: () => void }) {
  const { ledger } = useLedger();
  const { fresh, known, outings, isForeign } = ledger.previewImport(asked.events);
  return (
    <Sheet
      title="Bring this ledger in?"
      open
      onClose={onClose}
      footer={
        <>
          <Action kind="main" height={64} label={`Take in ${fresh} new ${fresh === 1 ? 'entry' : 'entries'}`} onPress={onTake} />
          <Action label="Leave it" onPress={onClose} />
        </>
      }
    >
      <Text>{`${asked.name}: ${fresh} new, ${known} here already, with ${counted(outings, 'outing')} that ${outings === 1 ? 'is' : 'are'} not in your log.`}</Text>
      {isForeign ? <Text tone="straw">Some of it was written by another account. Taken in, it counts as yours in every figure here.</Text> : null}
      <Text size="small" tone="second">
        It can be taken out again from this place.
      </Text>
    </Sheet>
  );
}
