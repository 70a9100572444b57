import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import type { LonLat } from '@burrow/core/ground';
import { depthText, distanceM } from '@burrow/core/units';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { api, OfflineError } from '@/data/api';
import { takeOver } from '@/data/brought-file';
import { openFile } from '@/data/files';
import { groundWorker } from '@/data/ground';
import { change, usePreferences } from '@/data/preferences';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import OutlineMap from '@/features/water/map/OutlineMap';
import { lazily } from '@/ui/lazily';
import { PlaceSheet } from './PlaceSheet';
import { DepthQuestions } from './soundings/DepthQuestions';
import { ColumnsSheet } from './soundings/ColumnsSheet';
import { LeftOutSheet } from './soundings/LeftOutSheet';
import { soundingFeatures, useSoundingFile } from './soundings/useSoundingFile';
import { whereAmI } from './where-am-i';
import { newWaterWords, waterKinds } from './words';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

/** A water of one's own: a point is enough; three corners and more are its shore, soundings come from a file. Nothing is kept until it is saved. */
export function NewWaterScreen() {
  const palette = usePalette();
  const router = useRouter();
  const client = useQueryClient();
  const { units } = usePreferences();
  const { waters, water: inUse } = useWater();
  const [corners, setCorners] = useState<LonLat[]>([]);
  const [past, setPast] = useState<LonLat[][]>([]);
  const [place, setPlace] = useState<LonLat | null>(null);
  const [brought, setBrought] = useState<LonLat[] | null>(null);
  const [islands, setIslands] = useState<LonLat[][]>([]);
  const [says, setSays] = useState<string | null>(null);
  const [sheet, setSheet] = useState<'name' | 'place' | null>(null);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<WaterFile['water']['kind']>('lake');
  const file = useSoundingFile();
  const { raw, soundings, depthUnit } = file;
  const places = useMemo(() => raw.map((s) => s.at), [raw]);
  // A chart without a place on it is nowhere: it opens at the water in use, else where the angler says.
  const near = useMemo<LonLat | null>(() => place ?? (inUse ? [inUse.lon, inUse.lat] : null), [place, inUse]);
  const isSomewhere = near !== null || places.length > 0 || corners.length > 0;

  const draw = (next: LonLat[]) => {
    setPast((p) => [...p, corners]);
    setCorners(next);
  };
  const undo = () => {
    setCorners(past.at(-1) ?? []);
    setPast((p) => p.slice(0, -1));
  };
  const goTo = (at: LonLat) => {
    setSays(null);
    setSheet(null);
    setPlace(at);
  };
  const locate = () => whereAmI().then(goTo, (error: Error) => setSays(`${error.message} Type the place, or bring a shore or soundings: the chart goes where they are.`));
  const standHere = () => whereAmI().then((at) => draw([...corners, at]), (error: Error) => setSays(`${error.message} Tap the corner instead.`)); // prettier-ignore
  const bringShore = async () => {
    const picked = await openFile('.gpx,.kml,.geojson,.json');
    if (picked) await takeShore(picked);
  };
  const takeShore = async (picked: { name: string; text: string }) => {
    setSays(null);
    try {
      const shore = await (await groundWorker()).readShore(picked.name, picked.text);
      draw(shore.ring);
      setBrought(shore.ring);
      setIslands(shore.islands);
    } catch (error) {
      setSays(`${picked.name}: ${(error as Error).message}`);
    }
  };
  // A shore that was opened under Gear is gone on with here.
  useEffect(() => {
    const handed = takeOver();
    if (handed) void takeShore(handed);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the screen opens
  }, []);
  const isShore = corners.length >= 3;
  const point = corners.at(-1) ?? place ?? places[0] ?? null;
  const saving = useMutation({
    mutationFn: async () => {
      const { default: zoneAt } = await import('@photostructure/tz-lookup');
      const ring = isShore ? [...corners, corners[0]].map(([lon, lat]): [number, number] => [lon, lat]) : null;
      const [lon, lat] = point!;
      const made: WaterFile = {
        type: 'FeatureCollection',
        water: {
          name: name.trim(),
          kind,
          timezone: zoneAt(lat, lon),
          elevation_m: 0,
          secchi_m: 2,
          assumed: ['elevation_m', 'secchi_m'],
          ...(ring ? {} : { at: [lon, lat] as [number, number] }),
        },
        features: [
          ...(ring
            ? [
                {
                  type: 'Feature' as const,
                  geometry: { type: 'Polygon' as const, coordinates: [ring, ...islands.map((island) => [...island, island[0]].map(([lon, lat]): [number, number] => [lon, lat]))] },
                  properties: { role: 'outline' as const },
                },
              ]
            : []),
          ...soundingFeatures(soundings),
        ],
      };
      return api.addWater(made);
    },
    onSuccess: async ({ id }) => {
      // The first one is met on the Outlook, which says what it lacks; a further one on its map.
      const isFirst = waters.data?.value.length === 0;
      await client.invalidateQueries();
      change({ water: id, holePlan: null });
      router.navigate(isFirst ? '/' : '/water');
    },
    onError: (error) => {
      setSheet(null);
      setSays(error instanceof OfflineError ? 'No signal: a new water needs the server once. What you drew stays here.' : error.message);
    },
  });
  const busy = file.isReading ? `Reading ${file.name}` : saving.isPending ? 'Saving' : null;
  const isTaken = waters.data?.value.some((w) => w.name.toLowerCase() === name.trim().toLowerCase()) ?? false;
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
        {(says ?? file.says) ? <Text tone="straw">{says ?? file.says}</Text> : null}
        {stray ? <Text tone="straw">The soundings lie more than 50 km from the place: one of the two is wrong.</Text> : null}
      </View>
      <View style={{ flex: 1, minHeight: 240 }}>
        <OutlineMap
          corners={corners}
          onCorners={draw}
          soundings={places}
          place={place}
          look={brought}
          centre={near}
          isSomewhere={isSomewhere}
          palette={palette}
          scale={units.distance === 'm' ? 'metric' : 'imperial'}
        />
        <View style={{ position: 'absolute', right: 12, bottom: 12, gap: 8, alignItems: 'flex-end' }}>
          <Action label="Type it" spoken="Type the place" icon="edit" onPress={() => setSheet('place')} />
          <Action label={isSomewhere ? '' : 'Where I am'} spoken="Where am I" icon="locate" kind={isSomewhere ? 'plain' : 'main'} onPress={() => void locate()} />
        </View>
      </View>
      <View style={{ padding: 16, gap: 8, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow label="Undo corner" disabled={past.length === 0} onPress={undo} />
          <Action grow label="I stand at a corner" onPress={() => void standHere()} />
        </View>
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow label="Bring a shore" disabled={busy !== null} onPress={() => void bringShore()} />
          <Action grow label="Bring soundings" disabled={busy !== null} onPress={() => void file.bring()} />
        </View>
        <Action kind="main" height={64} label="Save water" disabled={point === null || busy !== null} onPress={() => setSheet('name')} />
      </View>
      <ColumnsSheet {...file.unnamed} />
      <LeftOutSheet {...file.leftOut} />
      {sheet === 'place' ? <PlaceSheet onClose={() => setSheet(null)} onPlace={goTo} /> : null}
      <Sheet
        title="Name it"
        open={sheet === 'name'}
        onClose={() => setSheet(null)}
        footer={
          <Action
            kind="main"
            height={64}
            label="Save"
            disabled={name.trim() === '' || isTaken || (raw.length > 0 && depthUnit === null) || busy !== null}
            onPress={() => saving.mutate()}
          />
        }
      >
        <Suspense fallback={null}>
          <Field label="Name of the water" value={name} onChangeText={setName} maxLength={120} />
        </Suspense>
        {isTaken ? <Text tone="straw">You have a water of this name already. Choose another.</Text> : null}
        {raw.length > 0 ? <DepthQuestions file={file} units={units} /> : null}
        <Choice label="Kind of water" options={waterKinds} value={kind} onChange={setKind} wrap />
        <Text size="small" tone="second">
          {`Until you measure them, water clear to ${depthText(2, units)} and a height near the sea are assumed.`}
        </Text>
      </Sheet>
    </View>
  );
}
