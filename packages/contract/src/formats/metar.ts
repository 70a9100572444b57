import type { WeatherHour } from '@burrow/core/weather';
import { parseMetar, type IMetar } from 'metar-taf-parser';
import { FormatError } from './format-error';

/** A group that could not be read. The rest of its report is kept. */
export interface BadGroup {
  line: number;
  group: string;
  expected: string;
}

export interface MetarFile {
  series: WeatherHour[];
  bad: BadGroup[];
}

const weather = /^(?:[-+]|VC|RE)?(?:MI|PR|BC|DR|BL|SH|TS|FZ)?(?:DZ|RA|SN|SG|IC|PL|GR|GS|UP|BR|FG|FU|VA|DU|SA|HZ|PY|PO|SQ|FC|SS|DS){0,3}$|^(?:NSW|\/\/)$/;

/** Groups of a report's body in their WMO form (FM 15), as far as they carry anything for an angler, and what is passed over. */
const groups: readonly { name: string; form: RegExp }[] = [
  { name: 'report', form: /^(?:METAR|SPECI|AUTO|COR|CC[A-Z]|NIL|NOSIG|CAVOK)$/ },
  { name: 'wind such as 31012G20KT', form: /^(?:(?:[0-2]\d0|3[0-5]\d|360|\d{3}|VRB)P?\d{2,3}(?:GP?\d{2,3})?|\/{5})(?:KT|MPS|KMH)$/ },
  { name: 'varying wind', form: /^\d{3}V\d{3}$/ },
  { name: 'visibility', form: /^(?:\d{4}(?:N|NE|E|SE|S|SW|W|NW|NDV)?|[PM]?\d{1,2}SM|[PM]?\d{1,2}\/\d{1,2}SM|\d{1,2}|\/{4}(?:SM)?)$/ },
  { name: 'runway', form: /^R\d{2}[LCR]?\/.+$/ },
  { name: 'weather such as -SN', form: weather },
  { name: 'cloud such as BKN045', form: /^(?:(?:FEW|SCT|BKN|OVC)(?:\d{3}|\/{3})(?:CB|TCU|\/{3})?|VV(?:\d{3}|\/{3})|SKC|CLR|NSC|NCD|\/{6}(?:CB|TCU)?)$/ },
  { name: 'temperature such as M06/M09', form: /^(?:M?\d{2}|\/{2})\/(?:M?\d{2}|\/{2})?$/ },
  { name: 'pressure such as Q1014 or A3002', form: /^(?:Q\d{4}|A\d{4}|Q\/{4}|A\/{4})$/ },
];

const cover: Record<string, number> = { SKC: 0, CLR: 0, NSC: 0, NCD: 0, FEW: 0.2, SCT: 0.45, BKN: 0.75, OVC: 1 };
const metresPerSecond: Record<string, number> = { KT: 0.514444, MPS: 1, 'KM/H': 1 / 3.6, KMH: 1 / 3.6 };
/** Water an hour by the strength of what falls, mm. */
const fall = { '-': 0.4, '': 1.5, '+': 5 } as const;
const falling = /^(?:DZ|RA|SN|SG|PL|GR|GS|UP|IC)$/;

/**
 * Reads METAR text, a report a line, `#` for remarks of one's own. Groups that cannot be read are named with their line and left
 * out; a report without a time is left out whole. Reports carry only day and hour: `month` ("2027-01") says of which month the
 * first is, and a day that falls back begins the next. Of several stations one must be named: their reports are of other places.
 * Throws FormatError when no report can be read.
 */
export function parseMetars(text: string, month: string, station?: string): MetarFile {
  const start = /^(\d{4})-(0[1-9]|1[0-2])$/.exec(month);
  if (!start) throw new FormatError(null, `month: expected a year and month such as 2027-01, found "${month}"`);
  const state = { year: Number(start[1]), month: Number(start[2]), day: 0 };
  const bad: BadGroup[] = [];
  const rows = new Map<number, WeatherHour>();
  text
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/)
    .forEach((raw, i) => {
      const report = raw.trim().replace(/=$/, '');
      if (report === '' || report.startsWith('#')) return;
      if (station !== undefined && stationOf(report) !== station) return;
      const row = readReport(report, i + 1, state, bad);
      if (row) rows.set(row.atMs, row);
    });
  if (rows.size === 0) {
    const first = bad[0];
    throw new FormatError(first?.line ?? null, first ? `${first.group}: expected ${first.expected}` : 'expected METAR reports, found none');
  }
  return { series: [...rows.values()].sort((a, b) => a.atMs - b.atMs), bad };
}

/** The station of a report, ABCD; undefined for one that names none. */
const stationOf = (report: string): string | undefined => /^(?:(?:METAR|SPECI|COR|AUTO)\s+)*([A-Z][A-Z0-9]{3})\s+\d{6}Z\b/.exec(report)?.[1];

/** Stations that reports of a text name, with how many each has, the most first. */
export function stationsOf(text: string): { station: string; reports: number }[] {
  const counts = new Map<string, number>();
  for (const line of text.split(/\r?\n/)) {
    const station = stationOf(line.trim());
    if (station !== undefined) counts.set(station, (counts.get(station) ?? 0) + 1);
  }
  return [...counts].map(([station, reports]) => ({ station, reports })).sort((a, b) => b.reports - a.reports || a.station.localeCompare(b.station));
}

function readReport(report: string, line: number, state: { year: number; month: number; day: number }, bad: BadGroup[]): WeatherHour | null {
  const all = report.split(/\s+/);
  const body = all.slice(0, all.findIndex((g) => g === 'RMK' || g === 'TEMPO' || g === 'BECMG') >>> 0);
  const timeAt = body.findIndex((g) => /^\d{6}Z$/.test(g));
  const [day, hour, minute] = timeAt < 0 ? [0, 0, 0] : [0, 2, 4].map((k) => Number(body[timeAt].slice(k, k + 2)));
  if (timeAt < 0 || day < 1 || day > 31 || hour > 23 || minute > 59) {
    bad.push({ line, group: timeAt < 0 ? (body[1] ?? report) : body[timeAt], expected: 'a day and time such as 161540Z; the report is left out' });
    return null;
  }
  const kept = body.slice(0, timeAt + 1);
  for (const group of body.slice(timeAt + 1)) {
    const kind = groups.find((g) => g.form.test(group));
    if (!kind) bad.push({ line, group, expected: nearest(group) });
    else if (!passedOver.has(kind.name)) kept.push(readable(group));
  }
  if (day < state.day - 15) {
    state.month = (state.month % 12) + 1;
    if (state.month === 1) state.year++;
  }
  state.day = day;
  const atMs = Date.UTC(state.year, state.month - 1, day, hour, minute);
  const rest = readableGroups(kept, line, bad);
  if (!rest) {
    bad.push({ line, group: report, expected: 'a METAR report; it is left out' });
    return null;
  }
  return rowOf(parseMetar(rest.join(' ')), atMs, line, bad);
}

/** How the wind varies and how far one sees tell nothing here. */
const passedOver: ReadonlySet<string> = new Set(['varying wind', 'visibility', 'runway']);

/** A group as the library reads it: it knows no KMH and no CLR, and wants a dew point, which is not used here. */
const readable = (group: string) =>
  group
    .replace(/KMH$/, 'KM/H')
    .replace(/^CLR$/, 'SKC')
    .replace(/^(M?\d{2})\/(?:\/{2})?$/, '$1/$1');

/** The groups that the library can read; any other is named and left out, so that one odd group costs no more than itself. */
function readableGroups(kept: readonly string[], line: number, bad: BadGroup[]): readonly string[] | null {
  const isRead = (groups: readonly string[]) => {
    try {
      return Boolean(parseMetar(groups.join(' ')));
    } catch {
      return false;
    }
  };
  if (isRead(kept)) return kept;
  const timeAt = kept.findIndex((g) => /^\d{6}Z$/.test(g));
  const rest = kept.slice(0, timeAt + 1);
  for (const group of kept.slice(timeAt + 1)) {
    if (isRead([...rest, group])) rest.push(group);
    else bad.push({ line, group, expected: 'a group of a METAR report' });
  }
  return isRead(rest) ? rest : null;
}

/** What a misspelt group looks like most. */
function nearest(group: string): string {
  const shape = [
    [/(KT|MPS|KMH)$/, 1],
    [/^(FEW|SCT|BKN|OVC|VV)/, 6],
    [/\//, 7],
    [/^[QA]/, 8],
  ] as const;
  const found = shape.find(([form]) => form.test(group));
  return found ? groups[found[1]].name : 'a group of a METAR report';
}

function rowOf(report: IMetar, atMs: number, line: number, bad: BadGroup[]): WeatherHour {
  const within = (value: number | undefined, least: number, most: number, group: string): number | null => {
    if (value === undefined) return null;
    if (value >= least && value <= most) return value;
    bad.push({ line, group, expected: `${least} to ${most}` });
    return null;
  };
  const { wind, altimeter, clouds, cavok } = report;
  const hpa = altimeter && (altimeter.unit === 'inHg' ? altimeter.value * 33.8639 : altimeter.value);
  const sky = clouds.length > 0 ? Math.max(...clouds.map((c) => cover[c.quantity] ?? 1)) : report.verticalVisibility !== undefined ? 1 : cavok ? 0 : null;
  const wet = report.weatherConditions.filter((w) => w.intensity !== 'VC' && w.phenomenons.some((p) => falling.test(p)));
  const known = report.weatherConditions.length > 0 || sky !== null;
  return {
    atMs,
    airC: within(report.temperature, -80, 60, `temperature ${report.temperature}`),
    pressureHpa: within(hpa, 850, 1100, `pressure ${hpa?.toFixed(0)}`),
    windMs: wind ? within(wind.speed * (metresPerSecond[wind.unit] ?? 1), 0, 100, `wind ${wind.speed}`) : null,
    windFromDeg: wind?.degrees === undefined ? null : within(wind.degrees, 0, 360, `wind from ${wind.degrees}`),
    cloud: sky,
    precipMm: wet.length > 0 ? Math.max(...wet.map((w) => fall[(w.intensity ?? '') as keyof typeof fall] ?? fall[''])) : known ? 0 : null,
    snowCm: null,
  };
}
