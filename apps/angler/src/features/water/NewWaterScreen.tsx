import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import type { LonLat } from '@burrow/core/ground';
import { depthText, distanceM } from '@burrow/core/units';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { api, OfflineError } from '@/data/api';
import { change, usePreferences } from '@/data/preferences';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import OutlineMap from '@/features/water/map/OutlineMap';
import { lazily } from '@/ui/lazily';
import { PlaceSheet } from './PlaceSheet';
import { DepthQuestions } from './soundings/DepthQuestions';
import { ColumnsSheet } from './soundings/ColumnsSheet';
import { LeftOutSheet } from './soundings/LeftOutSheet';
import { madeWater } from './made-water';
import { useSoundingFile } from './soundings/useSoundingFile';
import { useShoreDraft } from './useShoreDraft';
import { newWaterWords, waterKinds } from './words';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

interface Made {
  name: string;
  kind: WaterFile['water']['kind'];
  point: LonLat;
  soundings: ReturnType<typeof useSoundingFile>['soundings'];
}

/** Saves what was drawn as a water; what the server or the signal has against it is said where it was drawn. */
function useSaving(shore: ReturnType<typeof useShoreDraft>, onFailed: () => void) {
  const router = useRouter();
  const client = useQueryClient();
  const { waters } = useWater();
  return useMutation({
    mutationFn: async ({ name, kind, point, soundings }: Made) => {
      const { default: zoneAt } = await import('@photostructure/tz-lookup');
      const [lon, lat] = point;
      return api.addWater(madeWater({ name, kind, timeZone: zoneAt(lat, lon), corners: shore.corners, islands: shore.islands, point, soundings }));
    },
    onSuccess: async ({ id }) => {
      // The first one is met on the Outlook, which says what it lacks; a further one on its map.
      const isFirst = waters.data?.value.length === 0;
      await client.invalidateQueries();
      change({ water: id, holePlan: null });
      router.navigate(isFirst ? '/' : '/water');
    },
    onError: (error) => {
      onFailed();
      shore.setSays(error instanceof OfflineError ? 'No signal: a new water needs the server once. What you drew stays here.' : error.message);
    },
  });
}

/** A water of one's own: a point is enough; three corners and more are its shore, soundings come from a file. Nothing is kept until it is saved. */
export function NewWaterScreen() {
  const palette = usePalette();
  const { units } = usePreferences();
  const { water: inUse } = useWater();
  const shore = useShoreDraft();
  const { corners, place, draw } = shore;
  const [sheet, setSheet] = useState<'name' | 'place' | null>(null);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<WaterFile['water']['kind']>('lake');
  const file = useSoundingFile();
  const { raw, soundings } = file;
  const places = useMemo(() => raw.map((s) => s.at), [raw]);
  // A chart without a place on it is nowhere: it opens at the water in use, else where the angler says.
  const near = useMemo<LonLat | null>(() => place ?? (inUse ? [inUse.lon, inUse.lat] : null), [place, inUse]);
  const isSomewhere = near !== null || places.length > 0 || corners.length > 0;

  const point = corners.at(-1) ?? place ?? places[0] ?? null;
  const saving = useSaving(shore, () => setSheet(null));
  const busy = file.isReading ? `Reading ${file.name}` : saving.isPending ? 'Saving' : null;
  const words = newWaterWords(isSomewhere, corners.length, places.length);
  const stray = places.length > 0 && point !== null && places.every((p) => distanceM(p, point) > 50_000);
  return (
    <View style={{ flex: 1 }}>
      <View style={{ padding: 16, gap: 6 }} aria-live="polite">
        <Text heading={1} size="title">
          A new water
        </Text>
        <Text tone="second">{busy ?? words.wants}</Text>
        <Text size="small" tone="second">
          {words.has}
        </Text>
        {(shore.says ?? file.says) ? <Text tone="straw">{shore.says ?? file.says}</Text> : null}
        {stray ? <Text tone="straw">The soundings lie more than 50 km from the place: one of the two is wrong.</Text> : null}
      </View>
      <View style={{ flex: 1, minHeight: 240 }}>
        <OutlineMap
          corners={corners}
          onCorners={draw}
          soundings={places}
          place={place}
          look={shore.brought}
          centre={near}
          isSomewhere={isSomewhere}
          palette={palette}
          scale={units.distance === 'm' ? 'metric' : 'imperial'}
        />
        <View style={{ position: 'absolute', right: 12, bottom: 12, gap: 8, alignItems: 'flex-end' }}>
          <Action label="Type it" spoken="Type the place" icon="edit" onPress={() => setSheet('place')} />
          <Action label={isSomewhere ? '' : 'Where I am'} spoken="Where am I" icon="locate" kind={isSomewhere ? 'plain' : 'main'} onPress={() => void shore.locate()} />
        </View>
      </View>
      <ShoreKeys shore={shore} file={file} isBusy={busy !== null} canSave={point !== null} onSave={() => setSheet('name')} />
      <ColumnsSheet {...file.unnamed} />
      <LeftOutSheet {...file.leftOut} />
      {sheet === 'place' ? (
        <PlaceSheet
          onClose={() => setSheet(null)}
          onPlace={(at) => {
            setSheet(null);
            shore.goTo(at);
          }}
        />
      ) : null}
      {sheet === 'name' ? (
        <NameSheet
          name={name}
          kind={kind}
          onName={setName}
          onKind={setKind}
          file={file}
          isBusy={busy !== null}
          onSave={() => point && saving.mutate({ name, kind, point, soundings })}
          onClose={() => setSheet(null)}
        />
      ) : null}
    </View>
  );
}

interface ShoreKeysProps {
  shore: ReturnType<typeof useShoreDraft>;
  file: ReturnType<typeof useSoundingFile>;
  isBusy: boolean;
  canSave: boolean;
  onSave: () => void;
}

/** What is drawn and brought, and the saving of it. */
function ShoreKeys({ shore, file, isBusy, canSave, onSave }: ShoreKeysProps) {
  const palette = usePalette();
  return (
    <View style={{ padding: 16, gap: 8, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow label="Undo corner" disabled={!shore.canUndo} onPress={shore.undo} />
        <Action grow label="I stand at a corner" onPress={() => void shore.standHere()} />
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow label="Bring a shore" disabled={isBusy} onPress={() => void shore.bring()} />
        <Action grow label="Bring soundings" disabled={isBusy} onPress={() => void file.bring()} />
      </View>
      <Action kind="main" height={64} label="Save water" disabled={!canSave || isBusy} onPress={onSave} />
    </View>
  );
}

interface NameProps {
  name: string;
  kind: WaterFile['water']['kind'];
  onName: (name: string) => void;
  onKind: (kind: WaterFile['water']['kind']) => void;
  file: ReturnType<typeof useSoundingFile>;
  isBusy: boolean;
  onSave: () => void;
  onClose: () => void;
}

/** What a new water is called and what kind it is, and what its soundings are in. */
function NameSheet({ name, kind, onName, onKind, file, isBusy, onSave, onClose }: NameProps) {
  const { units } = usePreferences();
  const { waters } = useWater();
  const isTaken = waters.data?.value.some((w) => w.name.toLowerCase() === name.trim().toLowerCase()) ?? false;
  const wantsUnit = file.raw.length > 0 && file.depthUnit === null;
  return (
    <Sheet
      title="Name it"
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label="Save" disabled={name.trim() === '' || isTaken || wantsUnit || isBusy} onPress={onSave} />}
    >
      <Suspense fallback={null}>
        <Field label="Name of the water" value={name} onChangeText={onName} maxLength={120} />
      </Suspense>
      {isTaken ? <Text tone="straw">You have a water of this name already. Choose another.</Text> : null}
      {file.raw.length > 0 ? <DepthQuestions file={file} units={units} /> : null}
      <Choice label="Kind of water" options={waterKinds} value={kind} onChange={onKind} wrap />
      <Text size="small" tone="second">
        {`Until you measure them, water clear to ${depthText(2, units)} and a height near the sea are assumed.`}
      </Text>
    </Sheet>
  );
}
