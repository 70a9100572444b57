import type { WaterDetail } from '@burrow/contract/api';
import { islandsOf, shoreOf, soundingsOf, type WaterFile } from '@burrow/contract/formats/water-geojson';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { DepthQuestions } from '@/features/water/soundings/DepthQuestions';
import { ColumnsSheet } from '@/features/water/soundings/ColumnsSheet';
import { LeftOutSheet } from '@/features/water/soundings/LeftOutSheet';
import { soundingFeatures, useSoundingFile } from '@/features/water/soundings/useSoundingFile';
import { api, OfflineError } from '@/data/api';
import { groundWorker, useGround } from '@/data/ground';
import { change, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { useWaterChange } from '@/data/water-change';
import { onDatum } from '@burrow/core/water';
import { counted } from '@burrow/core/units';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { RuleCardSheet } from './RuleCardSheet';
import { waterKinds } from '@/features/water/words';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

interface Props {
  water: WaterDetail;
  onClose: () => void;
  /** What was done, with the water that was deleted. */
  onSaid: (text: string, deleted?: { id: string; name: string }) => void;
}

/** What can be changed on a water: each change is on the phone first, and on the server when it can be. */
function useWaterEdits(water: WaterDetail, onSaid: Props['onSaid']) {
  const { waters } = useWater();
  const client = useQueryClient();
  const changing = useWaterChange(water);
  const [says, setSays] = useState<string | null>(null);
  const onError = (error: Error) => setSays(error instanceof OfflineError ? 'No signal: this needs the server once.' : error.message);
  const put = async (next: WaterFile, text: string) => {
    await changing.keep(water.file, next);
    const { why, isUnsent } = await changing.send();
    if (why) throw new Error(`The server would not have it: ${why}. It stays on this phone.`);
    await client.invalidateQueries({ queryKey: ['waters'] });
    onSaid(isUnsent ? `${text} It goes to the server when the signal comes back.` : text);
  };
  const saving = useMutation({ mutationFn: ({ next, text }: { next: WaterFile; text: string }) => put(next, text), onError });
  const copying = useMutation({
    mutationFn: async () => {
      const names = new Set(waters.data?.value.map((w) => w.name.toLowerCase()));
      let copy = `${water.file.water.name}, copy`;
      for (let k = 2; names.has(copy.toLowerCase()); k++) copy = `${water.file.water.name}, copy ${k}`;
      const { id } = await api.addWater({ ...water.file, water: { ...water.file.water, name: copy } });
      await client.invalidateQueries();
      change({ water: id });
      onSaid(`${copy} is here and in use.`);
    },
    onError,
  });
  const deleting = useMutation({
    mutationFn: async () => {
      await api.deleteWater(water.id);
      change({ water: null, holePlan: null });
      await client.invalidateQueries();
      onSaid(`${water.file.water.name} is deleted. What was logged there stays in the log.`, { id: water.id, name: water.file.water.name });
    },
    onError,
  });
  return {
    says,
    isBusy: saving.isPending || copying.isPending || deleting.isPending,
    save: (next: WaterFile, text: string) => saving.mutate({ next, text }),
    copy: () => copying.mutate(),
    remove: () => deleting.mutate(),
  };
}

type WaterEdits = ReturnType<typeof useWaterEdits>;

/** What is changed on a water as a whole: its name and kind, more soundings, a copy, or its end. */
export function WaterSheet({ water, onClose, onSaid }: Props) {
  const edits = useWaterEdits(water, onSaid);
  const file = useSoundingFile();
  const [isWriting, setWriting] = useState(false);
  const isBusy = edits.isBusy || file.isReading;
  return (
    <Sheet title={water.file.water.name} open onClose={onClose}>
      <NameAndKind water={water} edits={edits} isBusy={isBusy} />
      <Action label={water.file.water.rules ? 'Its rule card' : 'Write its rule card'} disabled={isBusy} onPress={() => setWriting(true)} />
      <MoreSoundings water={water} edits={edits} file={file} isBusy={isBusy} />
      <CopyOrDelete water={water} edits={edits} isBusy={isBusy} />
      <View aria-live="polite">{edits.says ? <Text tone="straw">{edits.says}</Text> : null}</View>
      <ColumnsSheet {...file.unnamed} />
      <LeftOutSheet {...file.leftOut} />
      {isWriting ? (
        <RuleCardSheet
          water={water}
          onClose={() => setWriting(false)}
          onSave={(rules) => {
            setWriting(false);
            edits.save({ ...water.file, water: { ...water.file.water, rules } }, `The rule card of ${water.file.water.name} is written.`);
            return Promise.resolve();
          }}
        />
      ) : null}
    </Sheet>
  );
}

interface PartProps {
  water: WaterDetail;
  edits: WaterEdits;
  isBusy: boolean;
}

function NameAndKind({ water, edits, isBusy }: PartProps) {
  const { waters } = useWater();
  const { water: said } = water.file;
  const [name, setName] = useState(said.name);
  const [kind, setKind] = useState(said.kind);
  const [baited, setBaited] = useState(said.baited ?? false);
  const isTaken = waters.data?.value.some((w) => w.id !== water.id && w.name.toLowerCase() === name.trim().toLowerCase()) ?? false;
  const isChanged = name.trim() !== said.name || kind !== said.kind || baited !== (said.baited ?? false);
  return (
    <>
      <Suspense fallback={null}>
        <Field label="Name of the water" value={name} onChangeText={setName} maxLength={120} />
      </Suspense>
      {isTaken ? <Text tone="straw">You have a water of this name already. Choose another.</Text> : null}
      <Choice label="Kind of water" options={waterKinds} value={kind} onChange={setKind} wrap />
      <Choice
        label="Whether its fish are used to bait"
        options={[
          { id: 'no', label: 'Seldom fed' },
          { id: 'yes', label: 'Fish used to bait' },
        ]}
        value={baited ? 'yes' : 'no'}
        onChange={(id) => setBaited(id === 'yes')}
        wrap
      />
      <Action
        kind="main"
        label="Save name and kind"
        disabled={!isChanged || isTaken || name.trim() === '' || isBusy}
        onPress={() => edits.save({ ...water.file, water: { ...said, name: name.trim(), kind, baited } }, `${name.trim()} is changed.`)}
      />
    </>
  );
}

function MoreSoundings({ water, edits, file, isBusy }: PartProps & { file: ReturnType<typeof useSoundingFile> }) {
  const { units } = usePreferences();
  const { state } = useLedger();
  const ground = useGround(water, state.outings, units);
  const levels = useMemo(() => state.outings.filter((o) => o.water === water.id).flatMap((o) => o.levels), [state.outings, water.id]);
  const { raw, soundings, depthUnit } = file;
  const hasMap = ground.data?.water === water.id;
  const fits = useQuery({
    queryKey: ['soundings-against', water.id, file.name, raw.length],
    enabled: raw.length > 0 && hasMap,
    networkMode: 'always',
    queryFn: async () => (await groundWorker()).against(water.id, raw),
  });
  const islands = islandsOf(water.file).length;
  const { name } = water.file.water;
  const add = () =>
    edits.save(
      { ...water.file, features: [...water.file.features, ...soundingFeatures(onDatum(soundings, levels))] },
      `${counted(soundings.length, 'sounding')} from ${file.name} added to ${name}.`,
    );
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        Soundings
      </Text>
      <Text size="small" tone="second">
        {`${soundingsOf(water.file).length} in its file, ${shoreOf(water.file) ? `with its shore${islands === 0 ? '' : ` and ${counted(islands, 'island')}`}` : 'no shore drawn yet'}. Every hole you sound counts as one more.`}
      </Text>
      {raw.length > 0 ? (
        <>
          <Text strong>{`${counted(raw.length, 'sounding')} in ${file.name}`}</Text>
          <DepthQuestions file={file} fits={fits.data ?? null} units={units} />
          <Action kind="main" label={`Add them to ${name}`} disabled={depthUnit === null || isBusy} onPress={add} />
        </>
      ) : (
        <Action icon="upload" label="Add soundings from a file" disabled={isBusy} onPress={() => void file.bring()} />
      )}
      {file.says ? <Text tone="straw">{file.says}</Text> : null}
    </View>
  );
}

function CopyOrDelete({ water, edits, isBusy }: PartProps) {
  const { state } = useLedger();
  const [isSure, setSure] = useState(false);
  const outings = state.outings.filter((o) => o.water === water.id).length;
  const stays =
    outings === 0
      ? 'No outing was logged there.'
      : `${counted(outings, 'outing')} logged there ${outings === 1 ? 'stays' : 'stay'} in the log, with ${outings === 1 ? 'its' : 'their'} places and fish.`;
  return (
    <>
      {isSure ? <Text tone="second">{`${stays} The water can be brought back under Gear for 30 days.`}</Text> : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow label="Make a copy" disabled={isBusy} onPress={edits.copy} />
        {isSure ? (
          <Action grow kind="main" label="Yes, delete it" disabled={isBusy} onPress={edits.remove} />
        ) : (
          <Action grow label="Delete it" disabled={isBusy} onPress={() => setSure(true)} />
        )}
      </View>
    </>
  );
}
