import { clockText, dayText, depthText, hourMs, iceText, spanText, startOfDay, tempStepText, windText, type UnitPreference } from '../units';
import { valueAt } from '../water';
import { sunShareLimits } from '../weather';
import { stormLimits, type Outlook } from './answer';
import { fishDepth } from './band';
import type { ColumnAnswer } from '../column';

/** Something worth a glance. */
export interface Alert {
  id: 'storm' | 'skin' | 'front' | 'sun-ends' | 'water-up' | 'ice-lost' | 'oxygen';
  /** Cautions stand out; the others are good to know. */
  isCaution: boolean;
  text: string;
}

/** When an alert is given. Heuristic; source: fieldcraft §1, §3. */
export const alertLimits = { frontH: 12, warmerC: 1, iceLostM: 0.01, oxygenDaysAhead: 5 } as const;

interface Asked {
  outlook: Pick<Outlook, 'depth' | 'nextFront' | 'storm' | 'skin'> & Partial<Pick<Outlook, 'surface' | 'sunned' | 'cloudAhead'>>;
  speciesId: string;
  nowMs: number;
  timeZone: string;
  units: UnitPreference;
  /** Waters of the angler's that flow, and so stay open longer. */
  flowing: readonly string[];
}

/** What changes about a water soon or has just changed, for the depth that is fished. */
export function alertsFor(
  answer: ColumnAnswer | null,
  outlook: Asked['outlook'],
  speciesId: string,
  nowMs: number,
  timeZone: string,
  units: UnitPreference,
  flowing: readonly string[] = [],
): Alert[] {
  const asked = { outlook, speciesId, nowMs, timeZone, units, flowing };
  const ofWater = answer ? [warmedWater(answer, asked), lostIce(answer, asked), failingOxygen(answer, asked)] : [];
  return [comingStorm(asked), comingSkin(asked), comingFront(asked), endingSun(asked), ...ofWater].filter((a) => a !== null);
}

function comingStorm({ outlook: { storm }, timeZone, units }: Asked): Alert | null {
  if (!storm) return null;
  const what = storm.windMs >= stormLimits.windMs ? `Wind to ${windText(storm.windMs, units)}` : 'Heavy snow or rain';
  return { id: 'storm', isCaution: true, text: `${what} about ${clockText(storm.atMs, timeZone)}: shelters blow over, tracks go, boats swamp. Be off before it.` };
}

function comingSkin({ outlook: { skin }, timeZone, flowing }: Asked): Alert | null {
  if (!skin) return null;
  const by = skin.by === 'modelled' ? 'by the model' : 'by the frost foretold, where it is small and calm';
  const other = flowing.length > 0 ? ` Moving water stays open longer: ${flowing.join(', ')}.` : '';
  return {
    id: 'skin',
    isCaution: true,
    text: `Likely skinned over by ${dayText(skin.byMs, timeZone)}, ${by}, after ${skin.frostH} h of frost: neither to stand on nor to cast through.${other}`,
  };
}

function comingFront({ outlook: { nextFront }, nowMs }: Asked): Alert | null {
  if (!nextFront || nextFront.atMs - nowMs > alertLimits.frontH * hourMs) return null;
  const kind = nextFront.kind === 'occluded' ? 'A' : `A ${nextFront.kind}`;
  return { id: 'front', isCaution: false, text: `${kind} front in ${spanText(nextFront.atMs - nowMs)}: feeding often rises ahead of it and dies behind it.` };
}

/** Open water that days of sun have warmed near the surface loses it under lasting cloud; ahead of snow or rain the fish feed. */
function endingSun({ outlook: { surface, sunned, cloudAhead }, nowMs, timeZone }: Asked): Alert | null {
  if (surface !== 'open' || !cloudAhead || (sunned ?? 0) < sunShareLimits.sunny) return null;
  const day = startOfDay(nowMs, timeZone) === startOfDay(cloudAhead.atMs, timeZone) ? '' : ` ${dayText(cloudAhead.atMs, timeZone).slice(0, 3)}`;
  const feeds = cloudAhead.falls ? ` Ahead of the ${cloudAhead.falls} they feed: go before it.` : '';
  return { id: 'sun-ends', isCaution: false, text: `Cloud from ${clockText(cloudAhead.atMs, timeZone)}${day}, to stay: the layer that the sun has warmed ends with it.${feeds}` };
}

function warmedWater({ now, dayAgo }: ColumnAnswer, { outlook: { depth }, units }: Asked): Alert | null {
  if (!dayAgo || !depth?.look) return null;
  const riseAt = (z: number) => valueAt(now, 'tempC', z) - valueAt(dayAgo, 'tempC', z);
  const rise = riseAt((depth.look.fromM + depth.look.toM) / 2);
  const shallow = riseAt(1);
  const isUp = rise >= alertLimits.warmerC || (iceOf(now) === 0 && shallow >= alertLimits.warmerC);
  const by = tempStepText(Math.max(rise, shallow), units);
  return isUp ? { id: 'water-up', isCaution: false, text: `The water is up by ${by} since yesterday: an event in winter, shallow first, while it lasts.` } : null;
}

const iceOf = (p: { iceClearM: number; iceWhiteM: number }) => p.iceClearM + p.iceWhiteM;

function lostIce({ now, ahead }: ColumnAnswer, { units }: Asked): Alert | null {
  const lost = iceOf(now) - Math.min(...ahead.map(iceOf));
  if (iceOf(now) <= 0 || (now.hoursAbove < 24 && lost < alertLimits.iceLostM)) return null;
  const figure = lost >= alertLimits.iceLostM ? ` Some ${iceText(lost, units)} may go by the forecast's end.` : '';
  return { id: 'ice-lost', isCaution: true, text: `Thaw: ice loses its strength before it thins.${figure} Old measurements are worth nothing now.` };
}

function failingOxygen({ now, ahead, deepestM }: ColumnAnswer, { outlook: { depth }, speciesId, units }: Asked): Alert | null {
  const last = ahead[ahead.length - 1];
  if (!depth?.look || last === now) return null;
  const { spentBelowM } = fishDepth(speciesId, last, { deepestM, footM: null }, depth.stage);
  if (spentBelowM === null || spentBelowM >= depth.look.toM + 0.5) return null;
  const drops = depth.spentBelowM === null || depth.spentBelowM - spentBelowM >= 0.3;
  if (!drops) return null;
  return {
    id: 'oxygen',
    isCaution: false,
    text: `Oxygen is failing from below: by the forecast's end too little under ${depthText(spentBelowM, units)}. Deep fish rise or leave.`,
  };
}
