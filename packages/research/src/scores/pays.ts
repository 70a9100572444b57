import { fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import { aboveTheTop, randomPolicy, coached, fishSpell, fixedPlan, oracle, knownDraws, plainCadences } from '../trials';
import type { CadenceId } from '@burrow/core/coach';
import { sceneOf, scenes } from '@burrow/core/simulator';
import { decisionModels, type DecisionModel } from '../decision-models';
import { seededRandom } from '@burrow/core/units';

/** Hours scored, hours that the coach may be tuned on, and the hours that plans are chosen on: other seeds, all of them. */
const scored = { first: 900_000, hours: 200 };
const trained = { first: 2_000 };
/** Plans that no claim rests on are shown from fewer hours. */
const shownHours = 12;
const tuned = { first: 100, coarse: 5, fine: 24, looking: 10 };
const bootstraps = 2000;

interface Row {
  sceneId: string;
  plan: string;
  landed: Record<'fixed' | 'simple' | 'coach' | 'oracle' | 'lot' | 'lively', number[]>;
}

type Way = Parameters<typeof fishSpell>[0];
/** Which fish, and whether they are seen by echoes that are read or straight from the water. */
type Water = Omit<Parameters<typeof fishSpell>[1], 'seed' | 'minutes'>;

/** Fish landed in each of some seeded hours. */
const landed = (way: Way, water: Water, first: number, hours: number) => Array.from({ length: hours }, (_, k) => fishSpell(way, { ...water, seed: first + k, minutes: 60 }).landed);
const total = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
const mean = (values: readonly number[]) => total(values) / values.length;

/** The best of some ways by a few hours each. */
function best<T>(ways: readonly T[], hours: number, water: Water, make: (way: T) => Way): T[] {
  return ways
    .map((way) => ({ way, score: total(landed(make(way), water, tuned.first, hours)) }))
    .sort((a, b) => b.score - a.score)
    .map(({ way }) => way);
}

/** One scene: chooses the plans on their seeds, then fishes the scored hours. */
export function fishScene(water: Water, hours: number): Row {
  const { sceneId } = water;
  const scene = sceneOf(sceneId);
  const depths = Array.from({ length: 9 }, (_, k) => 1 + (k / 8) * (scene.bottomM - 1.15));
  const plans = depths.flatMap((depthM) => plainCadences.map((cadence) => ({ depthM, cadence })));
  const make = ({ depthM, cadence }: { depthM: number; cadence: CadenceId }) => fixedPlan(depthM, cadence);
  const short = best(plans, tuned.coarse, water, make).slice(0, 6);
  const [plan] = best(short, tuned.fine, water, make);
  const [cadence] = best(plainCadences, tuned.looking, water, (id) => aboveTheTop(plan.depthM, id));
  const [draws] = best(knownDraws, tuned.fine, water, oracle);
  const run = (way: Way, count: number) => landed(way, water, water.sees === 'marks' ? trained.first : scored.first, count);
  return {
    sceneId,
    plan: `${plan.depthM.toFixed(1)} m ${plan.cadence}; ${cadence}`,
    landed: {
      fixed: run(make(plan), hours),
      simple: run(aboveTheTop(plan.depthM, cadence), hours),
      coach: run(coached, hours),
      oracle: run(oracle(draws), hours),
      lot: run(randomPolicy(7), Math.min(hours, shownHours)),
      lively: run(aboveTheTop(plan.depthM, 'bounce'), Math.min(hours, shownHours)),
    },
  };
}

/** The 2.5 and 97.5 % points of a figure over hours drawn again with replacement. */
function interval(row: Row, figure: (m: { fixed: number; simple: number; coach: number; oracle: number }) => number): [number, number] {
  const random = seededRandom(9);
  const { fixed, simple, coach, oracle } = row.landed;
  const values = Array.from({ length: bootstraps }, () => {
    const m = { fixed: 0, simple: 0, coach: 0, oracle: 0 };
    for (let k = 0; k < coach.length; k++) {
      const at = Math.floor(random() * coach.length);
      m.fixed += fixed[at];
      m.simple += simple[at];
      m.coach += coach[at];
      m.oracle += oracle[at];
    }
    return figure(m);
  }).sort((a, b) => a - b);
  return [values[Math.floor(0.025 * bootstraps)], values[Math.floor(0.975 * bootstraps)]];
}

const ratio = (x: number, y: number) => x / Math.max(1e-9, y);
const closed = (m: { fixed: number; coach: number; oracle: number }) => (m.coach - m.fixed) / Math.max(1e-9, m.oracle - m.fixed);
const span = ([low, high]: [number, number]) => `${low.toFixed(2)}–${high.toFixed(2)}`.padStart(12);

/** Prints a scene's row; true when all that is asked of it is reached. */
function print(row: Row): boolean {
  const { fixed, simple, coach, oracle, lot, lively } = row.landed;
  const m = { fixed: total(fixed), simple: total(simple), coach: total(coach), oracle: total(oracle) };
  const { roams } = sceneOf(row.sceneId);
  const per = (values: readonly number[]) => mean(values).toFixed(1).padStart(6);
  const [a, b, c] = [ratio(m.coach, m.fixed), closed(m), ratio(m.coach, m.simple)];
  const cSpan = interval(row, (x) => ratio(x.coach, x.simple));
  // An oracle that gains next to nothing leaves no distance to close.
  const hasDistance = m.oracle > 1.1 * m.fixed;
  const isMet = (!roams || a >= 2) && (!hasDistance || b >= 0.4) && c >= 1.15 && cSpan[0] > 1;
  process.stdout.write(
    `${row.sceneId.padEnd(9)}${per(fixed)}${per(simple)}${per(coach)}${per(oracle)}${per(lot)}${per(lively)}  ` +
      `${roams ? a.toFixed(2).padStart(6) : '     –'}${span(interval(row, (x) => ratio(x.coach, x.fixed)))} ` +
      `${hasDistance ? b.toFixed(2).padStart(5) : '    –'}${span(interval(row, closed))} ${c.toFixed(2).padStart(5)}${span(cSpan)}  ${isMet ? '' : 'NOT met'}  (${row.plan})\n`,
  );
  return isMet;
}

/** A scene in a process of its own, so that all cores fish. */
const apart = (water: Water, hours: number) =>
  new Promise<Row>((resolve, reject) => {
    const child = fork(fileURLToPath(import.meta.url), ['--scene', JSON.stringify(water), String(hours)], { execArgv: process.execArgv });
    child.on('message', (row) => resolve(row as Row));
    child.on('error', reject);
    child.on('exit', (code) => code === 0 || reject(new Error(`the scene ${water.sceneId} ended with ${code}`)));
  });

const names: Record<DecisionModel, string> = {
  drift: 'drift–diffusion model',
  hazard: 'hazard model',
  glance: 'glance model',
  arousal: 'arousal model',
  pulse: 'pulse model',
  verdict: 'verdict model',
};

/**
 * Prints what the coach lands on every scene beside a plan chosen beforehand, the simple rule, an oracle, chance and "always lively".
 * @param args decision models to fish with, scenes where not all, a number of hours, and `marks` for fish seen straight from the water, on the hours that the coach is tuned on
 */
export async function scorePays(args: readonly string[]): Promise<boolean> {
  const asked = decisionModels.filter((model) => args.includes(model));
  const drills = scenes.filter((s) => s.kind === 'drill' && s.visitMin > 0).map((s) => s.id);
  const unknown = args.find((x) => x !== 'marks' && !/^\d+$/.test(x) && !decisionModels.some((model) => model === x) && !drills.includes(x));
  if (unknown !== undefined) throw new RangeError(`score pays: expected ${[...decisionModels, ...drills].join(', ')}, marks or a number of hours, found "${unknown}"`);
  const sees = args.includes('marks') ? 'marks' : 'echoes';
  const hours = Number(args.find((x) => /^\d+$/.test(x)) ?? scored.hours);
  const named = drills.filter((id) => args.includes(id));
  const wanted = named.length > 0 ? named : drills;
  let allMet = true;
  for (const model of asked.length > 0 ? asked : (['hazard', 'drift'] as const)) {
    process.stdout.write(`\nFish landed an hour, ${names[model]}; ${hours} seeded hours a scene${sees === 'marks' ? ' to tune on, true marks' : ''}, 95 % by bootstrap\n`);
    process.stdout.write(`(a) over the fixed plan, ≥ 2 where fish roam; (b) share of the way from it to the oracle, ≥ 0.4; (c) over 30 cm above the top mark, ≥ 1.15\n\n`);
    process.stdout.write(`scene     fixed  simple coach oracle  lot lively     (a)              (b)               (c)              (fixed plan; cadence of the simple rule)\n`);
    const queue = [...wanted];
    // Each scene is printed as it is done: an hour's run that is cut short has still told something.
    const work = async () => {
      for (let sceneId = queue.shift(); sceneId !== undefined; sceneId = queue.shift()) allMet = print(await apart({ sceneId, model, sees }, hours)) && allMet;
    };
    await Promise.all(Array.from({ length: Number(process.env.CORES ?? availableParallelism()) }, work));
  }
  return allMet;
}

const [flag, water, hours] = process.argv.slice(2);
if (flag === '--scene') process.send!(fishScene(JSON.parse(water) as Water, Number(hours)), undefined, undefined, () => process.exit(0));
