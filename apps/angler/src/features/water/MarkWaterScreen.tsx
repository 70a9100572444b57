import { middleOfWater, shoreOf, type WaterFile } from '@burrow/contract/formats/water-geojson';
import { isFlowing, marksOf, withMark, withOutline, withoutMark, type LineMark, type PlaceMark } from '@burrow/contract/formats/water-marks';
import type { WaterDetail } from '@burrow/contract/api';
import { coverKinds, type LonLat } from '@burrow/core/ground';
import { counted, distanceText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { Suspense, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { markText } from '@/features/water/map/mark-text';
import { Notice } from '@/ui/Notice';
import { useWide } from '@/features/shell/Shell';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { useGround } from '@/data/ground';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { newId } from '@/data/ids';
import { useWaterChange } from '@/data/water-change';
import { usePalette } from '@/theme/theme';
import type { Ground } from '@/workers/ground.api';
import { lazily } from '@/ui/lazily';
import { whereAmI } from './where-am-i';
import MarkMap from '@/features/water/map/MarkMap';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

type Role = PlaceMark['role'] | LineMark['role'] | 'outline';

const roles: readonly { id: Role; label: string; hint: string }[] = [
  { id: 'spot', label: 'Spot', hint: 'Fish seen, a bite, a wreck: anything to come back to. Tap where it is.' },
  { id: 'cover', label: 'Cover', hint: 'Tap where it stands.' },
  { id: 'hard', label: 'Hard patch', hint: 'Rock felt on mud is everything. Tap where.' },
  { id: 'seam', label: 'Seam', hint: 'The line between moving and still water: tap along it, then end the line.' },
  { id: 'bank', label: 'Bank', hint: 'A stretch of high bank throws shade: tap along the shore, then end the line.' },
  { id: 'outline', label: 'Shore', hint: 'Drag a corner of the shore, or a place between two, to where it belongs.' },
  { id: 'inflow', label: 'Inflow', hint: 'Ice is thin there first. Tap where it comes in.' },
  { id: 'outflow', label: 'Outflow', hint: 'Ice is thin there first. Tap where it goes out.' },
];
const heightsM = [1, 2, 5, 10, 20, 40] as const;
const steepness = [
  { id: 'flat', label: 'Flat' },
  { id: 'sloping', label: 'Sloping' },
  { id: 'steep', label: 'Steep' },
  { id: 'wall', label: 'Wall' },
] as const satisfies readonly { id: LineMark['steepness']; label: string }[];

/** What lies in and round this water? */
export function MarkWaterScreen() {
  const { detail } = useWater();
  const { state } = useLedger();
  const { units } = usePreferences();
  const water = detail.data?.value;
  const ground = useGround(water, state.outings, units);
  if (!water || (!ground.data && !ground.isError)) return <Notice title="Drawing the bed" busy />;
  return <Marking key={water.id} water={water} ground={ground.data ?? null} />;
}

/** The file of a water while it is marked: every change is on the phone at once, each can be taken back. */
function useMarkedFile(water: WaterDetail) {
  const change = useWaterChange(water);
  const [file, setFile] = useState(water.file);
  const kept = useRef<Promise<unknown>>(Promise.resolve());
  const [past, setPast] = useState<WaterFile[]>([]);
  const put = (next: WaterFile) => {
    const from = file;
    setFile(next);
    // One after the other: each change is laid on what the one before it left.
    kept.current = kept.current.then(() => change.keep(from, next));
  };
  return {
    file,
    canUndo: past.length > 0,
    take: (next: WaterFile) => {
      setPast((p) => [...p, file]);
      put(next);
    },
    undo: () => {
      const last = past.at(-1);
      if (last) put(last);
      setPast((p) => p.slice(0, -1));
    },
    send: async () => {
      await kept.current;
      return change.send();
    },
  };
}

const pairOf = ([lon, lat]: LonLat): [number, number] => [lon, lat];

/** The marks of a water while they are drawn: nothing waits for a button. */
function useMarking(water: WaterDetail) {
  const router = useRouter();
  const isMoving = isFlowing(water.file.water.kind);
  const { file, canUndo, take: takeIn, undo, send } = useMarkedFile(water);
  const [role, setRole] = useState<Role>(shoreOf(water.file) === null ? 'outline' : isMoving ? 'seam' : 'spot');
  const [traits, setTraits] = useState<MarkTraits>({ kind: coverKinds[0].id, heightM: '5', steep: 'steep', name: '' });
  const [drawn, setDrawn] = useState<LonLat[]>([]);
  const [asked, setAsked] = useState<number | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const outline = useMemo(() => shoreOf(file), [file]);
  const isNewShore = role === 'outline' && outline === null;
  const isLine = role === 'seam' || role === 'bank' || isNewShore;
  const take = (next: WaterFile) => {
    takeIn(next);
    setTraits({ ...traits, name: '' });
    setSays(null);
  };
  const said = traits.name.trim() === '' ? {} : { name: traits.name.trim() };
  const ofBank = role === 'bank' ? { heightM: Number(traits.heightM), steepness: traits.steep } : {};
  return {
    file,
    role,
    traits,
    setTraits,
    drawn,
    asked,
    setAsked,
    says,
    outline,
    isMoving,
    isNewShore,
    isLine,
    canUndo: canUndo || drawn.length > 0,
    do: {
      choose: (next: Role) => {
        setRole(next);
        setDrawn([]);
      },
      tap: (place: LonLat, mark: number | null) => {
        if (isLine) setDrawn((d) => [...d, pairOf(place)]);
        else if (role === 'outline') return;
        else if (mark !== null) setAsked(mark);
        else take(withMark(file, { id: newId(), role, at: pairOf(place), ...said, ...(role === 'cover' ? { kind: traits.kind } : {}) }));
      },
      moveShore: (ring: LonLat[]) => take(withOutline(file, ring.map(pairOf))),
      endLine: () => {
        const line = drawn.map(pairOf);
        if (isNewShore) take(withOutline(file, line));
        if (role === 'seam' || role === 'bank') take(withMark(file, { id: newId(), role, line, ...said, ...ofBank }));
        setDrawn([]);
      },
      undo: () => {
        if (drawn.length > 0) return setDrawn(drawn.slice(0, -1));
        setSays(null);
        undo();
      },
      takeAway: () => {
        take(withoutMark(file, asked!));
        setAsked(null);
      },
      standHere: () =>
        whereAmI().then(
          (at) => setDrawn((d) => [...d, at]),
          (error: Error) => setSays(`${error.message} Tap the corner instead.`),
        ),
      finish: async () => {
        const { isUnsent, why } = await send();
        if (why) setSays(`The server would not have it: ${why}. It stays on this phone.`);
        else if (isUnsent) setSays('No signal: the marks are on this phone and go out when it comes back.');
        else router.navigate('/water');
      },
    },
  };
}

type MarkingControl = ReturnType<typeof useMarking>;

/** What is said of a mark beside where it is. */
interface MarkTraits {
  kind: string;
  heightM: string;
  steep: NonNullable<LineMark['steepness']>;
  name: string;
}

function Marking({ water, ground }: { water: WaterDetail; ground: Ground | null }) {
  const palette = usePalette();
  const wide = useWide();
  const { units } = usePreferences();
  const marking = useMarking(water);
  const { file, role, drawn, outline, isNewShore, isMoving } = marking;
  const marks = useMemo(() => marksOf(file), [file]);
  const middle = useMemo(() => middleOfWater(water.file), [water]);
  const heading = (
    <View style={{ padding: 16, paddingBottom: 0, gap: 6 }} aria-live="polite">
      <Text heading={1} size="title">
        Mark this water
      </Text>
      <Text tone="second">
        {isNewShore ? 'Tap the corners of the shore one after the other, or walk it and say at each that you stand there.' : roles.find((r) => r.id === role)!.hint}
      </Text>
      <Text size="small" tone="second">{`${counted(marks.places.length + marks.lines.length, 'mark')} on ${file.water.name}`}</Text>
      {marking.says ? <Text tone="straw">{marking.says}</Text> : null}
    </View>
  );
  const map = (
    <View style={{ flex: 1, minHeight: 240 }}>
      <MarkMap
        ground={ground}
        outline={outline}
        middle={middle}
        marks={marks}
        isFlowing={isMoving}
        drawn={drawn}
        snapsToShore={role === 'bank' || role === 'inflow' || role === 'outflow'}
        palette={palette}
        units={units}
        onShore={role === 'outline' && !isNewShore ? marking.do.moveShore : null}
        onTap={marking.do.tap}
      />
    </View>
  );
  return (
    <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
      {wide ? (
        <>
          {map}
          <View style={{ width: 400, borderLeftWidth: 1, borderLeftColor: palette.line }}>
            <ScrollView>
              {heading}
              <MarkChoices marking={marking} />
            </ScrollView>
            <MarkKeys marking={marking} />
          </View>
        </>
      ) : (
        <>
          {heading}
          <MarkChoices marking={marking} />
          {map}
          <MarkKeys marking={marking} />
        </>
      )}
      <AskedMark marking={marking} marks={marks} />
    </View>
  );
}

/** What is marked, and what is said of it. */
function MarkChoices({ marking }: { marking: MarkingControl }) {
  const { units } = usePreferences();
  const wide = useWide();
  const { role, traits, setTraits } = marking;
  const put = (part: Partial<MarkTraits>) => setTraits({ ...traits, ...part });
  const isNameless = role === 'inflow' || role === 'outflow' || role === 'bank' || role === 'outline';
  return (
    <View style={{ gap: 10, padding: 16 }}>
      <Choice label="What to mark" options={roles} value={role} onChange={marking.do.choose} wrap />
      {role === 'cover' ? <Choice label="Kind of cover" options={coverKinds} value={traits.kind} onChange={(kind) => put({ kind })} wrap={wide} /> : null}
      {role === 'bank' ? (
        <>
          <Choice
            label="Height of the bank"
            options={heightsM.map((m) => ({ id: String(m), label: distanceText(m, units) }))}
            value={traits.heightM}
            onChange={(heightM) => put({ heightM })}
            wrap={wide}
          />
          <Choice label="Steepness of the bank" options={steepness} value={traits.steep} onChange={(steep) => put({ steep })} wrap={wide} />
        </>
      ) : null}
      {isNameless ? null : (
        <Suspense fallback={null}>
          <Field label="Its name, if it has one" value={traits.name} onChangeText={(name) => put({ name })} maxLength={60} />
        </Suspense>
      )}
    </View>
  );
}

function MarkKeys({ marking }: { marking: MarkingControl }) {
  const palette = usePalette();
  const { role, drawn, isLine, isNewShore } = marking;
  return (
    <View style={{ padding: 16, gap: 8, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {isLine ? <Action grow label="I stand here" spoken="I stand at this corner" onPress={() => void marking.do.standHere()} /> : null}
        <Action grow label="Undo" disabled={!marking.canUndo} onPress={marking.do.undo} />
        {isLine ? <Action grow label={isNewShore ? 'Close the shore' : `End the ${role}`} disabled={drawn.length < (isNewShore ? 3 : 2)} onPress={marking.do.endLine} /> : null}
        <Action grow kind="main" label="Done" disabled={drawn.length > 0} onPress={() => void marking.do.finish()} />
      </View>
    </View>
  );
}

/** A mark that was tapped: it can be taken away. */
function AskedMark({ marking, marks }: { marking: MarkingControl; marks: ReturnType<typeof marksOf> }) {
  const asking = [...marks.places, ...marks.lines].find((m) => m.index === marking.asked);
  const close = () => marking.setAsked(null);
  return (
    <Sheet
      title={asking ? ('line' in asking ? (asking.name ?? asking.role) : markText(asking, marking.isMoving)) : ''}
      open={asking !== undefined}
      onClose={close}
      footer={
        <>
          <Action kind="main" height={64} label="Take this mark away" onPress={marking.do.takeAway} />
          <Action label="Leave it" onPress={close} />
        </>
      }
    >
      <Text tone="second">Undo brings it back.</Text>
    </Sheet>
  );
}
