import { seededRandom } from '../units';
import { cadences, type CadenceId } from './cadence';
import { memorySeed, type Answer, type CoachMemory, type Offer, type Situation, type Stratum } from './memory';

/** What the coach takes fish to be like while it learns what they want today. Heuristic. */
export const preferenceModel = {
  /** Points on the scale of intensity, 0 to 1, at which today's preference is weighed. */
  points: 21,
  /** A cadence so far off the preference is liked by a factor e^−½. */
  width: 0.22,
  /** What is not liked at all is still taken this much. */
  floor: 0.06,
  /**
   * Takes and refusals told per second of looking at what is liked best. In open water, where four turns in ten are told, which of these are today's is weighed too; by the bottom,
   * where eight in ten are, they are taken as known: there a few takes tell what is liked, for what is not is hardly ever taken (docs/science.md).
   */
  rates: { open: { takesPerS: [0.02, 0.05, 0.12], turnsPerS: [0.03, 0.06, 0.12] }, bottom: { takesPerS: [0.05], turnsPerS: [0.12] } } satisfies Record<
    Stratum,
    { takesPerS: readonly number[]; turnsPerS: readonly number[] }
  >,
  /** The same at middling, with which the record of a beat or of a draw begins. */
  usual: { takesPerS: 0.05, turnsPerS: 0.06 },
  /** Refusals of what is liked best, and how many more of what is not liked. */
  turnLeast: 0.6,
  /** The nearer, the quieter: share of the preference that is wanted in each situation. */
  share: { far: 1, coming: 0.95, close: 0.85, several: 0.9 } satisfies Record<Situation, number>,
  /** For a choice the belief is sharpened by this power: an hour is too short to try everything. */
  exploitationExponent: 2.5,
  /** How much is foretold of a cadence before its own record weighs as much as the foretelling, in answers. */
  ownAnswers: 4,
  /** A jig is drawn away only while that does at least so well beside all else. */
  drawLeast: 0.9,
  /** Fieldcraft decides until more answers than this. */
  leastAnswers: 0.9,
  /** Wider spans than this are called unclear; preferences under and over these are called quiet and lively. */
  unclear: 0.7,
  quiet: 0.38,
  lively: 0.6,
} as const;

const grid = Array.from({ length: preferenceModel.points }, (_, k) => k / (preferenceModel.points - 1));

function liking(preference: number, cadence: CadenceId, situation: Situation): number {
  const off = (cadences[cadence].intensity - preference * preferenceModel.share[situation]) / preferenceModel.width;
  return preferenceModel.floor + (1 - preferenceModel.floor) * Math.exp(-0.5 * off * off);
}

/**
 * How likely each preference of the grid is after what was answered and turned down, with how long it was looked at. Sums to 1.
 * @param exploitationExponent power that sharpens it; 1 for what there is to believe
 */
export function preferenceBelief(memory: CoachMemory, exploitationExponent = 1): Float64Array {
  const logs = new Float64Array(grid.length).fill(-Infinity);
  const rows = memory.answers.filter((a) => a.cadence !== 'slow-lift');
  const { takesPerS, turnsPerS } = preferenceModel.rates[memory.lookedS.bottom > memory.lookedS.open ? 'bottom' : 'open'];
  for (const take of takesPerS)
    for (const turn of turnsPerS)
      for (let k = 0; k < grid.length; k++) {
        let log = 0;
        for (const { cadence, situation, won, lost, seconds } of rows) {
          const like = liking(grid[k], cadence, situation);
          const [takes, turns] = [take * like, turn * (preferenceModel.turnLeast + 1 - like)];
          log += won * Math.log(takes) + lost * Math.log(turns) - seconds * (takes + turns);
        }
        logs[k] = logs[k] === -Infinity ? log : Math.max(logs[k], log) + Math.log1p(Math.exp(-Math.abs(logs[k] - log)));
      }
  const most = Math.max(...logs);
  let sum = 0;
  for (let k = 0; k < grid.length; k++) sum += logs[k] = Math.exp(exploitationExponent * (logs[k] - most));
  return logs.map((x) => x / sum);
}

/** Whether there is an answer to go by: looks make none, one of an earlier outing not by itself, several of them do. */
export const hasAnswers = (memory: CoachMemory) => memory.answers.reduce((sum, a) => sum + a.won + a.lost, 0) > preferenceModel.leastAnswers;

/** What fish seem to want today, in intensity from 0, still, to 1, calling: the mean of the belief and its 90 % interval. Null before the first answer. */
export function preferenceToday(memory: CoachMemory): { mean: number; low: number; high: number } | null {
  if (!hasAnswers(memory)) return null;
  const belief = preferenceBelief(memory);
  let [sum, mean, low, high] = [0, 0, 1, 0];
  for (let k = 0; k < grid.length; k++) {
    mean += grid[k] * belief[k];
    if (sum < 0.95) high = grid[k];
    sum += belief[k];
    if (sum > 0.05) low = Math.min(low, grid[k]);
  }
  return { mean, low, high };
}

/** The same in words. */
export function preferenceWords(memory: CoachMemory): string {
  const preference = preferenceToday(memory);
  if (!preference) return 'Nothing has answered yet: fieldcraft decides.';
  if (preference.high - preference.low > preferenceModel.unclear) return 'Not clear yet whether they want it still or lively.';
  if (preference.mean < preferenceModel.quiet) return 'By the answers so far they want it quiet.';
  return preference.mean > preferenceModel.lively ? 'By the answers so far they want it lively.' : 'By the answers so far they want it neither still nor lively.';
}

/** Answers and refusals in some rows, and for how long a fish of the believed preference would have been looking with full liking, or with full dislike, s. */
function tally(rows: readonly Answer[], belief: Float64Array) {
  const sum = { won: 0, lost: 0, likedS: 0, turnedS: 0 };
  for (const { cadence, situation, won, lost, seconds } of rows) {
    const like = belief.reduce((s, p, k) => s + p * liking(grid[k], cadence, situation), 0);
    sum.won += won;
    sum.lost += lost;
    sum.likedS += seconds * like;
    sum.turnedS += seconds * (preferenceModel.turnLeast + 1 - like);
  }
  return sum;
}

/**
 * How a cadence did beside what the preference foretells of it: over 1 where it was answered more often or turned down less often. Intensity is not all there is to a
 * beat. With few answers of its own it is near 1.
 */
export function ownRecord(memory: CoachMemory, cadence: CadenceId, belief: Float64Array): number {
  const rows = memory.answers.filter((a) => a.cadence !== 'slow-lift');
  const { ownAnswers, usual } = preferenceModel;
  // Rates of the day: one answer of each kind at the middle rate to begin with.
  const day = tally(rows, belief);
  const takes = (1 + day.won) / (1 / usual.takesPerS + day.likedS);
  const turns = (1 + day.lost) / (1 / usual.turnsPerS + day.turnedS);
  const own = tally(
    rows.filter((a) => a.cadence === cadence),
    belief,
  );
  return ((ownAnswers + own.won) / (ownAnswers + takes * own.likedS)) * ((ownAnswers + turns * own.turnedS) / (ownAnswers + own.lost));
}

/**
 * Which cadence to try: fieldcraft's default until there is an answer; then a preference drawn from the belief, and the offer that such fish would like best, fieldcraft's expectation
 * and the cadence's own record counted in. The draw depends on nothing but what is remembered, so that the same memory gives the same choice.
 * A cadence refused twice on end sits out.
 */
export function chooseCadence(memory: CoachMemory, situation: Situation, offers: readonly Offer[], key: string): CadenceId {
  if (offers.length === 1 || !hasAnswers(memory)) return offers[0].cadence;
  const random = seededRandom(memorySeed(key, memory));
  const belief = preferenceBelief(memory, preferenceModel.exploitationExponent);
  let left = random();
  let k = 0;
  while (k < grid.length - 1 && (left -= belief[k]) > 0) k++;
  const { refused } = memory;
  let best = offers[0].cadence;
  let bestValue = -1;
  for (const offer of offers) {
    if (refused !== null && refused.count >= 2 && refused.cadence === offer.cadence) continue;
    const value = liking(grid[k], offer.cadence, situation) * (offer.won / (offer.won + offer.lost)) * ownRecord(memory, offer.cadence, belief);
    if (value > bestValue) {
      bestValue = value;
      best = offer.cadence;
    }
  }
  return best;
}

/**
 * How drawing the jig away did beside all else that was shown by the jig today: over 1 where it was answered more often or turned down less often. With few answers
 * of its own it is near 1.
 */
export function drawRecord({ answers }: CoachMemory): number {
  const { ownAnswers, usual } = preferenceModel;
  const draw = { won: 0, lost: 0, seconds: 0 };
  const rest = { won: 0, lost: 0, seconds: 0 };
  for (const { situation, cadence, won, lost, seconds } of answers) {
    if (situation === 'far') continue;
    const sum = cadence === 'slow-lift' ? draw : rest;
    sum.won += won;
    sum.lost += lost;
    sum.seconds += seconds;
  }
  // Rates of the day: one answer of each kind at the middle rate to begin with.
  const takes = (1 + rest.won) / (1 / usual.takesPerS + rest.seconds);
  const turns = (1 + rest.lost) / (1 / usual.turnsPerS + rest.seconds);
  return ((ownAnswers + draw.won) / (ownAnswers + takes * draw.seconds)) * ((ownAnswers + turns * draw.seconds) / (ownAnswers + draw.lost));
}

/** Whether drawing away pays, in words; null while nothing speaks either way. */
export function drawWords(memory: CoachMemory): string | null {
  const record = drawRecord(memory);
  if (record < preferenceModel.drawLeast) return 'Drawing away does not pay so far: it is left out.';
  return record > 1 / preferenceModel.drawLeast ? 'Drawing away pays so far.' : null;
}
