import { bearingText, outAlong, schoolWay } from '@burrow/core/casting';
import { placeAlong } from '@burrow/core/ground';
import { betweenDeg, clockText, depthFigure, depthText, minuteMs, type UnitPreference } from '@burrow/core/units';
import { memo, useMemo, useState, type ReactNode } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, ClipPath, Defs, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import type { Palette } from '@/theme/palette';
import { useSize } from '@/ui/useSize';
import { bandPath, bearingOfTouch, castFrame, depthFigures, placeChips, ringsPath, showsCast, type CastFrame, type Chip } from './frame';
import { Chips } from './Chips';
import { bankShape, boatShape, rockShape, starPath, woodShape } from './shapes';
import type { CastControl } from './useCast';
import { useLiveAim } from './useLiveAim';

/** The water about the stand from above: bed, band, what holds fish, what was shown, and the fan of casts to make. Drag to aim. */
export function CastMap({ control, children }: { control: CastControl; children?: ReactNode }) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { units } = usePreferences();
  const { stand, ground, settings } = control;
  const { fan } = control.shown;
  // The view stands still while one casts: it shows where the first fan pointed, and widens when a later one would leave it.
  const [ahead, setAhead] = useState<readonly number[] | null>(null);
  if (ahead === null && fan?.casts[0]) setAhead(fan.casts.map((c) => c.bearingDeg));
  const frame = useMemo(
    () => (size.width > 0 && size.height > 0 ? castFrame(ground, stand.at, settings.query.castM, ahead ?? nowhere, size) : null),
    [ground, stand.at, settings.query.castM, ahead, size],
  );
  const outside = frame && ahead && fan ? fan.casts.map((c) => c.bearingDeg).filter((deg) => !ahead.includes(deg) && !showsCast(frame, deg, settings.query.castM)) : [];
  if (outside.length > 0) setAhead([...(ahead ?? []), ...outside]);
  return (
    <View onLayout={onLayout} style={{ flex: 1, minHeight: 180, overflow: 'hidden', backgroundColor: palette.ground }}>
      {frame ? (
        <>
          {/* A layer of its own: it is not painted anew while the aim over it turns. */}
          <View style={{ position: 'absolute', inset: 0, willChange: 'transform' } as object}>
            <Bed ground={ground} frame={frame} band={settings.band} palette={palette} isMoving={settings.isMoving} units={units} />
          </View>
          <Aiming control={control} frame={frame} />
        </>
      ) : null}
      {children}
    </View>
  );
}

/** Before the fan is known the view lies all round the stand. */
const nowhere: readonly number[] = [];

export interface BedProps {
  ground: CastControl['ground'];
  frame: CastFrame;
  band: { fromM: number; toM: number };
  palette: Palette;
  isMoving: boolean;
  units: UnitPreference;
}

/** A school seen longer ago than this is gone, and its way is drawn so far ahead, ms. */
const [schoolKeptMs, schoolAheadMs] = [90 * minuteMs, 10 * minuteMs];

/** What does not move under the finger: shaded depths, their lines, the band. */
export const Bed = memo(function Bed({ ground, frame, band, palette, isMoving, units }: BedProps) {
  const { fromM, toM } = band;
  const shore = useMemo(() => ringsPath([ground.ring, ...ground.islands], frame), [ground, frame]);
  const lines = useMemo(() => ground.contours.map((c) => ringsPath(c.rings, frame)), [ground, frame]);
  const within = useMemo(() => bandPath(ground, { fromM, toM }, frame), [ground, fromM, toM, frame]);
  const figures = useMemo(() => depthFigures(ground, frame), [ground, frame]);
  const shades = palette.depths.length - 1;
  const isLow = ground.levelM < 0;
  return (
    <Svg width={frame.width} height={frame.height} style={{ position: 'absolute' }} aria-hidden>
      <Defs>
        <ClipPath id="cast-water">
          <Path d={shore} clipRule="evenodd" />
        </ClipPath>
      </Defs>
      <Path d={shore} fillRule="evenodd" fill={isLow ? palette.line : palette.depths[0]} stroke={palette.second} strokeWidth={2.5} />
      {lines.map((d, i) => (
        <Path key={i} d={d} fill={palette.depths[Math.min(shades, Math.round(((i + (isLow ? 0 : 1)) / lines.length) * shades))]} stroke={palette.second} strokeWidth={0.8} />
      ))}
      {isMoving ? null : (
        <G clipPath="url(#cast-water)">
          <Path d={within.fill} fill={palette.kelp} fillOpacity={0.24} fillRule="evenodd" stroke={palette.kelp} strokeWidth={2} strokeDasharray="2 5" />
        </G>
      )}
      {figures.map((f) => (
        <SvgText
          key={f.depthM}
          x={f.x}
          y={f.y + 5}
          textAnchor="middle"
          fontFamily={bold}
          fontSize={14}
          fill={palette.ink}
          {...({ stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object)}
        >
          {depthFigure(f.depthM, units)}
        </SvgText>
      ))}
    </Svg>
  );
});

/** What moves: casts made and to be made, marks, and the aim under the finger. */
function Aiming({ control, frame }: { control: CastControl; frame: CastFrame }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { outing, stand, water, shown, aim: aimed, advice, now, settings } = control;
  const { fan, made, casts, next } = shown;
  const { bearingDeg: settled, isOwn, drag } = aimed;
  const { underM, isGoing } = advice;
  const { section } = advice.cast;
  const zone = water.file.water.timezone;
  const { craft, targets } = settings;
  const { live, move, release } = useLiveAim(drag);
  const bearingDeg = live ?? settled;
  const end = (bearing: number, lengthM: number) => frame.spotPx(outAlong(frame.spot, bearing, lengthM));
  const aim = end(bearingDeg, section.lengthM);
  const groups = useMemo(() => passGroups(made), [made]);
  const elsewhere = casts.filter((c) => c.station !== stand.id);
  const bites = [...outing.reactions.filter((r) => r.station === stand.id && r.outM !== null), ...outing.fish.filter((f) => f.station === stand.id && f.outM !== null)].flatMap(
    (r) => {
      const cast = made.find((c) => c.id === r.cast);
      return cast ? [{ id: r.id, ...frame.spotPx(outAlong(frame.spot, cast.bearingDeg, r.outM!)), isFish: 'species' in r }] : [];
    },
  );
  const schools = settings.felt.filter((f) => f.what === 'school' && now - f.ms < schoolKeptMs).map((f) => ({ ...f, ...frame.toPx(f.at) }));
  const way = schoolWay(schools, now + schoolAheadMs);
  const ahead = way && frame.toPx(way.ahead);
  const near = targets.map((t, k) => ({ ...t, ...frame.spotPx(t), key: k })).filter((t) => t.kind !== 'seam' && t.x > 0 && t.y > 0 && t.x < frame.width && t.y < frame.height);
  const seams = targets.filter((t) => t.kind === 'seam').map((t) => frame.spotPx(t));
  const others = (fan?.casts ?? []).map((c, k) => ({ ...c, order: k + 1 })).filter((c) => betweenDeg(c.bearingDeg, bearingDeg) > 3);
  const apart = others.filter((c, k) => others.findIndex((o) => betweenDeg(o.bearingDeg, c.bearingDeg) < 4) === k);
  const nextPx = isGoing && next ? frame.toPx(next.at) : null;
  const chips: Chip[] = [
    { id: 'aim', text: bearingText(bearingDeg), tone: 'ember', x: aim.x, y: aim.y, isLarge: true, away: bearingDeg },
    { id: 'you', text: underM === null ? 'you' : `you, over ${depthText(underM, units)}`, tone: 'ink', ...frame.at },
    ...(nextPx ? [{ id: 'next', text: 'next stand', tone: 'ember' as const, ...nextPx }] : []),
    ...bites.map((b) => ({ id: b.id, text: b.isFish ? 'fish' : 'bite', tone: 'kelp' as const, x: b.x, y: b.y })),
    ...(ahead ? [{ id: 'ahead', text: 'school in 10 min', tone: 'kelp' as const, ...ahead }] : []),
    ...schools.map((s) => ({ id: s.id, text: `school ${clockText(s.ms, zone)}`, tone: 'kelp' as const, x: s.x, y: s.y })),
    ...near.map((t) => ({ id: `t${t.key}`, text: t.name, tone: t.kind === 'lie' ? ('kelp' as const) : ('plum' as const), x: t.x, y: t.y })),
    ...groups.map((g) => ({
      id: `g${g.bearingDeg}`,
      text: g.passes === 1 ? 'once' : g.passes === 2 ? 'twice' : `${g.passes} times`,
      tone: 'second' as const,
      ...end(g.bearingDeg, 0.7 * g.lengthM),
    })),
  ];
  const corner = [{ left: 0, top: 0, width: 150, height: 66 }];
  const placed = placeChips(dropTwins(chips), frame.width, frame.height, corner);
  const turn = (e: GestureResponderEvent) => {
    const { locationX: x, locationY: y } = e.nativeEvent;
    if (Math.hypot(x - frame.at.x, y - frame.at.y) > 16) move(bearingOfTouch(frame, x, y));
  };
  const keys = { ArrowLeft: -2, ArrowRight: 2, ArrowDown: -10, ArrowUp: 10 } as Record<string, number>;
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label="Bearing of the cast"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={Math.round(bearingDeg) % 360}
      aria-valuetext={`${bearingText(bearingDeg)}${isOwn ? ', your own' : ''}`}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          if (keys[e.key] === undefined) return;
          e.preventDefault();
          drag((bearingDeg + keys[e.key] + 360) % 360);
        },
      } as object)}
      onStartShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={turn}
      onResponderMove={turn}
      onResponderRelease={release}
      onResponderTerminate={release}
      style={{ position: 'absolute', inset: 0, touchAction: 'none', cursor: 'crosshair', willChange: 'transform' } as object}
    >
      <Svg width={frame.width} height={frame.height} pointerEvents="none" aria-hidden>
        {seams.map((s, k) => (
          <Circle key={k} cx={s.x} cy={s.y} r={1.8} fill={palette.kelp} />
        ))}
        {elsewhere.map((c) => {
          const [a, b] = [frame.toPx(c.from), frame.toPx(placeAlong(c.from, c.bearingDeg, c.lengthM))];
          return <Line key={c.id} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={palette.card} strokeOpacity={0.5} strokeWidth={6} />;
        })}
        {groups.map((g) => {
          const to = end(g.bearingDeg, g.lengthM);
          return (
            <G key={g.bearingDeg}>
              <Line x1={frame.at.x} y1={frame.at.y} x2={to.x} y2={to.y} stroke={palette.card} strokeOpacity={0.75} strokeWidth={8} />
              {Array.from({ length: Math.min(3, g.passes) }, (_, k) => {
                const off = (k - (Math.min(3, g.passes) - 1) / 2) * 3;
                const [nx, ny] = [Math.cos((g.bearingDeg * Math.PI) / 180) * off, Math.sin((g.bearingDeg * Math.PI) / 180) * off];
                return <Line key={k} x1={frame.at.x + nx} y1={frame.at.y + ny} x2={to.x + nx} y2={to.y + ny} stroke={palette.second} strokeWidth={1.4} />;
              })}
            </G>
          );
        })}
        {apart.map((c) => {
          const to = end(c.bearingDeg, c.lengthM);
          return (
            <G key={`${c.bearingDeg}-${c.pass}`}>
              <Line x1={frame.at.x} y1={frame.at.y} x2={to.x} y2={to.y} stroke={palette.card} strokeWidth={5} />
              <Line x1={frame.at.x} y1={frame.at.y} x2={to.x} y2={to.y} stroke={palette.ember} strokeWidth={2} strokeDasharray="6 4" />
              <Rect x={to.x - 10} y={to.y - 10} width={20} height={20} fill={palette.card} stroke={palette.ember} strokeWidth={2} transform={`rotate(45 ${to.x} ${to.y})`} />
              <SvgText x={to.x} y={to.y + 5} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.ember}>
                {String(c.order)}
              </SvgText>
            </G>
          );
        })}
        <Line x1={frame.at.x} y1={frame.at.y} x2={aim.x} y2={aim.y} stroke={palette.card} strokeWidth={9} />
        <Line x1={frame.at.x} y1={frame.at.y} x2={aim.x} y2={aim.y} stroke={palette.ember} strokeWidth={5} />
        <Rect x={aim.x - 9} y={aim.y - 9} width={18} height={18} fill={palette.ember} stroke={palette.card} strokeWidth={2} transform={`rotate(45 ${aim.x} ${aim.y})`} />
        {near.map((t) => (
          <Path
            key={t.key}
            d={starPath(t.x, t.y, t.kind === 'hard' ? rockShape : woodShape)}
            fill={palette.card}
            stroke={t.kind === 'lie' ? palette.kelp : palette.plum}
            strokeWidth={2.2}
          />
        ))}
        {bites.map((b) => (
          <Rect key={b.id} x={b.x - 11} y={b.y - 3.5} width={22} height={7} rx={2} fill={palette.kelp} stroke={palette.card} strokeWidth={1.5} />
        ))}
        {schools.map((s) => (
          <Circle key={s.id} cx={s.x} cy={s.y} r={9} fill="none" stroke={palette.kelp} strokeWidth={3} />
        ))}
        {ahead && schools.length > 0 ? (
          <Line x1={schools.at(-1)!.x} y1={schools.at(-1)!.y} x2={ahead.x} y2={ahead.y} stroke={palette.kelp} strokeWidth={3} strokeDasharray="2 5" />
        ) : null}
        {nextPx ? <Circle cx={nextPx.x} cy={nextPx.y} r={12} fill={palette.card} stroke={palette.ember} strokeWidth={3} /> : null}
        <G transform={`translate(${frame.at.x} ${frame.at.y}) rotate(${bearingDeg})`}>
          {craft === 'kayak' || craft === 'boat' ? (
            <Path d={boatShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
          ) : (
            <Path d={bankShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
          )}
          <Circle r={3.4} fill={palette.card} />
        </G>
      </Svg>
      <Chips chips={placed} />
    </View>
  );
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
