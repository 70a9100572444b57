import { runFrame, runPlaceText } from '@burrow/core/pole';
import { metresPerDepthUnit } from '@burrow/core/units';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '@/data/preferences';
import { bold, usePalette } from '@/theme/theme';
import { BedPattern } from '@/ui/BedPattern';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import type { PegControl } from './usePeg';

/** Room over the surface, for the bed, and for the bites under it, px. */
const [airPx, bedPx, bitesPx, sidePx] = [20, 14, 42, 18];

/** Along the run: where the last ball's food lies, where the next is to go, where the bites came. Touch it to say where the float is. */
export function RunView({ control }: { control: PegControl }) {
  const [{ width, height }, onLayout] = useSize();
  const { units } = usePreferences();
  const { feedPicture: feed, here } = control.advice;
  const { m: alongM, set: setAlong } = control.along;
  const { fromM, toM, bins } = runFrame(feed, here.alongM, alongM);
  const scale = Math.max(0, width - 2 * sidePx) / (toM - fromM);
  const touch = (e: GestureResponderEvent) => setAlong(Math.min(feed.run.toM, Math.max(feed.run.fromM, fromM + (e.nativeEvent.locationX - sidePx) / (scale || 1))));
  const floatM = alongM ?? feed.biteM ?? (feed.run.fromM + feed.run.toM) / 2;
  return (
    <View style={{ flex: 1, minHeight: 0 }}>
      <View style={{ paddingHorizontal: 16, paddingTop: 4 }} aria-live="polite">
        <Text heading={2} strong numberOfLines={1}>
          {feed.headline}
        </Text>
        <Text size="small" tone="second" numberOfLines={1}>
          {feed.detail}
        </Text>
      </View>
      <View
        onLayout={onLayout}
        role="slider"
        tabIndex={0}
        aria-label="Where on the run the float is"
        aria-valuemin={Math.round(10 * feed.run.fromM)}
        aria-valuemax={Math.round(10 * feed.run.toM)}
        aria-valuenow={Math.round(10 * Math.min(feed.run.toM, Math.max(feed.run.fromM, floatM)))}
        aria-valuetext={alongM === null ? 'not said' : runPlaceText(alongM, units)}
        {...({
          onKeyDown: (e: { key: string; preventDefault: () => void }) => {
            const by = { ArrowLeft: -0.2, ArrowRight: 0.2 }[e.key];
            if (by === undefined) return;
            e.preventDefault();
            setAlong(Math.min(feed.run.toM, Math.max(feed.run.fromM, floatM + by)));
          },
        } as object)}
        onStartShouldSetResponder={() => true}
        onResponderTerminationRequest={() => false}
        onResponderGrant={touch}
        onResponderMove={touch}
        style={{ flex: 1, minHeight: 110, overflow: 'hidden', touchAction: 'none', cursor: 'pointer' } as object}
      >
        {height > 0 ? <RunDrawing control={control} frame={{ width, height, scale, fromM, toM, bins, floatM }} /> : null}
      </View>
    </View>
  );
}

interface Frame {
  width: number;
  height: number;
  /** Pixels a metre. */
  scale: number;
  fromM: number;
  toM: number;
  bins: ReturnType<typeof runFrame>['bins'];
  floatM: number;
}

/** Where things of the run stand in its picture. */
function runScale({ height, scale, fromM }: Frame, depthM: number) {
  const bedY = Math.max(airPx + 20, height - bedPx - bitesPx);
  return { bedY, x: (m: number) => sidePx + (m - fromM) * scale, y: (m: number) => airPx + (m / Math.max(0.1, depthM)) * (bedY - airPx) };
}

interface LayerProps {
  control: PegControl;
  frame: Frame;
}

/** The run from the side: water and bed, the balls with their food, the float, the flow, the bites. */
function RunDrawing({ control, frame }: LayerProps) {
  const palette = usePalette();
  const { width, height } = frame;
  const { bedY } = runScale(frame, control.advice.depth.m);
  return (
    <Svg width={width} height={height} pointerEvents="none" aria-hidden>
      <BedPattern id="run-bed" />
      <Rect x={0} y={airPx} width={width} height={bedY - airPx} fill={palette.waterTop} />
      <Line x1={0} x2={width} y1={airPx} y2={airPx} stroke={palette.ink} strokeWidth={1.5} />
      <Rect x={0} y={bedY} width={width} height={bedPx} fill="url(#run-bed)" />
      <Line x1={0} x2={width} y1={bedY} y2={bedY} stroke={palette.plum} strokeWidth={2.5} />
      <Balls control={control} frame={frame} />
      <RunFloat control={control} frame={frame} />
      <FlowMark control={control} frame={frame} />
      <Bites control={control} frame={frame} />
    </Svg>
  );
}

/** The last ball and the next: where each is dropped, breaks, and where its food comes to lie. */
function Balls({ control, frame }: LayerProps) {
  const palette = usePalette();
  const { feedPicture: feed, depth } = control.advice;
  const { scale } = frame;
  const { x, y, bedY } = runScale(frame, depth.m);
  const mark = { fontFamily: bold, fontSize: 14, fill: palette.second };
  return (
    <>
      {[
        { ball: feed.last, color: palette.second, dash: undefined, r: 6 },
        { ball: feed.advice.balls > 0 ? feed.next : null, color: palette.kelp, dash: '3 4', r: 7 },
      ].map(({ ball, color, dash, r }, k) =>
        ball === null ? null : (
          <G key={k}>
            {k === 0 ? <Rect x={x(ball.span.fromM)} y={bedY - 5} width={Math.max(6, (ball.span.toM - ball.span.fromM) * scale)} height={5} fill={palette.second} /> : null}
            {[ball.span.fromM, ball.span.toM].map((m, i) => (
              <Path
                key={i}
                d={`M${x(ball.dropM)} ${airPx}L${x(ball.breaksAt.alongM)} ${y(ball.breaksAt.depthM)}L${x(m)} ${bedY - 2}`}
                fill="none"
                stroke={color}
                strokeWidth={k === 0 ? 1.6 : 2.4}
                strokeDasharray={dash}
              />
            ))}
            {k === 1 ? (
              <Path d={`M${x(ball.span.fromM)} ${bedY - 9}v9H${Math.max(x(ball.span.fromM) + 6, x(ball.span.toM))}v-9`} fill="none" stroke={palette.kelp} strokeWidth={2.6} />
            ) : null}
            <Circle cx={x(ball.dropM)} cy={airPx} r={r} fill={k === 0 ? palette.second : palette.card} stroke={color} strokeWidth={2.6} />
          </G>
        ),
      )}
      {feed.last ? (
        <SvgText x={x(feed.last.dropM)} y={airPx - 9} textAnchor={x(feed.last.dropM) < 60 ? 'start' : 'middle'} {...mark}>
          last
        </SvgText>
      ) : null}
      {feed.advice.balls > 0 && (feed.last === null || Math.abs(x(feed.next.dropM) - x(feed.last.dropM)) > 44) ? (
        <SvgText x={x(feed.next.dropM)} y={airPx - 9} textAnchor={x(feed.next.dropM) < 60 ? 'start' : 'middle'} {...mark} fill={palette.kelp}>
          next ball
        </SvgText>
      ) : null}
    </>
  );
}

/** The float where it is, its line and bait; hollow and dashed while nobody said where. */
function RunFloat({ control, frame }: LayerProps) {
  const palette = usePalette();
  const { depth, rig } = control.advice;
  const { m: alongM } = control.along;
  const { floatM } = frame;
  const depthM = depth.m;
  const { x, y } = runScale(frame, depthM);
  return (
    <>
      <Line
        x1={x(floatM)}
        x2={x(floatM)}
        y1={airPx}
        y2={y(Math.min(rig.stopM, depthM))}
        stroke={palette.ember}
        strokeWidth={2}
        strokeDasharray={alongM === null ? '4 4' : undefined}
      />
      <Path d={`M${x(floatM) - 5} ${airPx - 4}q5 -9 10 0q0 9 -5 14q-5 -5 -5 -14Z`} fill={alongM === null ? palette.card : palette.ember} stroke={palette.ember} strokeWidth={1.6} />
      <Path d={`M${x(floatM)} ${y(Math.min(rig.stopM, depthM)) - 7}l7 7l-7 7l-7 -7Z`} fill={palette.ember} stroke={palette.card} strokeWidth={1.6} />
    </>
  );
}

function FlowMark({ control, frame: { width } }: LayerProps) {
  const palette = usePalette();
  const { flow } = control.advice;
  const { ms: flowMs, text: flowText } = flow;
  const isBack = flowMs !== null && flowMs < 0;
  const halo = { stroke: palette.card, strokeWidth: 4, paintOrder: 'stroke' } as object;
  return (
    <>
      <SvgText x={width - 44} y={airPx + 21} textAnchor="end" fontFamily={bold} fontSize={15} fill={palette.ink} {...halo}>
        {isBack ? `runs back ${flowText}` : flowText}
      </SvgText>
      {flow.isStill || flowMs === null ? null : (
        <Path d={isBack ? `M${width - 8} ${airPx + 16}h-26m7 -6l-8 6l8 6` : `M${width - 36} ${airPx + 16}h26m-7 -6l8 6l-8 6`} fill="none" stroke={palette.ink} strokeWidth={2.4} />
      )}
    </>
  );
}

/** Where on the run the bites came, and how far along it is. */
function Bites({ control, frame }: LayerProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { feedPicture: feed, depth } = control.advice;
  const { width, height, scale, fromM, toM, bins } = frame;
  const { x, bedY } = runScale(frame, depth.m);
  const mark = { fontFamily: bold, fontSize: 14, fill: palette.second };
  const unitM = metresPerDepthUnit(units);
  const stepM = unitM * ([1, 2, 5].find((s) => (toM - fromM) / (s * unitM) <= 6) ?? 10);
  const ticks = Array.from({ length: Math.floor(toM / stepM) - Math.ceil(fromM / stepM) + 1 }, (_, k) => (Math.ceil(fromM / stepM) + k) * stepM);
  const most = Math.max(1, ...bins.map((b) => b.bites));
  return (
    <>
      {bins.map((b) =>
        Array.from({ length: b.bites }, (_, k) => (
          <Rect
            key={`${b.fromM} ${k}`}
            x={x(b.fromM) + 1}
            y={bedY + bedPx + 17 - (k + 1) * Math.min(6, 17 / most)}
            width={Math.max(2, (b.toM - b.fromM) * scale - 2)}
            height={Math.max(1.5, Math.min(6, 17 / most) - 1.5)}
            fill={palette.kelp}
          />
        )),
      )}
      <Line x1={x(feed.run.fromM)} x2={x(feed.run.toM)} y1={bedY + bedPx + 20} y2={bedY + bedPx + 20} stroke={palette.ink} strokeWidth={1.5} />
      {ticks.map((m) => (
        <SvgText key={m} x={x(m)} y={height - 4} textAnchor="middle" {...mark}>
          {String(Math.round(m / unitM)).replace('-', '−')}
        </SvgText>
      ))}
      <SvgText x={width - 4} y={height - 4} textAnchor="end" {...mark}>
        {units.depth}
      </SvgText>
    </>
  );
}
