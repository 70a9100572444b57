import { areDepthsDoubtful, plumbedSoundings, soundingsIn, soundingSourceText, type DepthUnit, type LonLat, type SoundingSource } from '@burrow/core/ground';
import { depthText, tempText, type UnitPreference } from '@burrow/core/units';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { api, ApiError, OfflineError } from '@/data/api';
import { openFile } from '@/data/files';
import { groundWorker } from '@/data/ground';
import { change, usePreferences } from '@/data/preferences';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import type { SoundingFile } from '@/workers/ground.api';
import OutlineMap from '@/features/water/map/OutlineMap';

const Field = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.Field })));

const kinds: readonly { id: WaterFile['water']['kind']; label: string }[] = [
  { id: 'lake', label: 'Lake' },
  { id: 'reservoir', label: 'Reservoir' },
  { id: 'river', label: 'River' },
  { id: 'channel', label: 'Channel' },
];

const depthUnitChoices: readonly { id: DepthUnit; label: string }[] = [
  { id: 'm', label: 'Metres' },
  { id: 'ft', label: 'Feet' },
  { id: 'cm', label: 'Centimetres' },
  { id: 'fathom', label: 'Fathoms' },
];

type SounderId = 'plumbed' | '1463' | '1500';
const sounders: readonly { id: SounderId; label: string }[] = [
  { id: 'plumbed', label: 'By line or chart' },
  { id: '1500', label: 'Sounder set to 1500 m/s' },
  { id: '1463', label: 'Sounder set to 1463 m/s' },
];
type WarmthId = '4' | '15' | '22';
const warmths = (units: UnitPreference): { id: WarmthId; label: string }[] => (['4', '15', '22'] as const).map((id) => ({ id, label: `Water of ${tempText(Number(id), units)}` }));

const elsewhere: LonLat = [-140, 47];
/** Rows shown of those left out. */
const shownRows = 6;

/** A water of one's own: the shore drawn with a finger, soundings from a file. Nothing is kept until it is saved. */
export function NewWaterScreen() {
  const palette = usePalette();
  const router = useRouter();
  const client = useQueryClient();
  const { units } = usePreferences();
  const { waters } = useWater();
  const [corners, setCorners] = useState<LonLat[]>([]);
  const [past, setPast] = useState<LonLat[][]>([]);
  const [read, setRead] = useState<SoundingFile | null>(null);
  const [asked, setAsked] = useState<{ name: string; file: SoundingFile } | null>(null);
  const [centre, setCentre] = useState<LonLat>(elsewhere);
  const [brought, setBrought] = useState<LonLat[] | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [naming, setNaming] = useState(false);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<WaterFile['water']['kind']>('lake');
  const [sounder, setSounder] = useState<SounderId>('plumbed');
  const [warmth, setWarmth] = useState<WarmthId>('15');
  const [unit, setUnit] = useState<DepthUnit | null>(null);
  const raw = read?.soundings ?? [];
  const isDoubtful = useMemo(() => areDepthsDoubtful(read?.soundings ?? []), [read]);
  // Metres are what the format means; depths that do not fit the water are asked about.
  const depthUnit = unit ?? (isDoubtful ? null : 'm');
  const soundings = depthUnit === null ? [] : soundingsIn(raw, depthUnit);
  const deepestM = soundings.reduce((most, s) => Math.max(most, s.depthM), 0);
  const source: SoundingSource = { setMs: sounder === 'plumbed' ? null : Number(sounder), waterTempC: Number(warmth) };

  const draw = (next: LonLat[]) => {
    setPast((p) => [...p, corners]);
    setCorners(next);
  };
  const undo = () => {
    setCorners(past.at(-1) ?? []);
    setPast((p) => p.slice(0, -1));
  };
  const locate = () =>
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => setCentre([coords.longitude, coords.latitude]),
      () => setSays('The phone does not say where it is. Bring soundings: the chart goes where they are.'),
      { timeout: 10_000 },
    );
  const bring = async () => {
    const picked = await openFile('.csv,.gpx,.kml,.nmea,.geojson,.json');
    if (!picked) return;
    setBusy(`Reading ${picked.name}`);
    setSays(null);
    try {
      const file = await (await groundWorker()).read(picked.name, picked.text);
      if (file.soundings.length === 0)
        setSays(`${picked.name}: expected places with a depth, found none${file.leftOut[0] ? `; ${file.leftOut[0].where}: ${file.leftOut[0].why}` : ''}.`);
      else if (file.leftOut.length > 0) setAsked({ name: picked.name, file });
      else setRead(file);
    } catch (error) {
      setSays(`${picked.name}: ${(error as Error).message}`);
    }
    setBusy(null);
  };
  const bringShore = async () => {
    const picked = await openFile('.gpx,.kml,.geojson,.json');
    if (!picked) return;
    setSays(null);
    try {
      const shore = await (await groundWorker()).readShore(picked.name, picked.text);
      draw(shore);
      setBrought(shore);
    } catch (error) {
      setSays(`${picked.name}: ${(error as Error).message}`);
    }
  };
  const outline = async () => {
    try {
      draw(await (await groundWorker()).outlineAbout(read!.soundings.map((s) => s.at)));
    } catch (error) {
      setSays((error as Error).message);
    }
  };
  const save = async () => {
    const ring = [...corners, corners[0]].map(([lon, lat]): [number, number] => [lon, lat]);
    const file: WaterFile = {
      type: 'FeatureCollection',
      water: { name: name.trim(), kind, timezone: Intl.DateTimeFormat().resolvedOptions().timeZone, elevation_m: 0, secchi_m: 2, assumed: ['elevation_m', 'secchi_m'] },
      features: [
        { type: 'Feature', geometry: { type: 'Polygon', coordinates: [ring] }, properties: { role: 'outline' } },
        ...plumbedSoundings(soundings, source).map((s) => ({
          type: 'Feature' as const,
          geometry: { type: 'Point' as const, coordinates: [s.at[0], s.at[1]] as [number, number] },
          properties: { role: 'sounding' as const, depth_m: s.depthM, ...(s.time === undefined ? {} : { time: s.time }) },
        })),
      ],
    };
    setBusy('Saving');
    try {
      const { id } = await api.addWater(file);
      await client.invalidateQueries();
      change({ water: id, holePlan: null });
      router.navigate('/water');
    } catch (error) {
      setNaming(false);
      if (error instanceof OfflineError) setSays('No signal: a new water needs the server once. What you drew stays here.');
      else if (error instanceof ApiError) setSays(error.message);
      else throw error;
    }
    setBusy(null);
  };

  const places = useMemo(() => (read?.soundings ?? []).map((s) => s.at), [read]);
  const isTaken = waters.data?.value.some((w) => w.name.toLowerCase() === name.trim().toLowerCase()) ?? false;
  const count = places.length;
  const isReady = corners.length >= 3 && count >= 3;
  const wants =
    corners.length < 3
      ? 'Tap the corners of the shore, one after the other.'
      : count < 3
        ? 'Now bring soundings, at least three.'
        : 'Drag a corner to where it belongs, then save.';
  const depths = (
    <>
      <Text strong>In which unit are the depths of the file?</Text>
      {isDoubtful ? (
        <Caution
          headline={`Taken as metres they reach ${depthText(
            raw.reduce((most, s) => Math.max(most, s.depthM), 0),
            { ...units, depth: 'm' },
          )}: too deep for a water of this size`}
        >
          Say in which unit they are.
        </Caution>
      ) : null}
      <Choice label="Unit of the depths" options={depthUnitChoices} value={depthUnit ?? ('' as DepthUnit)} onChange={setUnit} wrap />
      <Text size="small" tone="second">
        {depthUnit === null ? 'Not said yet.' : `So the deepest is ${depthText(deepestM, units)}.`}
      </Text>
      <Text strong>How were the depths measured?</Text>
      <Choice label="How the depths were measured" options={sounders} value={sounder} onChange={setSounder} wrap />
      {sounder === 'plumbed' ? null : <Choice label="How warm the water was" options={warmths(units)} value={warmth} onChange={setWarmth} wrap />}
      <Text size="small" tone="second">
        {soundingSourceText(source)}
      </Text>
    </>
  );
  return (
    <View style={{ flex: 1 }}>
      <View style={{ padding: 16, gap: 6 }} aria-live="polite">
        <Text heading={1} size="title">
          Draw a new water
        </Text>
        <Text tone="second">{busy ?? wants}</Text>
        <Text size="small" tone="second">{`${corners.length} corners, ${count} soundings`}</Text>
        {says ? <Text tone="straw">{says}</Text> : null}
      </View>
      <View style={{ flex: 1, minHeight: 240 }}>
        <OutlineMap corners={corners} onCorners={draw} soundings={places} look={brought} centre={centre} palette={palette} scale={units.distance === 'm' ? 'metric' : 'imperial'} />
        <View style={{ position: 'absolute', right: 12, bottom: 12 }}>
          <Action label="" spoken="Where am I" icon="locate" onPress={locate} />
        </View>
      </View>
      <View style={{ padding: 16, gap: 8, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow label="Undo corner" disabled={past.length === 0} onPress={undo} />
          <Action grow label="Bring soundings" disabled={busy !== null} onPress={() => void bring()} />
        </View>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          {count < 3 ? (
            <Action grow label="Bring a shore" disabled={busy !== null} onPress={() => void bringShore()} />
          ) : (
            <Action grow label="Outline them" onPress={() => void outline()} />
          )}
          <Action grow kind="main" label="Save water" disabled={!isReady || busy !== null} onPress={() => setNaming(true)} />
        </View>
      </View>
      <Sheet
        title={`${asked?.file.leftOut.length ?? 0} rows cannot be read`}
        open={asked !== null}
        onClose={() => setAsked(null)}
        footer={
          <>
            <Action
              kind="main"
              height={64}
              label={`Go on with the other ${asked?.file.soundings.length ?? 0}`}
              onPress={() => {
                setRead(asked!.file);
                setAsked(null);
              }}
            />
            <Action label="Bring nothing" onPress={() => setAsked(null)} />
          </>
        }
      >
        <ScrollView>
          {asked?.file.leftOut.slice(0, shownRows).map((l) => (
            <Text key={l.where} size="small">{`${l.where}: ${l.why}`}</Text>
          ))}
          {asked && asked.file.leftOut.length > shownRows ? <Text size="small" tone="second">{`and ${asked.file.leftOut.length - shownRows} more`}</Text> : null}
        </ScrollView>
      </Sheet>
      <Sheet
        title="Name it"
        open={naming}
        onClose={() => setNaming(false)}
        footer={<Action kind="main" height={64} label="Save" disabled={name.trim() === '' || isTaken || depthUnit === null || busy !== null} onPress={() => void save()} />}
      >
        <Suspense fallback={null}>
          <Field label="Name of the water" value={name} onChangeText={setName} maxLength={120} />
        </Suspense>
        {depths}
        <Choice label="Kind of water" options={kinds} value={kind} onChange={setKind} wrap />
        {isTaken ? <Text tone="straw">You have a water of this name already. Choose another.</Text> : null}
        <Text size="small" tone="second">
          Until you measure them, water clear to 2 m and a height near the sea are assumed.
        </Text>
      </Sheet>
    </View>
  );
}
