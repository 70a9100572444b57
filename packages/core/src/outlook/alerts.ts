import { clockText, depthText, hourMs, iceText, spanText, tempStepText, windText, type UnitPreference } from '../units';
import { valueAt } from '../water';
import { stormLimits, type Outlook } from './answer';
import { fishDepth } from './band';
import type { ColumnAnswer } from '../column';

/** Something worth a glance. */
export interface Alert {
  id: 'storm' | 'front' | 'water-up' | 'ice-lost' | 'oxygen';
  /** Cautions stand out; the others are good to know. */
  isCaution: boolean;
  text: string;
}

/** When an alert is given. Heuristic; source: fieldcraft §1, §3. */
export const alertLimits = { frontH: 12, warmerC: 1, iceLostM: 0.01, oxygenDaysAhead: 5 } as const;

/** What changes about a water soon or has just changed, for the depth that is fished. */
export function alertsFor(
  answer: ColumnAnswer | null,
  outlook: Pick<Outlook, 'depth' | 'nextFront' | 'storm'>,
  speciesId: string,
  nowMs: number,
  timeZone: string,
  units: UnitPreference,
): Alert[] {
  const { depth, nextFront, storm } = outlook;
  const alerts: Alert[] = [];
  if (storm) {
    const what = storm.windMs >= stormLimits.windMs ? `Wind to ${windText(storm.windMs, units)}` : 'Heavy snow or rain';
    alerts.push({ id: 'storm', isCaution: true, text: `${what} about ${clockText(storm.atMs, timeZone)}: shelters blow over, tracks go, boats swamp. Be off before it.` });
  }
  if (nextFront && nextFront.atMs - nowMs <= alertLimits.frontH * hourMs) {
    alerts.push({
      id: 'front',
      isCaution: false,
      text: `${nextFront.kind === 'occluded' ? 'A' : `A ${nextFront.kind}`} front in ${spanText(nextFront.atMs - nowMs)}: feeding often rises ahead of it and dies behind it.`,
    });
  }
  if (!answer) return alerts;
  const { now, dayAgo, ahead, deepestM } = answer;
  if (dayAgo && depth?.look) {
    const z = (depth.look.fromM + depth.look.toM) / 2;
    const rise = valueAt(now, 'tempC', z) - valueAt(dayAgo, 'tempC', z);
    const shallow = valueAt(now, 'tempC', 1) - valueAt(dayAgo, 'tempC', 1);
    if (rise >= alertLimits.warmerC || (now.iceClearM + now.iceWhiteM === 0 && shallow >= alertLimits.warmerC)) {
      const by = tempStepText(Math.max(rise, shallow), units);
      alerts.push({ id: 'water-up', isCaution: false, text: `The water is up by ${by} since yesterday: an event in winter, shallow first, while it lasts.` });
    }
  }
  const thickness = (p: { iceClearM: number; iceWhiteM: number }) => p.iceClearM + p.iceWhiteM;
  const last = ahead[ahead.length - 1];
  const least = ahead.reduce((a, b) => (thickness(b) < thickness(a) ? b : a));
  if (thickness(now) > 0 && (now.hoursAbove >= 24 || thickness(now) - thickness(least) >= alertLimits.iceLostM)) {
    const lost = thickness(now) - thickness(least);
    const figure = lost >= alertLimits.iceLostM ? ` Some ${iceText(lost, units)} may go by the forecast's end.` : '';
    alerts.push({ id: 'ice-lost', isCaution: true, text: `Thaw: ice loses its strength before it thins.${figure} Old measurements are worth nothing now.` });
  }
  if (depth?.look && last !== now) {
    const later = fishDepth(speciesId, last, { deepestM, footM: null }, depth.stage);
    const drops = depth.spentBelowM === null ? later.spentBelowM !== null : later.spentBelowM !== null && depth.spentBelowM - later.spentBelowM >= 0.3;
    if (drops && later.spentBelowM! < depth.look.toM + 0.5) {
      alerts.push({
        id: 'oxygen',
        isCaution: false,
        text: `Oxygen is failing from below: by the forecast's end too little under ${depthText(later.spentBelowM!, units)}. Deep fish rise or leave.`,
      });
    }
  }
  return alerts;
}
