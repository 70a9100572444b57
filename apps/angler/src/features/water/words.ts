import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { bearingDeg, compassPoint, distanceM, type LonLat } from '@burrow/core/ground';
import type { LedgerState } from '@burrow/core/ledger';
import { counted, distanceText, type UnitPreference } from '@burrow/core/units';
import { sunShareLimits } from '@burrow/core/weather';
import type { MapHole } from '@/features/water/map/places';

export const waterKinds: readonly { id: WaterFile['water']['kind']; label: string }[] = [
  { id: 'lake', label: 'Lake' },
  { id: 'reservoir', label: 'Reservoir' },
  { id: 'river', label: 'River' },
  { id: 'channel', label: 'Channel' },
];

/** Where to begin, before anything was drilled or planned. `hasBand` is whether any depth suits the fish. */
export function firstWords(
  first: { words: { headline: string; detail: string } } | null | undefined,
  isPending: boolean,
  fish: string,
  isOpen: boolean,
  hasBand: boolean,
): { headline: string; detail: string } {
  if (first) return { ...first.words, detail: isOpen ? `${first.words.detail} Pass over it with the sounder on, and stop over what shows.` : first.words.detail };
  if (isPending) return { headline: 'Looking for the first place', detail: `Where ${fish.toLowerCase()} are in this water is being worked out.` };
  if (hasBand) return { headline: 'No place to begin found', detail: 'The map has no water that is not under ice measured too thin. Tap a place of your own, or another water.' };
  return { headline: `No depth here suits ${fish.toLowerCase()} now`, detail: 'Another fish, or another water: the Outlook shows warmth and oxygen by depth.' };
}

export function way(from: LonLat | null, to: LonLat, units: UnitPreference): string | null {
  return from ? `${distanceText(distanceM(from, to), units)} ${compassPoint(bearingDeg(from, to))} of you` : null;
}

export function mapHoles(outings: LedgerState['outings'], water: string | undefined, current: string | undefined): MapHole[] {
  return outings
    .filter((o) => o.water === water)
    .flatMap((o) => o.stations.map((h) => ({ id: h.id, label: h.label, at: h.at, fish: o.fish.filter((f) => f.station === h.id).length, current: o.id === current })));
}

/** What is said of a water of which no map can be drawn yet. */
export function unsoundedWords(depths: number, isMoving: boolean, isOut: boolean): { headline: string; detail: string } {
  const wanted = 3 - depths;
  const headline = depths === 0 ? 'No depth known here yet' : wanted <= 0 ? 'Depths too close together for a map' : depths === 1 ? 'One depth known' : 'Two depths known';
  if (isMoving) return { headline, detail: 'Where fish winter and feed in moving water follows from its depths and marks: bring soundings, or mark its seams.' };
  const map = wanted <= 0 ? 'One more, further off, makes a map.' : `${['', 'One more makes', 'Two more make', 'Three make'][wanted]} a map, with its doubt.`;
  return { headline, detail: `${map} ${isOut ? 'Sound each hole as you open it.' : 'Start anywhere that the ice and the law allow, and sound each hole.'}` };
}

/** Said first to one who began on the ice of water that is open by what is known. */
export const openUnderFoot = 'Open water by all that is known here: stay off, or measure the ice before every few steps and log it.';

/** Where to begin on a pond of which no depth is known but whose dam or outflow is drawn: there it is deepest. Never for who walks on ice: it is thin there. */
export const damWords = (sunned: number | null): { headline: string; detail: string } => ({
  headline: 'Begin by the dam: deepest there',
  detail: `A pond is deepest by its dam or outflow, and bait fish winter there. Sound it as you begin.${sunned !== null && sunned >= sunShareLimits.sunny ? ' Days of sun have warmed the edges: a cast along the lit one as well.' : ''}`,
});

/** What a water being drawn has, and what it wants next. */
export function newWaterWords(isSomewhere: boolean, corners: number, soundings: number): { wants: string; has: string } {
  const wants = !isSomewhere
    ? 'Where is it? Let the phone say, type the place, or bring a shore or soundings from a file.'
    : corners >= 3
      ? 'Drag a corner to where it belongs, then save.'
      : 'A point is enough to begin. Tap corner after corner for the shore: from three on it is one.';
  const shore = corners === 0 ? 'no shore yet' : corners < 3 ? `${counted(corners, 'corner')}, no shore yet` : counted(corners, 'corner');
  return { wants, has: `${shore}, ${counted(soundings, 'sounding')}` };
}
