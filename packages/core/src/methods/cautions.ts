import type { Outlook, OutlookWords } from '../outlook';
import type { HazardSetting, Hazard, Method } from './method';
import { methodsOn, usualMethod } from './registry';

/** Stands before the cautions of open water: the model may be wrong. */
const modelledOpen: Hazard = { id: 'modelled-open', headline: 'Open water, as modelled', text: 'If there is ice here, it is new and not to be trusted.' };

/** Said to one who sits in a shelter, where the heater burns. */
/** Ice on moving water: only who has measured it there stands on it, and nothing is planned over it. */
export const riverIce: Hazard = {
  id: 'river-ice',
  headline: 'River ice is not lake ice',
  text: 'Current thins it from below where nothing shows, first at bends, footings, bridges and inflows. Only where you have measured it yourself, before every step, and never over the channel. Local authorities know more.',
};

export const sheltered: Hazard = {
  id: 'shelter',
  headline: 'In a shelter: two vents open, an alarm on',
  text: 'A heater eats the air and gives off gas that nobody smells. Two openings, one low and one high, and an alarm for carbon monoxide.',
};

/** Neither stood on nor fished through. */
export const skinned: Hazard = {
  id: 'skin',
  headline: 'A skin of ice: neither stand nor cast',
  text: 'It does not bear, and no bait goes through. Go to another water that is open, or sort the box.',
};

/** The way of fishing that a water asks for first, what one can go out in, and what stands against it, gravest first. */
export interface WaysNow {
  method: Method | null;
  crafts: Method['crafts'];
  hazards: Hazard[];
}

/** How a water is fished now, with its cautions. Where nobody knows the surface, those of ice are said: they are the gravest. */
export function waysNow(outlook: Outlook, words: OutlookWords, setting: Pick<HazardSetting, 'load' | 'craft' | 'units'>): WaysNow {
  const { surface, ice, grownM } = outlook;
  const method = methodsOn(surface)[0] ?? null;
  const ways = surface === 'unknown' ? [] : methodsOn(surface);
  const own = (m: Method | null) => m?.hazards({ ...setting, ice, grownM }) ?? [];
  const first: Hazard[] = {
    moving: [{ id: 'moving', headline: words.ice.headline, text: words.ice.detail }],
    open: [modelledOpen],
    ice: [],
    skin: [skinned],
    unknown: [],
  }[surface];
  const cautioned = surface === 'unknown' || surface === 'skin' ? usualMethod : surface === 'moving' ? method : (method ?? usualMethod);
  return { method, crafts: [...new Set(ways.flatMap((m) => m.crafts))], hazards: [...first, ...own(cautioned)] };
}
