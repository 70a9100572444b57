import type { LightHabit } from '../fish';
import type { PhaseName } from '../weather';

/** How a phase of the weather moves feeding. Prior of fieldcraft §3, to be outweighed by the angler's own log. */
export interface PhaseRule {
  id: string;
  phase: PhaseName;
  /** Factor on feeding for a fish that minds fronts fully. */
  factor: number;
  reason: string;
  advice: string;
  /** What becomes of the stretch of depth to fish: a share of it, counted up from its lower end; over 1 it reaches higher. */
  stretch: number;
}

export const phaseRules: readonly PhaseRule[] = [
  { id: 'weather.approach', phase: 'approach', factor: 1.7, reason: 'Cloud and a falling glass ahead of a front switch fish on.', advice: 'Fish while it lasts.', stretch: 1.3 },
  { id: 'weather.passage', phase: 'passage', factor: 0.8, reason: 'The front is passing.', advice: 'Expect it to die off.', stretch: 1 },
  {
    id: 'weather.clear',
    phase: 'post-front clear',
    factor: 0.4,
    reason: 'Bright and high behind a front: fish lie tight to bottom, the window is small.',
    advice: 'Small, slow, patient.',
    stretch: 0.35,
  },
  { id: 'weather.settling', phase: 'settling', factor: 0.75, reason: 'Settling after a front: fish come back on by the day.', advice: 'Dawn and dusk first.', stretch: 0.7 },
  { id: 'weather.steady', phase: 'steady', factor: 1, reason: 'Steady weather, even cold, is dependable.', advice: 'Small windows at dawn and dusk.', stretch: 1 },
  { id: 'weather.warming', phase: 'warming trend', factor: 1.2, reason: 'A warming spell wakes fish from midday on.', advice: 'Shallow, late in the day.', stretch: 1.2 },
  { id: 'weather.cold-rain', phase: 'cold rain', factor: 0.35, reason: 'Cold rain and falling water temperature is the worst of it.', advice: 'Better another day.', stretch: 0.5 },
  {
    id: 'weather.unknown',
    phase: 'not enough to say',
    factor: 1,
    reason: 'Too little is known of the weather to say what it does: these hours go by the light alone.',
    advice: 'Look at the sky.',
    stretch: 1,
  },
];

/** How the light moves feeding, by the sun's height, degrees. Fieldcraft §3 by species habit. */
export interface LightRule {
  id: string;
  habit: LightHabit;
  sunDeg: readonly number[];
  factor: readonly number[];
  reason: string;
}

export const lightRules: readonly LightRule[] = [
  { id: 'light.twilight', habit: 'twilight', sunDeg: [-12, -6, -1, 3, 9, 16, 30], factor: [0.35, 0.6, 1, 1, 0.7, 0.5, 0.45], reason: 'Low light at dawn and dusk is their time.' },
  {
    id: 'light.dark-edges',
    habit: 'dark-edges',
    sunDeg: [-18, -10, -4, 1, 6, 12, 30],
    factor: [0.4, 0.8, 1, 0.9, 0.5, 0.35, 0.3],
    reason: 'They hunt on the dark side of dawn and dusk.',
  },
  { id: 'light.night', habit: 'night', sunDeg: [-18, -8, -3, 1, 6, 20], factor: [1, 1, 0.8, 0.45, 0.3, 0.2], reason: 'They hunt in the dark and lie up by day.' },
  { id: 'light.day', habit: 'day', sunDeg: [-6, -2, 2, 8, 16, 40], factor: [0.05, 0.3, 0.8, 1, 0.9, 0.85], reason: 'They feed by sight through the day.' },
];

/** What a heavy sky does to daylight: a full cover lowers the sun by this much as a fish feels it, degrees. Fieldcraft §3. */
export const cloudDimsDeg = 6;

/** When in the day, where schools differ. Fieldcraft §3: deep clear waters and big fish the first hours; shallow water when it has gained a degree. */
export interface ClockRule {
  id: string;
  side: 'early' | 'warmed';
  /** Factors inside and outside its hours. */
  inside: number;
  outside: number;
  reason: string;
}

export const clockRules: readonly ClockRule[] = [
  { id: 'clock.early', side: 'early', inside: 1.2, outside: 0.93, reason: 'The first hours belong to deep, clear water.' },
  { id: 'clock.warmed', side: 'warmed', inside: 1.25, outside: 0.88, reason: 'The first bite comes when the water has gained a degree: midday to dusk.' },
];
