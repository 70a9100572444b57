import { readFileSync } from 'node:fs';
import path from 'node:path';
import { middleOfWater, parseWaterFile, type WaterFile } from '@burrow/contract/formats/water-geojson';
import type { LonLat } from '@burrow/core/ground';
import type { EventBodies, EventKind, LedgerEvent, LedgerState, OutingState } from '@burrow/core/ledger';
import { methodOf } from '@burrow/core/methods';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, configure, fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import { useEffect, useState, type ReactNode } from 'react';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { OutlookProvider } from '@/data/outlook';
import { change, startingPreferences, unitSystems } from '@/data/preferences';
import { AccountProvider, useLedger } from '@/data/session';
import type { Preferences } from '@/data/stored-preferences';
import { useWater } from '@/data/water';
import { ThemeProvider } from '@/theme/theme';
import { baseMs, testId } from '../../../packages/core/test/events';

/*
 * An account at a water, with the phone's own ledger over its own database, the real core and the real ground worker. Stood in for is only
 * what is no program of ours: the server, which has no signal, the clock, the place that the phone says, and the canvas of the chart.
 */

let mockNow = baseMs;
let mockWide = false;
let mockWater: { id: string; version: number; file: WaterFile };
const mockPlaced = () => {
  const [lon, lat] = middleOfWater(mockWater.file);
  return [{ id: mockWater.id, name: mockWater.file.water.name, kind: mockWater.file.water.kind, lon, lat }];
};
jest.mock('@/data/clock', () => ({ nowMs: () => mockNow, useNow: () => mockNow, useWallNow: () => Date.now(), setClock: () => undefined }));
jest.mock('@/data/api', () => {
  const real = jest.requireActual('@/data/api');
  const refuse = (error: () => Error) => async () => {
    throw error();
  };
  const none = refuse(() => new real.ApiError(404, 'none'));
  return { ...real, api: { waters: async () => mockPlaced(), water: async () => mockWater, weather: none, winter: none, sync: refuse(() => new real.OfflineError()) } };
});
jest.mock('@/workers/spawn', () => ({
  spawnGround: () => jest.requireActual('@/workers/ground.api').groundApi,
  spawnColumn: () => ({ answer: () => new Promise(() => undefined) }),
}));
jest.mock('@/features/shell/Shell', () => ({ useWide: () => mockWide }));
jest.mock('@/ui/useWakeLock', () => ({ useWakeLock: () => undefined }));
jest.mock('@/ui/useShortcuts', () => ({ useShortcuts: () => undefined }));
const mockWent: string[] = [];
jest.mock('expo-router', () => ({
  useRouter: () => ({ navigate: (to: string) => mockWent.push(to), back: () => undefined }),
  useLocalSearchParams: () => ({}),
}));
interface Chart {
  candidate: LonLat | null;
  position: LonLat | null;
  onTap: (at: LonLat) => void;
}
const mockChart: Chart = { candidate: null, position: null, onTap: () => undefined };
jest.mock('@/features/water/map/DepthMapView', () => ({ __esModule: true, default: (props: Chart) => mockDrawn(props) }));
jest.mock('@/features/water/map/BlankMap', () => ({ __esModule: true, default: (props: Chart) => mockDrawn(props) }));
const mockDrawn = ({ candidate, position, onTap }: Chart) => {
  Object.assign(mockChart, { candidate, position, onTap });
  return null;
};

// Only to end a test that hangs: a map takes its time to draw on a busy machine.
configure({ asyncUtilTimeout: 60_000 });
afterEach(() => jest.restoreAllMocks());

/** A water of the demo. */
export const demoWater = (name: string): WaterFile => parseWaterFile(readFileSync(path.resolve(__dirname, `../../../demo/${name}.geojson`), 'utf8'));

/** A water of which nothing is known but where it lies. */
export const pointWater = (kind: WaterFile['water']['kind'], at: [number, number], more: Partial<WaterFile['water']> = {}): WaterFile =>
  parseWaterFile(
    JSON.stringify({
      type: 'FeatureCollection',
      water: { name: 'Bare Water', kind, timezone: 'UTC', elevation_m: 0, secchi_m: 1, at, assumed: ['secchi_m'], ...more },
      features: [],
    }),
  );

type Watcher = (position: { coords: object; timestamp: number }) => void;
const watchers = new Set<Watcher>();
let fix: { at: LonLat; accuracyM: number } | null = null;
let isSlow = false;
const positionOf = ({ at, accuracyM }: NonNullable<typeof fix>) => ({
  coords: { longitude: at[0], latitude: at[1], accuracy: accuracyM, heading: null, speed: null },
  timestamp: Date.now(),
});
const geolocation = {
  watchPosition: (ok: Watcher, no: (e: object) => void) => {
    watchers.add(ok);
    setTimeout(() => (fix ? ok(positionOf(fix)) : no({ code: 1, PERMISSION_DENIED: 1 })));
    return ok;
  },
  clearWatch: (ok: Watcher) => watchers.delete(ok),
  getCurrentPosition: (ok: Watcher, no: (e: object) => void) =>
    void setTimeout(() => (isSlow ? no({ code: 3 }) : fix ? ok(positionOf(fix)) : no({ code: 1, PERMISSION_DENIED: 1 }))),
};
Object.defineProperty(globalThis, 'navigator', {
  configurable: true,
  value: { language: 'en-GB', geolocation, permissions: { query: async () => ({ state: fix ? 'granted' : 'denied' }) } },
});

const kept = new Map<string, string>();
Object.defineProperty(globalThis, 'localStorage', {
  configurable: true,
  value: {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  },
});

/** The phone is carried to a place, or may not say where it is. */
export async function phoneAt(at: LonLat | null, accuracyM = 5): Promise<void> {
  fix = at && { at, accuracyM };
  isSlow = false;
  await act(async () => {
    if (fix) for (const watcher of watchers) watcher(positionOf(fix));
  });
}

/** The phone stands where it stood, and takes too long to say so anew: what it said last is `ageMs` old. */
export function phoneIsSlow(ageMs: number): void {
  isSlow = true;
  const now = Date.now.bind(Date);
  jest.spyOn(Date, 'now').mockImplementation(() => now() + ageMs);
}

/** The phone says nothing any more, and what it said last is a while ago. */
export function phoneGoesQuiet(): void {
  fix = null;
  const now = Date.now.bind(Date);
  jest.spyOn(Date, 'now').mockImplementation(() => now() + 60_000);
}

export type Logged = { [K in EventKind]: [minutes: number, kind: K, body: EventBodies[K]] }[EventKind];

interface Setting {
  file: WaterFile;
  /** What the outing under way holds already, in minutes from the base time; none is under way where it is left out. */
  log?: readonly Logged[];
  species?: string;
  method?: string;
  preferences?: Partial<Preferences>;
  wide?: boolean;
  /** The moment of the visit, minutes after the base time. */
  minutes?: number;
}

const known: { state: LedgerState | null; events: readonly LedgerEvent[] } = { state: null, events: [] };
let visits = 0;
const screenMetrics = { frame: { x: 0, y: 0, width: 390, height: 844 }, insets: { top: 0, left: 0, right: 0, bottom: 0 } };

/** Writes what was logged before, then shows the screen. */
function Prepared({ setting, outing, children }: { setting: Setting; outing: string; children: ReactNode }) {
  const { ledger, ready, state, events } = useLedger();
  const { detail } = useWater();
  const [isDone, setDone] = useState(false);
  useEffect(() => {
    if (!ready) return;
    void (async () => {
      const scope = { id: outing, zone: 'UTC' };
      const { species = 'black-crappie', method, log } = setting;
      const begun = { water: 'here', waterName: setting.file.water.name, species: [species], goal: 'numbers' as const, method: method ?? 'ice' };
      if (log) await ledger.writeAll(scope, [{ kind: 'outing-started', body: begun }], baseMs);
      for (const [minutes, kind, body] of log ?? []) await ledger.writeAll(scope, [{ kind, body }], baseMs + minutes * 60_000);
      setDone(true);
    })();
  }, [ready, ledger, outing, setting]);
  useEffect(() => void Object.assign(known, { state, events }), [state, events]);
  return isDone && detail.data ? children : null;
}

/** Until what was pressed is on the phone's disk. */
const settled = async () => {
  for (let k = 0; k < 20; k++) await new Promise((resolve) => setTimeout(resolve, 3));
};

/** Presses the first of what bears the name, when it is there. */
async function pressed(role: 'button' | 'radio', name: string | RegExp): Promise<void> {
  await screen.findAllByRole(role, { name });
  // What was found may have been drawn anew meanwhile.
  await act(settled);
  fireEvent.press(screen.getAllByRole(role, { name })[0]);
  await act(settled);
}

/** What is asked of a visit to a water. */
export interface Visit {
  /** Bodies of a kind that were written since the screen was shown, in order. */
  wrote: <K extends EventKind>(kind: K) => EventBodies[K][];
  /** Kinds that were written since, in order. */
  kinds: () => EventKind[];
  outing: () => OutingState;
  press: (name: string | RegExp) => Promise<void>;
  /** Chooses one of several. */
  choose: (name: string | RegExp) => Promise<void>;
  tap: (at: LonLat) => Promise<void>;
  heading: () => string;
  went: () => string | undefined;
  chart: Chart;
  unmount: () => void;
}

/** Shows a screen to somebody at a water, and answers what it wrote. */
export async function visit(setting: Setting, screenOf: () => ReactNode): Promise<Visit> {
  mockNow = baseMs + (setting.minutes ?? 0) * 60_000;
  mockWide = setting.wide ?? false;
  mockWater = { id: 'here', version: 1, file: setting.file };
  mockWent.length = 0;
  const species = setting.species ?? 'black-crappie';
  change({ ...startingPreferences, units: unitSystems.metric, presentations: [], presentation: null, species, ...setting.preferences });
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const Screen = screenOf;
  const { unmount } = render(
    <SafeAreaProvider initialMetrics={screenMetrics}>
      <QueryClientProvider client={client}>
        <ThemeProvider name="day">
          <AccountProvider account={{ id: `angler-${++visits}`, name: 'Ada', isDemo: false }}>
            <Prepared setting={setting} outing={testId()}>
              <OutlookProvider>
                <Screen />
              </OutlookProvider>
            </Prepared>
          </AccountProvider>
        </ThemeProvider>
      </QueryClientProvider>
    </SafeAreaProvider>,
  );
  await waitFor(() => expect(screen.getAllByRole('heading').length).toBeGreaterThan(0));
  const before = new Set(known.events.map((e) => e.id));
  const since = () => known.events.filter((e) => !before.has(e.id));
  return {
    wrote: (kind) => since().flatMap((e) => (e.kind === kind ? [e.body as never] : [])),
    kinds: () => since().map((e) => e.kind),
    outing: () => known.state!.outings.at(-1)!,
    press: (name) => pressed('button', name),
    choose: (name) => pressed('radio', name),
    tap: (at) => act(async () => mockChart.onTap(at)),
    heading: () => [screen.getAllByRole('heading')[0].props.children as string].flat().join(''),
    went: () => mockWent.at(-1),
    chart: mockChart,
    unmount: () => {
      unmount();
      client.clear();
    },
  };
}

/** The name of a way's key that opens a station where one is. */
export const openKey = (method: string): string => methodOf(method)!.open;
