import { joinedSettings, type AccountSettings } from '@burrow/contract/api';
import { useEffect } from 'react';
import { api } from './api';
import { lendDemoBox, returnDemoBox } from './demo-box';
import { adopt, preferences, startingPreferences } from './preferences';
import { useObservable } from './observable-value';
import { useAccount, useLedger } from './session';
import type { Preferences } from './stored-preferences';

/** What goes with the angler from phone to phone. Light, sound, the flasher and what was open last belong to the phone. */
export const accountKeys = [
  'units',
  'species',
  'speciesOn',
  'forage',
  'presentations',
  'presentation',
  'kit',
  'goal',
  'leastIceM',
  'load',
  'craft',
  'castM',
  'pole',
  'troll',
  'viewpoints',
  'windViewpoint',
  'pressedWaters',
  'coldPlaces',
  'holeRound',
  'hangsAbove',
] as const satisfies readonly (keyof Preferences)[];

const pick = (all: Preferences) => Object.fromEntries(accountKeys.map((key) => [key, all[key]])) as Pick<Preferences, (typeof accountKeys)[number]>;

/** When each setting of an account was set on this phone, and for which account the preferences stand now. */
interface Kept {
  account: string;
  settings: AccountSettings;
  /** The preferences as they were when the settings were put in force: what differs from that was set by hand since. */
  seen: Readonly<Record<string, string>>;
}

const key = 'burrow.account-settings';
const keyOf = (account: string) => `${key}/${account}`;

function stored(name: string): Kept | null {
  try {
    return JSON.parse(globalThis.localStorage?.getItem(name) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

function keep(name: string, kept: Kept): void {
  try {
    globalThis.localStorage?.setItem(name, JSON.stringify(kept));
  } catch {
    // Where the browser keeps nothing, the server has what was sent.
  }
}

let current: Kept | null = stored(key);

const seenNow = () => Object.fromEntries(Object.entries(pick(preferences.get())).map(([name, value]) => [name, JSON.stringify(value)]));

/** The settings of now with the time each was set: what differs from what was seen was set just now. */
function stamped({ settings, seen }: Pick<Kept, 'settings' | 'seen'>, atMs: number): AccountSettings {
  const changed = Object.entries(pick(preferences.get())).filter(([name, value]) => seen[name] !== JSON.stringify(value));
  return { ...settings, ...Object.fromEntries(changed.map(([name, value]) => [name, { atMs, value }])) };
}

/** Puts settings in force, each where it holds; one that a newer app wrote and this one does not know stays as it is. */
function put(settings: AccountSettings): void {
  adopt(Object.fromEntries(Object.entries(settings).map(([name, { value }]) => [name, value])), accountKeys);
}

/** Makes the preferences those of an account: what another account set on this phone goes with that one, and its own come back. */
export function enterAccount(account: string, nowMs = Date.now()): void {
  if (current?.account === account) return;
  const nothing = { settings: {}, seen: {} };
  if (current) {
    keep(keyOf(current.account), { account: current.account, settings: stamped(current, nowMs), seen: seenNow() });
    const own = stored(keyOf(account));
    adopt(pick(startingPreferences), accountKeys);
    // What nobody set counts as set at the beginning of time, so that whatever the server has goes before it.
    const settings = own?.settings ?? stamped(nothing, 0);
    put(settings);
    current = { account, settings, seen: seenNow() };
  } else {
    // The first account on this phone takes what was set before accounts had settings; what the server has is newer.
    current = { account, settings: stamped(nothing, 1), seen: seenNow() };
  }
  keep(key, current);
}

/** Forgets what this phone kept of an account's settings, and puts the usual ones in force. */
export function forgetSettings(account: string): void {
  for (const name of [key, keyOf(account)]) globalThis.localStorage?.removeItem(name);
  current = null;
  adopt(pick(startingPreferences), accountKeys);
}

/** Sends what was set here and takes in what was set elsewhere, of each the later. */
export async function syncSettings(nowMs = Date.now()): Promise<void> {
  if (!current) return;
  const { account } = current;
  const sent = { settings: stamped(current, nowMs), seen: seenNow() };
  const theirs = await api.settings(sent.settings);
  if (current?.account !== account) return;
  // What was set while they were on their way is newer than both.
  // Of two set at one time the server's stands, there and here.
  const joined = joinedSettings(theirs, stamped(sent, Date.now()));
  put(joined);
  current = { account, settings: joined, seen: seenNow() };
  keep(key, current);
}

/** Keeps the settings of the account on this phone and on the server alike. */
export function useAccountSettings(): void {
  const { id, isDemo } = useAccount();
  const { reached } = useLedger();
  const all = useObservable(preferences);
  useEffect(() => {
    enterAccount(id);
    if (isDemo) lendDemoBox();
    else returnDemoBox();
  }, [id, isDemo]);
  useEffect(() => {
    if (!reached) return;
    // A stepper is pressed several times; what fails is sent with the next change or the next signal.
    const later = setTimeout(() => void syncSettings().catch(() => undefined), 1500);
    return () => clearTimeout(later);
  }, [id, reached, all]);
}
