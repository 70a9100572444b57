import { bearingText, outAlong } from '@burrow/core/casting';
import { placeAlong } from '@burrow/core/ground';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import type { Palette } from '@/theme/palette';
import { bold, usePalette } from '@/theme/theme';
import { castMarks, type CastMarks } from './cast-marks';
import { Chips } from './Chips';
import { bearingOfTouch, type CastFrame } from './frame';
import { bankShape, boatShape, rockShape, starPath, woodShape } from './shapes';
import type { CastControl } from './useCast';
import { useLiveAim } from './useLiveAim';

const keys = { ArrowLeft: -2, ArrowRight: 2, ArrowDown: -10, ArrowUp: 10 } as Record<string, number>;

/** What moves: casts made and to be made, marks, and the aim under the finger. */
export function Aiming({ control, frame }: { control: CastControl; frame: CastFrame }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { bearingDeg: settled, isOwn, drag } = control.aim;
  const { live, move, release } = useLiveAim(drag);
  const bearingDeg = live ?? settled;
  const marks = castMarks(control, frame, bearingDeg, units);
  const turn = (e: GestureResponderEvent) => {
    const { locationX: x, locationY: y } = e.nativeEvent;
    if (Math.hypot(x - frame.at.x, y - frame.at.y) > 16) move(bearingOfTouch(frame, x, y));
  };
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
        <Made marks={marks} frame={frame} palette={palette} />
        <ToMake marks={marks} frame={frame} palette={palette} />
        <Seen marks={marks} palette={palette} />
        <G transform={`translate(${frame.at.x} ${frame.at.y}) rotate(${bearingDeg})`}>
          <Path d={control.settings.craft === 'kayak' || control.settings.craft === 'boat' ? boatShape : bankShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
          <Circle r={3.4} fill={palette.card} />
        </G>
      </Svg>
      <Chips chips={marks.chips} />
    </View>
  );
}

interface Layer {
  marks: CastMarks;
  frame: CastFrame;
  palette: Palette;
}

/** Casts that were made: from other stands as one faint line each, from here as many lines as passes, at most three. */
function Made({ marks: { seams, elsewhere, groups, end }, frame, palette }: Layer) {
  return (
    <>
      {seams.map((s, k) => (
        <Circle key={k} cx={s.x} cy={s.y} r={1.8} fill={palette.kelp} />
      ))}
      {elsewhere.map((c) => {
        const [a, b] = [frame.toPx(c.from), frame.toPx(placeAlong(c.from, c.bearingDeg, c.lengthM))];
        return <Line key={c.id} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke={palette.card} strokeOpacity={0.5} strokeWidth={6} />;
      })}
      {groups.map((g) => {
        const to = end(g.bearingDeg, g.lengthM);
        const lines = Math.min(3, g.passes);
        return (
          <G key={g.bearingDeg}>
            <Line x1={frame.at.x} y1={frame.at.y} x2={to.x} y2={to.y} stroke={palette.card} strokeOpacity={0.75} strokeWidth={8} />
            {Array.from({ length: lines }, (_, k) => {
              const aside = outAlong({ x: 0, y: 0 }, g.bearingDeg + 90, (k - (lines - 1) / 2) * 3);
              return <Line key={k} x1={frame.at.x + aside.x} y1={frame.at.y - aside.y} x2={to.x + aside.x} y2={to.y - aside.y} stroke={palette.second} strokeWidth={1.4} />;
            })}
          </G>
        );
      })}
    </>
  );
}

/** Casts to be made, numbered, and over them the one that is aimed. */
function ToMake({ marks: { apart, aim, end }, frame, palette }: Layer) {
  return (
    <>
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
    </>
  );
}

/** What holds fish or showed them: rock and wood, bites, schools and where one will be, the next stand. */
function Seen({ marks: { near, bites, schools, ahead, next }, palette }: Omit<Layer, 'frame'>) {
  const latest = schools.at(-1);
  return (
    <>
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
      {ahead && latest ? <Line x1={latest.x} y1={latest.y} x2={ahead.x} y2={ahead.y} stroke={palette.kelp} strokeWidth={3} strokeDasharray="2 5" /> : null}
      {next ? <Circle cx={next.x} cy={next.y} r={12} fill={palette.card} stroke={palette.ember} strokeWidth={3} /> : null}
    </>
  );
}
