import { FormatError } from './format-error';

type Axis = 'lat' | 'lon';

/** One angle as it was written: degrees, minutes and seconds as far as they were given, and what says its axis and side. */
interface Angle {
  numbers: string[];
  letter: 'N' | 'S' | 'E' | 'W' | null;
  label: Axis | null;
}

const axisOfLetter = { N: 'lat', S: 'lat', E: 'lon', W: 'lon' } as const;
const most = { lat: 90, lon: 180 } as const;

/**
 * Reads a place as people write it: decimal degrees, degrees and minutes, or degrees, minutes and seconds; N, S, E, W before or after; "lat 51.5, lon -0.12" in
 * either order; geo:51.5,-0.12; decimal points or commas. Latitude comes first unless letters or labels say otherwise. A number is never taken for minutes
 * unless something parts it from its degrees. Throws FormatError with what was expected.
 */
export function parsePlaceText(text: string): { lat: number; lon: number } {
  const refuse = (why: string): never => {
    throw new FormatError(null, `expected a latitude and a longitude, such as 51.5, -0.12 or 51°30'N 0°7.2'W, ${why} in "${text.trim().slice(0, 80)}"`);
  };
  const angles = anglesOf(plain(text)) ?? refuse('found no two angles');
  const axes = angles.map(({ letter, label }) => label ?? (letter ? axisOfLetter[letter] : null));
  const [first, second] = axes;
  if (first !== null && first === second) refuse(`found two of ${first === 'lat' ? 'latitude' : 'longitude'}`);
  const isLonFirst = first === 'lon' || second === 'lat';
  const degrees = (angle: Angle, axis: Axis): number => degreesOf(angle, axis, refuse);
  const [lat, lon] = isLonFirst ? [angles[1], angles[0]] : angles;
  return { lat: degrees(lat, 'lat'), lon: degrees(lon, 'lon') };
}

/** The text with one sign for each thing: typographic minus, primes and degree signs of all kinds, words of the axes, a geo: address. */
const plain = (text: string): string =>
  text
    .trim()
    .replace(/^geo:([^;?]*).*$/i, '$1')
    .replace(/[\u2212\u2013\u2012\uFE63\uFF0D]/g, '-')
    .replace(/[\u00A0\u2009\u202F]/g, ' ')
    .replace(/''|[\u2033\u201D\u201C"]/g, '"')
    .replace(/[\u2032\u2019\u2018\u00B4`]/g, "'")
    .replace(/[\u00BA\u02DA]|\bdeg(rees?)?\b/gi, '°')
    .replace(/\b(latitude|lat)\b\s*[:=]?/gi, ' {')
    .replace(/\b(longitude|long|lon|lng)\b\s*[:=]?/gi, ' }')
    .replace(/\bnorth\b/gi, 'N')
    .replace(/\bsouth\b/gi, 'S')
    .replace(/\beast\b/gi, 'E')
    .replace(/\bwest\b/gi, 'W')
    .toUpperCase();

const token = /[-+]?\d+(?:\.\d+)?|[NSEW{}°'"]|[,;/]|\s+|[^\s]/g;

/** The two angles of a text; null where it has another number of them, or signs that are none of theirs. */
function anglesOf(text: string): [Angle, Angle] | null {
  const parts = halves(withPoints(text));
  const angles = parts?.map(angleOf);
  return angles?.length === 2 && angles[0] && angles[1] ? [angles[0], angles[1]] : null;
}

/** Decimal commas as points, where the text shows that its commas are such: it parts the angles otherwise, and no comma stands before a blank. */
function withPoints(text: string): string {
  const inner = text.match(/\d,\d/g)?.length ?? 0;
  const isParted = text.includes(';') || inner >= 2 || /[NSEW{}]/.test(text);
  // "60,25" and "60, 25" are two whole numbers; "60,5 25,1" and "60,5N 25,1E" are two with commas.
  return inner > 0 && isParted && !/\d\.\d/.test(text) ? text.replace(/(\d),(?=\d)/g, '$1.') : text;
}

/** Where the first angle ends and the second begins: at letters, labels, degree signs, a comma or semicolon, or in the middle of an even row of numbers. */
function halves(text: string): [string, string] | null {
  const tokens = [...text.matchAll(token)].map((m) => m[0]).filter((t) => t.trim() !== '');
  const at = (k: number): [string, string] => [tokens.slice(0, k).join(' '), tokens.slice(k).join(' ')];
  const of = (set: string) => tokens.flatMap((t, k) => (set.includes(t) ? [k] : []));
  const [labels, letters, separators, signs] = [of('{}'), of('NSEW'), of(',;/'), of('°')];
  if (labels.length === 2) return at(labels[1]);
  if (labels.length > 0 || letters.length > 2 || separators.length > 1) return null;
  if (separators.length === 1) return at(separators[0]);
  // Letters before their angles, or behind them.
  if (letters.length === 2) return letters[0] === 0 ? at(letters[1]) : letters[1] === tokens.length - 1 ? at(letters[0] + 1) : null;
  if (letters.length === 1) return letters[0] > 0 && letters[0] < tokens.length - 1 ? at(letters[0] + 1) : null;
  if (signs.length === 2) return at(signs[1] - 1);
  return tokens.length === 2 ? at(1) : null;
}

/** One angle: up to three numbers with their signs in order, and a letter before or behind. */
function angleOf(text: string): Angle | null {
  const tokens = [...text.replace(/[,;/]/g, ' ').matchAll(token)].map((m) => m[0]).filter((t) => t.trim() !== '');
  const angle: Angle = { numbers: [], letter: null, label: null };
  const order = ['°', "'", '"'];
  for (const t of tokens) {
    if (/^[-+]?\d/.test(t)) angle.numbers.push(t);
    else if (t === '{' || t === '}') angle.label = t === '{' ? 'lat' : 'lon';
    else if (/^[NSEW]$/.test(t) && angle.letter === null) angle.letter = t as Angle['letter'];
    // A sign must name the number before it: degrees, then minutes, then seconds.
    else if (order.indexOf(t) !== angle.numbers.length - 1 || !order.includes(t)) return null;
  }
  return angle.numbers.length >= 1 && angle.numbers.length <= 3 ? angle : null;
}

function degreesOf({ numbers, letter, label }: Angle, axis: Axis, refuse: (why: string) => never): number {
  const [degrees, ...small] = numbers;
  if (letter && /^[-+]/.test(degrees)) refuse('found a sign and a letter for one side');
  if (letter && label && axisOfLetter[letter] !== label) refuse('found a letter of the other axis');
  if (numbers.slice(0, -1).some((n) => n.includes('.'))) refuse('found a fraction before minutes or seconds');
  if (small.some((n) => /^[-+]/.test(n) || Number(n) >= 60)) refuse('found minutes or seconds that are not 0 to 60');
  const size = Math.abs(Number(degrees)) + Number(small[0] ?? 0) / 60 + Number(small[1] ?? 0) / 3600;
  if (size > most[axis]) refuse(`found ${axis === 'lat' ? 'a latitude beyond 90°' : 'a longitude beyond 180°'}`);
  const isBelow = degrees.startsWith('-') || letter === 'S' || letter === 'W';
  return Math.round((isBelow ? -size : size) * 1e7) / 1e7 + 0;
}
