import { bearingText, outAlong, schoolWay } from '@burrow/core/casting';
import { betweenDeg, clockText, depthText, minuteMs, type UnitPreference } from '@burrow/core/units';
import { placeChips, type CastFrame, type Chip } from './frame';
import type { CastControl } from './useCast';

/** A school seen longer ago than this is gone, and its way is drawn so far ahead, ms. */
const [schoolKeptMs, schoolAheadMs] = [90 * minuteMs, 10 * minuteMs];

export type CastMarks = ReturnType<typeof castMarks>;

/** All that is drawn over the bed about a stand, in px, while the aim points along `bearingDeg`. */
export function castMarks(control: CastControl, frame: CastFrame, bearingDeg: number, units: UnitPreference) {
  const { outing, stand, water, shown, advice, now, settings } = control;
  const { fan, made, casts, next } = shown;
  const end = (bearing: number, lengthM: number) => frame.spotPx(outAlong(frame.spot, bearing, lengthM));
  const seen = settings.targets.map((t, key) => ({ ...t, ...frame.spotPx(t), key }));
  const schools = settings.felt.filter((f) => f.what === 'school' && now - f.ms < schoolKeptMs).map((f) => ({ ...f, ...frame.toPx(f.at) }));
  const way = schoolWay(schools, now + schoolAheadMs);
  const others = (fan?.casts ?? []).map((c, k) => ({ ...c, order: k + 1 })).filter((c) => betweenDeg(c.bearingDeg, bearingDeg) > 3);
  const marks = {
    end,
    aim: end(bearingDeg, advice.cast.section.lengthM),
    groups: passGroups(made),
    elsewhere: casts.filter((c) => c.station !== stand.id),
    bites: bitesOf(outing, stand.id, made, frame),
    schools,
    ahead: way && frame.toPx(way.ahead),
    near: seen.filter((t) => t.kind !== 'seam' && t.x > 0 && t.y > 0 && t.x < frame.width && t.y < frame.height),
    seams: seen.filter((t) => t.kind === 'seam'),
    /** Casts to be made, those along about one bearing once. */
    apart: others.filter((c, k) => others.findIndex((o) => betweenDeg(o.bearingDeg, c.bearingDeg) < 4) === k),
    next: advice.isGoing && next ? frame.toPx(next.at) : null,
  };
  const { aim, groups, bites, ahead, near, next: nextPx } = marks;
  const { underM } = advice;
  const chips: Chip[] = [
    { id: 'aim', text: bearingText(bearingDeg), tone: 'ember', x: aim.x, y: aim.y, isLarge: true, away: bearingDeg },
    { id: 'you', text: underM === null ? 'you' : `you, over ${depthText(underM, units)}`, tone: 'ink', ...frame.at },
    ...(nextPx ? [{ id: 'next', text: 'next stand', tone: 'ember' as const, ...nextPx }] : []),
    ...bites.map((b) => ({ id: b.id, text: b.isFish ? 'fish' : 'bite', tone: 'kelp' as const, x: b.x, y: b.y })),
    ...(ahead ? [{ id: 'ahead', text: 'school in 10 min', tone: 'kelp' as const, ...ahead }] : []),
    ...schools.map((s) => ({ id: s.id, text: `school ${clockText(s.ms, water.file.water.timezone)}`, tone: 'kelp' as const, x: s.x, y: s.y })),
    ...near.map((t) => ({ id: `t${t.key}`, text: t.name, tone: t.kind === 'lie' ? ('kelp' as const) : ('plum' as const), x: t.x, y: t.y })),
    ...groups.map((g) => ({ id: `g${g.bearingDeg}`, text: timesText(g.passes), tone: 'second' as const, ...end(g.bearingDeg, 0.7 * g.lengthM) })),
  ];
  const corner = [{ left: 0, top: 0, width: 150, height: 66 }];
  return { ...marks, chips: placeChips(dropTwins(chips), frame.width, frame.height, corner) };
}

const timesText = (passes: number) => (passes === 1 ? 'once' : passes === 2 ? 'twice' : `${passes} times`);

type Made = CastControl['shown']['made'];

/** Bites and fish of the stand whose cast and distance are known, where they took. */
function bitesOf(outing: CastControl['outing'], station: string, made: Made, frame: CastFrame) {
  const answers = [...outing.reactions, ...outing.fish].filter((r) => r.station === station && r.outM !== null);
  return answers.flatMap((r) => {
    const cast = made.find((c) => c.id === r.cast);
    return cast ? [{ id: r.id, ...frame.spotPx(outAlong(frame.spot, cast.bearingDeg, r.outM!)), isFish: 'species' in r }] : [];
  });
}

/** Names that stand beside one another twice are said once. */
const dropTwins = (chips: readonly Chip[]): Chip[] => chips.filter((c, k) => chips.findIndex((o) => o.text === c.text && Math.hypot(o.x - c.x, o.y - c.y) < 40) === k);

/** Casts along about one bearing, with how often. */
function passGroups(made: readonly { bearingDeg: number; lengthM: number }[]): { bearingDeg: number; lengthM: number; passes: number }[] {
  const groups: { bearingDeg: number; lengthM: number; passes: number }[] = [];
  for (const { bearingDeg, lengthM } of made) {
    const group = groups.find((g) => betweenDeg(g.bearingDeg, bearingDeg) <= 4);
    if (group) {
      group.passes++;
      group.lengthM = Math.max(group.lengthM, lengthM);
    } else groups.push({ bearingDeg, lengthM, passes: 1 });
  }
  return groups;
}
