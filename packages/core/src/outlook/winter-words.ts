import { dayMs, dayText, iceText, type UnitPreference } from '../units';

/** A winter as it is told: its days, and ice as it was measured. */
interface ToldWinter {
  nowMs: number;
  days: readonly { atMs: number; iceClearM: number; iceWhiteM: number }[];
  freezeUpMs: number | null;
  iceOutMs: number | null;
  measured: readonly { atMs: number; clearM: number; whiteM: number }[];
}

const thickness = (d: { iceClearM: number; iceWhiteM: number }) => d.iceClearM + d.iceWhiteM;
const weekMs = 7 * dayMs;

/** The winter's ice in a sentence and its reason. */
export function winterWords(winter: ToldWinter, timeZone: string, units: UnitPreference): { title: string; detail: string } {
  const { days, nowMs, freezeUpMs, iceOutMs } = winter;
  const now = days.reduce((a, b) => (Math.abs(b.atMs - nowMs) < Math.abs(a.atMs - nowMs) ? b : a), days[0]);
  if (freezeUpMs === null || freezeUpMs > nowMs)
    return {
      title: 'Open water since autumn',
      detail: freezeUpMs === null ? 'No ice to the end of the forecast.' : `First lasting ice comes about ${dayText(freezeUpMs, timeZone)}.`,
    };
  if (iceOutMs !== null && iceOutMs <= nowMs) return { title: `Ice out about ${dayText(iceOutMs, timeZone)}`, detail: `It froze over about ${dayText(freezeUpMs, timeZone)}.` };
  const before = days.findLast((d) => d.atMs <= nowMs - weekMs);
  const gained = before ? thickness(now) - thickness(before) : 0;
  const last = days[days.length - 1];
  const ahead = thickness(last) - thickness(now);
  const change = (m: number) => (Math.abs(m) < 0.008 ? 'about nothing' : `${m > 0 ? 'gain' : 'lose'} ${iceText(Math.abs(m), units)}`);
  return {
    title: `Froze over about ${dayText(freezeUpMs, timeZone)}`,
    detail: `${gained >= 0 ? 'Grown' : 'Lost'} ${iceText(Math.abs(gained), units)} in the last week; to the end of the forecast it should ${change(ahead).replace(/^about nothing$/, 'hardly change')}.`,
  };
}

/** A row a week since the water froze, latest last: the day, modelled ice, its bare figure in the angler's unit, and the thinnest measured that week. */
export function winterIceRows(winter: ToldWinter, timeZone: string, units: UnitPreference): { day: string; modelled: string; figure: number; measured: string | null }[] {
  const from = winter.freezeUpMs ?? winter.nowMs;
  const perUnit = units.ice === 'in' ? 0.0254 : 0.01;
  const rows = [];
  for (let i = winter.days.length - 1; i >= 0; i -= 7) {
    const day = winter.days[i];
    if (day.atMs < from - weekMs) break;
    const measured = winter.measured.filter((m) => m.atMs <= day.atMs && m.atMs > day.atMs - weekMs).map((m) => m.clearM + m.whiteM);
    rows.unshift({
      day: dayText(day.atMs, timeZone).slice(4),
      modelled: iceText(thickness(day), units),
      figure: Math.round((10 * thickness(day)) / perUnit) / 10,
      measured: measured.length > 0 ? iceText(Math.min(...measured), units) : null,
    });
  }
  return rows;
}
