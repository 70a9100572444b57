import { FormatError } from './format-error';
import type { LeftOut, MarkedPlace, Places } from './places';

/** A fix stands for what is sounded after it, for so long, s. */
const fixStandsS = 10;
const metresPer = { M: 1, f: 0.3048, F: 1.8288 } as const;

interface Fix {
  at: [number, number];
  /** Time of day, s, for its age; null where the sentence has none. */
  daySecond: number | null;
}

/**
 * Reads an NMEA 0183 log: depths (DPT, else DBT) at the last fix before them (GGA or RMC), with the time where RMC gave a date. DPT's depth is below the surface where it
 * tells how deep the transducer hangs, DBT's below the transducer. Sentences with a wrong checksum, without a fix, or that cannot be read are left out and listed
 * by line; other sentences are passed over. Throws FormatError for text without such sentences.
 */
export function parseNmea(text: string): Places & { leftOut: LeftOut[] } {
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  const sentences = lines.flatMap((line, i) => {
    const at = line.search(/[$!]/);
    return at < 0 ? [] : [{ line: i + 1, text: line.slice(at).trim() }];
  });
  const type = (sentence: string) => /^[$!][A-Z]{2}([A-Z]{3}),/.exec(sentence)?.[1];
  if (!sentences.some(({ text: sentence }) => ['DPT', 'DBT'].includes(type(sentence) ?? '')))
    throw new FormatError(null, 'expected an NMEA 0183 log with depths (DPT or DBT), found none');
  // A log that never writes checksums cannot be checked; in one that does, a sentence without has lost its end.
  const isChecked = sentences.some(({ text: sentence }) => /\*[0-9A-F]{2}$/i.test(sentence));
  const hasDpt = sentences.some(({ text: sentence }) => type(sentence) === 'DPT');
  const log = new SounderLog(hasDpt);
  for (const { line, text: sentence } of sentences) {
    const why =
      checksumProblem(sentence, isChecked) ??
      log.read(
        type(sentence),
        sentence
          .replace(/\*[0-9A-Fa-f]{2}$/, '')
          .split(',')
          .slice(1),
      );
    if (why !== null) log.leftOut.push({ where: `line ${line}`, why });
  }
  return { points: log.points, tracks: [], leftOut: log.leftOut };
}

/** What a log has told so far: the last fix, the date, the time of day, and the depths at their fixes. */
class SounderLog {
  readonly points: MarkedPlace[] = [];
  readonly leftOut: LeftOut[] = [];
  private fix: Fix | null = null;
  private date: string | null = null;
  private daySecond: number | null = null;

  /** @param hasDpt whether depths come by DPT: those of DBT are then the same ones again */
  constructor(private readonly hasDpt: boolean) {}

  /** Takes in a sentence by its type and cells; why it is left out, or null where it is read or passed over. */
  read(kind: string | undefined, cells: readonly string[]): string | null {
    if (kind === 'GGA' || kind === 'RMC') return this.place(kind === 'GGA', cells);
    if (kind === 'DPT') return this.sound(dptDepth(cells), cells);
    return kind === 'DBT' && !this.hasDpt ? this.sound(dbtDepth(cells), cells) : null;
  }

  private place(isGga: boolean, cells: readonly string[]): string | null {
    this.daySecond = daySecondOf(cells[0]) ?? this.daySecond;
    if (!isGga) this.date = dateOf(cells[8]) ?? this.date;
    const isValid = isGga ? Number(cells[5]) > 0 : cells[1] === 'A';
    const place = isGga ? cells.slice(1, 5) : cells.slice(2, 6);
    const at = isValid ? positionOf(place) : null;
    // A fix that cannot be read leaves the one before it; one that is called invalid ends it.
    if (at !== null) this.fix = { at, daySecond: this.daySecond };
    else if (!isValid) this.fix = null;
    return isValid && at === null ? `expected latitude and longitude such as 4700.123,N,14000.456,W, found "${place.join(',')}"` : null;
  }

  private sound(depthM: number | null, cells: readonly string[]): string | null {
    const { fix, date, daySecond } = this;
    // A sounder without bottom writes the sentence with nothing in it.
    if (depthM === null) return cells.some((c) => /\d/.test(c)) ? `expected a depth of 0 to 1000 m, found "${cells.join(',')}"` : null;
    if (fix === null) return 'expected a position (GGA or RMC) before the depth, found none that is valid';
    if (fix.daySecond !== null && daySecond !== null && (daySecond - fix.daySecond + 86_400) % 86_400 > fixStandsS)
      return `expected a position of the last ${fixStandsS} s, found one ${Math.round(daySecond - fix.daySecond)} s old`;
    this.points.push({ role: 'sounding', at: fix.at, depthM, ...(date !== null && fix.daySecond !== null ? { time: `${date}T${clockOf(fix.daySecond)}Z` } : {}) });
    return null;
  }
}

/** "ddmmyy" as a date of 1980 to 2079; null for anything else. */
function dateOf(text: string | undefined): string | null {
  const [, day, month, year] = /^(\d{2})(\d{2})(\d{2})$/.exec(text ?? '') ?? [];
  return year === undefined ? null : `${Number(year) < 80 ? 20 : 19}${year}-${month}-${day}`;
}

function checksumProblem(sentence: string, isChecked: boolean): string | null {
  const star = /^[$!](.*)\*([0-9A-Fa-f]{2})$/.exec(sentence);
  if (!star) return isChecked && /^[$!][A-Z]{5},/.test(sentence) ? 'expected a checksum at the end, found none' : null;
  const sum = [...star[1]].reduce((x, c) => x ^ c.charCodeAt(0), 0);
  const expected = sum.toString(16).toUpperCase().padStart(2, '0');
  return expected === star[2].toUpperCase() ? null : `expected the checksum ${expected}, found ${star[2].toUpperCase()}`;
}

/** "hhmmss.ss" as seconds of the day. */
function daySecondOf(text: string | undefined): number | null {
  const match = /^(\d{2})(\d{2})(\d{2}(?:\.\d+)?)$/.exec(text ?? '');
  return match ? Number(match[1]) * 3600 + Number(match[2]) * 60 + Number(match[3]) : null;
}

function clockOf(daySecond: number): string {
  const two = (n: number) => String(Math.floor(n)).padStart(2, '0');
  return `${two(daySecond / 3600)}:${two((daySecond / 60) % 60)}:${two(daySecond % 60)}`;
}

/** Degrees and minutes run together, with their hemispheres. */
function positionOf([lat, ns, lon, ew]: readonly string[]): [number, number] | null {
  const degrees = (text: string | undefined, digits: number) => {
    const match = new RegExp(`^(\\d{${digits}})(\\d{2}(?:\\.\\d+)?)$`).exec(text ?? '');
    return match ? Number(match[1]) + Number(match[2]) / 60 : NaN;
  };
  const [y, x] = [degrees(lat, 2) * (ns === 'S' ? -1 : ns === 'N' ? 1 : NaN), degrees(lon, 3) * (ew === 'W' ? -1 : ew === 'E' ? 1 : NaN)];
  const round = (v: number) => Math.round(v * 1e7) / 1e7;
  return Math.abs(y) <= 90 && Math.abs(x) <= 180 ? [round(x), round(y)] : null;
}

const within = (depthM: number) => (depthM >= 0 && depthM <= 1000 ? Math.round(depthM * 1000) / 1000 : null);
const figure = (text: string | undefined) => (text === undefined || text.trim() === '' ? NaN : Number(text));

/** Depth below the transducer, and how deep it hangs where that is told (positive: from the surface). */
function dptDepth([depth, offset]: readonly string[]): number | null {
  const hangs = figure(offset);
  return within(figure(depth) + (hangs > 0 ? hangs : 0));
}

/** Depth below the transducer in feet, metres and fathoms: the metres where they are there. */
function dbtDepth(cells: readonly string[]): number | null {
  for (const unit of ['M', 'f', 'F'] as const) {
    const at = cells.indexOf(unit);
    const value = at > 0 ? figure(cells[at - 1]) : NaN;
    if (Number.isFinite(value)) return within(value * metresPer[unit]);
  }
  return null;
}
