import { windWaves, effectiveFetch, shelterOf, type Shelter } from './fetch';
import { bankInsolation, sunOnBank, type SunHour } from './sun';
import type { BankSegment } from './shore';

/** How to fish a bank, from clarity and warmth. Source: fieldcraft §2, all four cells. */
export interface ApproachRule {
  id: string;
  water: 'stained' | 'clear';
  isCold: boolean;
  side: 'sunlit' | 'either' | 'part shade';
  /** How far off the bank or cover to look, m. */
  offM: readonly [number, number];
  reason: string;
}

export const approachRules: readonly ApproachRule[] = [
  {
    id: 'bank.stained-cold',
    water: 'stained',
    isCold: true,
    side: 'sunlit',
    offM: [0, 2],
    reason: 'Dark water takes the sun in its top layer: the sunlit bank warms first, and fish lie tight to it.',
  },
  { id: 'bank.stained-mild', water: 'stained', isCold: false, side: 'either', offM: [0, 2], reason: 'Warm enough everywhere: cover decides, not sun, and fish lie tight to it.' },
  { id: 'bank.clear-cold', water: 'clear', isCold: true, side: 'sunlit', offM: [4, 12], reason: 'Sun reaches deep into clear water: the sunlit side, but deeper and further off.' },
  { id: 'bank.clear-mild', water: 'clear', isCold: false, side: 'part shade', offM: [4, 12], reason: 'In clear mild water fish hang further off with some shade by.' },
];

/** Where clear water begins (Secchi, m) and cold water ends (°C). Source: fieldcraft §2. */
export const approachLimits = { clearSecchiM: 1, coldC: 10, wallDeg: 40, windyMs: 5, coldAirC: 2, sunnyCloud: 0.5 } as const;

/** The row for a water; one whose temperature is not known is taken for cold, and its words must say so. */
export const approachOf = (secchiM: number, tempC: number | null): ApproachRule =>
  approachRules.find((r) => (r.water === 'clear') === secchiM > approachLimits.clearSecchiM && r.isCold === (tempC === null || tempC < approachLimits.coldC))!;

/** Clarity rules the distance, steepness the method. Source: fieldcraft §2. */
export const castsAlong = (steepDeg: number): 'parallel' | 'pitched' => (steepDeg >= approachLimits.wallDeg ? 'parallel' : 'pitched');

/** Which bank when it blows: where schools differ. */
export type WindViewpoint = 'windward' | 'lee';

/** A bank now: sun, wind, and what it is worth. */
export interface BankState {
  segment: BankSegment;
  fetchM: number;
  waveM: number;
  shelter: Shelter;
  isSunlit: boolean;
  shadeM: number;
  /** Sun of the hours looked at, Wh/m². */
  insolationWh: number;
  casts: 'parallel' | 'pitched';
  /** 0–1 against the other banks of this water. */
  score: number;
  ruleIds: string[];
}

export interface BankSetting {
  secchiM: number;
  /** Of the water near the surface, °C; null where it is neither measured nor modelled. */
  tempC: number | null;
  airC: number;
  windMs: number;
  windFromDeg: number;
  cloud: number;
  viewpoint: WindViewpoint;
}

/**
 * Every bank of a water under sun and wind, scored against the others: sunlit and warmed where that counts, sheltered from a cold
 * wind, or where the sun shines and the wind blows, on the side that the chosen viewpoint fishes.
 * @param hours the sun's last days up to now, the last row being now
 */
export function judgeBanks(ring: Float64Array, segments: readonly BankSegment[], hours: readonly SunHour[], setting: BankSetting): BankState[] {
  const approach = approachOf(setting.secchiM, setting.tempC);
  const now = hours[hours.length - 1];
  const wind = windRule(setting);
  const states = segments.map((segment): BankState => {
    const fetchM = effectiveFetch(ring, segment.x, segment.y, setting.windFromDeg);
    const waveM = windWaves(fetchM, setting.windMs).heightM;
    const sun = now ? sunOnBank(segment, now) : { incidence: 0, shadeM: Infinity, isSunlit: false };
    return {
      segment,
      fetchM,
      waveM,
      shelter: shelterOf(waveM),
      isSunlit: sun.isSunlit,
      shadeM: sun.shadeM,
      insolationWh: bankInsolation(segment, hours),
      casts: castsAlong(segment.steepDeg),
      score: 0,
      ruleIds: [approach.id, ...(wind ? [wind.id] : [])],
    };
  });
  const most = Math.max(1e-9, ...states.map((s) => s.insolationWh));
  const longest = Math.max(1e-9, ...states.map((s) => s.fetchM));
  const least = Math.min(...states.map((s) => s.insolationWh));
  for (const s of states) {
    const warmed = most > least ? (s.insolationWh - least) / (most - least) : 0.5;
    const open = s.fetchM / longest;
    const bySun = approach.side === 'sunlit' ? warmed : approach.side === 'either' ? 0.5 : 1 - Math.abs(warmed - 0.4);
    const byWind = wind === null ? 0.5 : wind.side === 'windward' ? open : 1 - open;
    s.score = 0.55 * bySun + 0.45 * byWind;
  }
  return states;
}

/** What the wind makes of banks; null while it hardly blows. Source: fieldcraft §2. */
export function windRule(setting: Pick<BankSetting, 'airC' | 'windMs' | 'cloud' | 'viewpoint'>): { id: string; side: WindViewpoint; reason: string } | null {
  if (setting.windMs < approachLimits.windyMs) return null;
  if (setting.airC < approachLimits.coldAirC && setting.cloud > approachLimits.sunnyCloud)
    return { id: 'bank.cold-wind', side: 'lee', reason: 'A cold wind without sun: the sheltered bank.' };
  return setting.viewpoint === 'windward'
    ? { id: 'bank.sunny-wind.windward', side: 'windward', reason: 'Sun and wind: food is blown into the windward shallows.' }
    : { id: 'bank.sunny-wind.lee', side: 'lee', reason: 'Sun and wind: the lee keeps the warm top layer.' };
}
