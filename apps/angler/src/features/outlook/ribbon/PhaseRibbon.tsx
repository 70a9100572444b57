import type { Outlook } from '@burrow/core/outlook';
import { clockText, dayText, hourMs, startOfDay } from '@burrow/core/units';
import type { Front, Phase, WeatherHour } from '@burrow/core/weather';
import { useEffect, useRef } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import Svg, { Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';
import { bold, regular, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import { phaseWords } from './words';

interface Props {
  outlook: Outlook;
  series: readonly WeatherHour[];
  nowMs: number;
  timeZone: string;
  onPhase: (phase: Phase) => void;
  onFront: (front: Front) => void;
}

const height = 206;
const labelTop = 8;
const labelHeight = 40;
const plot = { top: 76, base: 152 };

const textures: Partial<Record<Phase['name'], string>> = { approach: 'rising', passage: 'dense', settling: 'dots', 'cold rain': 'rain', 'warming trend': 'dots' };

interface Scale {
  width: number;
  perHour: number;
  x: (ms: number) => number;
  y: (hpa: number) => number;
  /** Hours with a pressure, and where days begin and hours are named, ms. */
  rows: readonly WeatherHour[];
  days: readonly number[];
  ticks: readonly number[];
}

/** The scales of the ribbon in so many px: at least seven an hour. */
function ribbonScale({ span: { fromMs, toMs } }: Outlook, series: readonly WeatherHour[], timeZone: string, roomPx: number): Scale {
  const hours = (toMs - fromMs) / hourMs;
  const perHour = Math.max(7, roomPx / hours);
  const rows = series.filter((r) => r.atMs >= fromMs - hourMs && r.atMs <= toMs + hourMs && r.pressureHpa !== null);
  const pressures = rows.map((r) => r.pressureHpa!);
  const low = Math.min(...pressures);
  const high = Math.max(...pressures);
  const days: number[] = [];
  for (let ms = startOfDay(fromMs, timeZone); ms < toMs; ms += 24 * hourMs) days.push(ms);
  const ticks: number[] = [];
  for (let ms = days[0]; ms < toMs; ms += 6 * hourMs) if (ms > fromMs) ticks.push(ms);
  return {
    width: hours * perHour,
    perHour,
    x: (ms) => ((ms - fromMs) / hourMs) * perHour,
    y: (hpa) => plot.base - 4 - ((hpa - low) / Math.max(4, high - low)) * (plot.base - plot.top - 8),
    rows,
    days,
    ticks,
  };
}

/** Weather and feeding on one line of time: phases, pressure, fronts with their uncertainty, night, windows. Tap for the evidence. */
export function PhaseRibbon({ outlook, series, nowMs, timeZone, onPhase, onFront }: Props) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const scroll = useRef<ScrollView>(null);
  const scrolledAt = useRef(0);
  const scale = ribbonScale(outlook, series, timeZone, size.width);
  const { width, x, y, rows, days } = scale;
  const nowX = x(nowMs);
  useEffect(() => {
    // Once for each width: the hand that scrolled it afterwards is left alone.
    if (size.width === 0 || scrolledAt.current === size.width) return;
    scrolledAt.current = size.width;
    scroll.current?.scrollTo({ x: Math.max(0, nowX - 60), animated: false });
  }, [size.width, nowX]);
  return (
    <View onLayout={onLayout} style={{ backgroundColor: palette.card, borderTopWidth: 1, borderBottomWidth: 1, borderColor: palette.line }}>
      <ScrollView horizontal ref={scroll} showsHorizontalScrollIndicator={false} aria-label="Weather, two days back and three ahead">
        <View style={{ width, height }}>
          <Chart outlook={outlook} scale={scale} timeZone={timeZone} nowX={nowX} />
          {outlook.phases.map((p) => (
            <PhaseLabel key={p.fromMs} phase={p} scale={scale} timeZone={timeZone} onPress={() => onPhase(p)} />
          ))}
          {outlook.fronts.map((f) => (
            <FrontLabel key={f.atMs} front={f} scale={scale} timeZone={timeZone} onPress={() => onFront(f)} />
          ))}
          {days.map((ms, i) => (
            <PressureFigure key={ms} rows={rows} atMs={ms} withUnit={i % 2 === 0 && !isNear(ms, nowMs)} x={x} y={y} />
          ))}
        </View>
      </ScrollView>
    </View>
  );
}

/** Night, fronts, windows and pressure over the hours, and the line of now. */
function Chart({ outlook, scale: { width, perHour, x, y, rows, days, ticks }, timeZone, nowX }: { outlook: Outlook; scale: Scale; timeZone: string; nowX: number }) {
  const palette = usePalette();
  const top = plot.top - 20;
  return (
    <Svg width={width} height={height} aria-hidden>
      <Textures colour={palette.plum} />
      {nights(outlook, outlook.span.fromMs, outlook.span.toMs).map(([a, b]) => (
        <Rect key={a} x={x(a)} y={top} width={x(b) - x(a)} height={plot.base - top} fill={palette.night} />
      ))}
      {outlook.fronts.map((f) => (
        <G key={f.atMs}>
          <Rect x={x(f.atMs) - f.uncertaintyH * perHour} y={top} width={2 * f.uncertaintyH * perHour} height={plot.base - top} fill={palette.plum} opacity={0.22} />
          <Line x1={x(f.atMs)} x2={x(f.atMs)} y1={top} y2={plot.base} stroke={palette.plum} strokeWidth={3} />
        </G>
      ))}
      {outlook.windows.map((w) => (
        <Rect key={w.fromMs} x={x(w.fromMs)} y={plot.base - 34 * w.value} width={x(w.toMs) - x(w.fromMs)} height={34 * w.value} fill={palette.kelp} />
      ))}
      <Path
        d={rows.map((r, i) => `${i ? 'L' : 'M'}${x(r.atMs).toFixed(1)} ${y(r.pressureHpa!).toFixed(1)}`).join('')}
        stroke={palette.ink}
        strokeWidth={2.5}
        fill="none"
        strokeLinejoin="round"
      />
      <Line x1={0} x2={width} y1={plot.base} y2={plot.base} stroke={palette.second} />
      {ticks.map((ms) => (
        <G key={ms}>
          <Line x1={x(ms)} x2={x(ms)} y1={plot.base} y2={plot.base + 5} stroke={palette.second} />
          <SvgText x={x(ms)} y={plot.base + 20} fontSize={14} fontFamily={regular} fill={palette.second} textAnchor="middle">
            {clockText(ms, timeZone).slice(0, 2)}
          </SvgText>
        </G>
      ))}
      {days.map((ms) => (
        <SvgText key={ms} x={Math.max(4, x(ms) + 4)} y={plot.base + 44} fontSize={14} fontFamily={bold} fill={palette.ink}>
          {dayText(ms, timeZone)}
        </SvgText>
      ))}
      <Line x1={nowX} x2={nowX} y1={0} y2={plot.base} stroke={palette.ember} strokeWidth={3} />
      <Path d={`M${nowX - 7} 0h14l-7 9Z`} fill={palette.ember} />
    </Svg>
  );
}

/** A phase of the weather over its hours, named where there is room: tap it for what speaks for it. */
function PhaseLabel({ phase, scale: { x, width }, timeZone, onPress }: { phase: Phase; scale: Scale; timeZone: string; onPress: () => void }) {
  const palette = usePalette();
  const left = Math.max(0, x(phase.fromMs));
  const room = Math.min(width, x(phase.toMs)) - left;
  const texture = textures[phase.name];
  return (
    <Pressable
      role="button"
      aria-label={`${phaseWords[phase.name]}, ${clockText(phase.fromMs, timeZone)} to ${clockText(phase.toMs, timeZone)}`}
      onPress={onPress}
      style={{ position: 'absolute', left, top: labelTop, width: room, height: labelHeight + 4, paddingRight: 2 }}
    >
      <View style={{ flex: 1, borderWidth: 1, borderColor: palette.line, borderRadius: 6, backgroundColor: palette.card, overflow: 'hidden', justifyContent: 'center' }}>
        {texture ? (
          <Svg width={room} height={labelHeight + 4} style={{ position: 'absolute' }} aria-hidden>
            <Textures colour={palette.plum} />
            <Rect width={room} height={labelHeight + 4} fill={`url(#${texture})`} opacity={0.5} />
          </Svg>
        ) : null}
        {room > 44 ? (
          <View style={{ alignSelf: 'flex-start', backgroundColor: palette.card, paddingHorizontal: 5, borderRadius: 4, marginLeft: 2 }}>
            <Text size="small" strong numberOfLines={2} style={{ lineHeight: 17 }}>
              {phaseWords[phase.name]}
            </Text>
          </View>
        ) : null}
      </View>
    </Pressable>
  );
}

/** A front at its hour, with how far it may be off. */
function FrontLabel({ front, scale: { x, width }, timeZone, onPress }: { front: Front; scale: Scale; timeZone: string; onPress: () => void }) {
  const palette = usePalette();
  const off = Math.ceil(front.uncertaintyH);
  return (
    <Pressable
      role="button"
      onPress={onPress}
      aria-label={`${front.kind} front ${clockText(front.atMs, timeZone)}, give or take ${off} hours`}
      style={{
        position: 'absolute',
        left: Math.min(width - 150, x(front.atMs) + 4),
        top: plot.top - 22,
        height: 26,
        minHeight: 26,
        paddingHorizontal: 6,
        borderRadius: 6,
        backgroundColor: palette.card,
        justifyContent: 'center',
      }}
    >
      <Text size="small" strong tone="plum">{`${front.kind} front ${clockText(front.atMs, timeZone)} ±${off} h`}</Text>
    </Pressable>
  );
}

/** Whether the line of now stands where a longer label would. */
const isNear = (ms: number, nowMs: number) => nowMs > ms && nowMs - ms < 12 * hourMs;

/** The pressure in figures where a day begins: over a falling line, under a rising one. */
function PressureFigure({ rows, atMs, withUnit, x, y }: { rows: readonly WeatherHour[]; atMs: number; withUnit: boolean; x: (ms: number) => number; y: (hpa: number) => number }) {
  const i = rows.findIndex((r) => r.atMs >= atMs);
  if (i < 0) return null;
  const hpa = rows[i].pressureHpa!;
  const isRising = (rows[i + 6]?.pressureHpa ?? hpa) > hpa;
  return (
    <View pointerEvents="none" style={{ position: 'absolute', left: x(rows[i].atMs) + 4, width: 80, top: isRising ? y(hpa) + 3 : y(hpa) - 23 }}>
      <Text size="small" numberOfLines={1}>
        {`${Math.round(hpa)}${withUnit ? ' hPa' : ''}`}
      </Text>
    </View>
  );
}

function Textures({ colour }: { colour: string }) {
  return (
    <Defs>
      <Pattern id="rising" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <Rect width="2" height="9" fill={colour} opacity={0.55} />
      </Pattern>
      <Pattern id="dense" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <Rect width="2.4" height="5" fill={colour} opacity={0.7} />
      </Pattern>
      <Pattern id="dots" width="8" height="8" patternUnits="userSpaceOnUse">
        <Rect x="2" y="2" width="2.4" height="2.4" rx="1.2" fill={colour} opacity={0.7} />
      </Pattern>
      <Pattern id="rain" width="6" height="9" patternUnits="userSpaceOnUse">
        <Rect x="2" width="1.6" height="6" fill={colour} opacity={0.7} />
      </Pattern>
    </Defs>
  );
}

/** Spans from dusk to dawn. */
function nights({ sun }: Outlook, fromMs: number, toMs: number): [number, number][] {
  const edges = sun.filter((s) => Number.isFinite(s.dawnMs) && Number.isFinite(s.duskMs));
  const spans: [number, number][] = [];
  let duskMs = fromMs;
  for (const s of edges) {
    if (s.dawnMs > duskMs) spans.push([Math.max(fromMs, duskMs), Math.min(toMs, s.dawnMs)]);
    duskMs = s.duskMs;
  }
  if (duskMs < toMs) spans.push([duskMs, toMs]);
  return spans.filter(([a, b]) => b > a);
}
