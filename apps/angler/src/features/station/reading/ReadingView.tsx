import { readingErrorM } from '@burrow/core/coach';
import { depthFigure, depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { Pressable, View, type GestureResponderEvent } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, radius, usePalette } from '@/theme/theme';
import { Icon } from '@/ui/icon/Icon';
import { BedPattern } from '@/ui/BedPattern';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import { depthOf, rulerDepths, yOf, type DepthFrame } from '../shaft/scale';
import { diamondAt, Handles, Wake } from './Wake';
import { marksDid, type Handle, type KeptReading, type ReadingControl } from './useReading';

interface Props {
  reading: ReadingControl;
  units: UnitPreference;
  /** Measured ice of this hole, m. */
  iceM: number | null;
  adviceM: number | null;
  nowMs: number;
  onDid: (did: KeptReading['did']) => void;
}

/** Width of the keys beside the picture. */
export const readingKeysPx = 84;
const stripWidth = 74;
const rulerWidth = 34;
/** The readings of so many minutes are drawn as wakes. */
const wakeMin = 10;
const names: Record<Handle, string> = { mark: 'Top mark', jig: 'Jig', bottom: 'Bottom' };

/** A flasher of one's own, read by eye: touch the picture or the arrows to say where mark, jig and bottom are, then say what the mark did. */
export function ReadingView({ reading, units, iceM, adviceM, nowMs, onDid }: Props) {
  const palette = usePalette();
  return (
    <View style={{ flex: 1, minHeight: 300, borderTopWidth: 1, borderTopColor: palette.line }}>
      <View style={{ flex: 1, minHeight: 230, flexDirection: 'row' }}>
        <WholeColumn reading={reading} units={units} iceM={iceM} />
        <Picture reading={reading} units={units} adviceM={adviceM} nowMs={nowMs} />
        <Keys reading={reading} units={units} />
      </View>
      {reading.wants ? (
        <View style={{ paddingHorizontal: 16, paddingTop: 6 }} aria-live="assertive">
          <Text size="small" strong tone="straw">
            {reading.wants}
          </Text>
        </View>
      ) : null}
      <View role="toolbar" aria-label="What the mark did" style={{ flexDirection: 'row', gap: 8, padding: 10, paddingBottom: 6 }}>
        {marksDid
          .filter((d) => d.icon !== null)
          .map((d) => (
            <Pressable
              key={d.id}
              role="button"
              aria-label={`Reading: the mark ${d.label.toLowerCase()}`}
              aria-pressed={reading.readings[0]?.did === d.id}
              onPress={() => onDid(d.id)}
              style={({ pressed }) => ({
                flex: 1,
                minHeight: 62,
                alignItems: 'center',
                justifyContent: 'center',
                borderRadius: radius,
                borderWidth: 1,
                borderColor: reading.readings[0]?.did === d.id ? palette.kelp : palette.line,
                backgroundColor: reading.readings[0]?.did === d.id ? palette.kelp : palette.card,
                opacity: pressed ? 0.75 : 1,
              })}
            >
              <Icon name={d.icon!} size={22} color={reading.readings[0]?.did === d.id ? palette.onKelp : palette.ink} />
              <Text size="small" strong numberOfLines={1} tone={reading.readings[0]?.did === d.id ? 'onKelp' : 'ink'}>
                {d.label}
              </Text>
            </Pressable>
          ))}
      </View>
    </View>
  );
}

/** The part that matters: jig, marks and bottom with room, in whole steps so that it stands still. */
function frameOf({ bottomM, jigM, markM, readings }: ReadingControl, nowMs: number): DepthFrame {
  const recent = readings.filter((r) => nowMs - r.atMs < wakeMin * 60_000);
  const depths = [jigM, markM, ...recent.flatMap((r) => [r.jigM, r.markM])].filter((m) => m !== null);
  const base = bottomM ?? Math.max(6, ...depths.map((m) => m + 2));
  const top = Math.min(base - 3, ...depths.map((m) => m - 1.2));
  return { topM: bottomM === null ? 0 : Math.max(0, Math.floor(top)), baseM: base + Math.max(0.5, 0.06 * base) };
}

function Picture({ reading, units, adviceM, nowMs }: Pick<Props, 'reading' | 'units' | 'adviceM' | 'nowMs'>) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { bottomM, jigM, markM, handle, readings } = reading;
  const frame = frameOf(reading, nowMs);
  const { width, height } = size;
  const y = (m: number) => yOf(frame, height, m);
  const nowX = rulerWidth + 34;
  const x = (atMs: number) => nowX + Math.min(1, Math.max(0, nowMs - atMs) / (wakeMin * 60_000)) * Math.max(0, width - nowX - 30);
  const wakes = readings.filter((r) => nowMs - r.atMs < wakeMin * 60_000);
  const value = { bottom: bottomM, jig: jigM, mark: markM }[handle];
  const at = (e: GestureResponderEvent) => reading.touch(depthOf(frame, height, e.nativeEvent.locationY));
  const label = { fontFamily: bold, fontSize: 16, fill: palette.ink };
  return (
    <View
      onLayout={onLayout}
      role="slider"
      tabIndex={0}
      aria-label={names[handle]}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={Math.round((bottomM ?? frame.baseM) / reading.stepM)}
      aria-valuenow={Math.round((value ?? 0) / reading.stepM)}
      aria-valuetext={value === null ? 'not set' : depthText(value, units)}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          const way = { ArrowDown: 1, ArrowUp: -1 }[e.key] as 1 | -1 | undefined;
          if (way === undefined) return;
          e.preventDefault();
          reading.nudge(way);
        },
      } as object)}
      onStartShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={at}
      onResponderMove={at}
      onResponderRelease={reading.touched}
      style={{ flex: 1, backgroundColor: palette.depths[0], overflow: 'hidden', touchAction: 'none', cursor: 'pointer' } as object}
    >
      {height > 0 ? (
        <Svg width={width} height={height} pointerEvents="none" aria-hidden>
          <BedPattern id="reading-bed" />
          {rulerDepths(frame, height, metresPerDepthUnit(units), 30).map((d) => (
            <G key={d.depthM}>
              <Line x1={rulerWidth} x2={width} y1={y(d.depthM)} y2={y(d.depthM)} stroke={palette.second} strokeOpacity={0.22} />
              <SvgText x={rulerWidth - 6} y={y(d.depthM) + 6} textAnchor="end" {...label}>
                {d.label}
              </SvgText>
            </G>
          ))}
          {bottomM === null ? null : (
            <>
              <Rect x={0} y={y(bottomM)} width={width} height={Math.max(0, height - y(bottomM))} fill="url(#reading-bed)" />
              <Line x1={0} x2={width} y1={y(bottomM)} y2={y(bottomM)} stroke={palette.plum} strokeWidth={handle === 'bottom' ? 5 : 3} />
            </>
          )}
          <Wake wakes={wakes} x={x} y={y} />
          {[3, 6].map((min) => (
            <SvgText key={min} x={x(nowMs - min * 60_000)} y={14} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.second}>
              {min}
            </SvgText>
          ))}
          <SvgText x={width - 4} y={14} textAnchor="end" fontFamily={bold} fontSize={14} fill={palette.second}>
            {`${wakeMin} min`}
          </SvgText>
          {adviceM === null ? null : <Line x1={rulerWidth} x2={width} y1={y(adviceM)} y2={y(adviceM)} stroke={palette.ember} strokeDasharray="3 7" strokeWidth={2} />}
          <Handles reading={reading} x={nowX} y={y} />
        </Svg>
      ) : null}
    </View>
  );
}

/** What is moved, and the two arrows that move it. */
function Keys({ reading, units }: Pick<Props, 'reading' | 'units'>) {
  const palette = usePalette();
  const values: Record<Handle, number | null> = { mark: reading.markM, jig: reading.jigM, bottom: reading.bottomM };
  const tones = { mark: 'kelp', jig: 'ember', bottom: 'plum' } as const;
  const step = depthText(reading.stepM, units);
  const box = {
    flex: 1,
    minHeight: 40,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    borderRadius: radius,
    borderWidth: 1,
    borderColor: palette.line,
    backgroundColor: palette.card,
  };
  return (
    <View style={{ width: readingKeysPx, gap: 6, padding: 6 }}>
      <Pressable role="button" aria-label={`${names[reading.handle]} up by ${step}`} onPress={() => reading.nudge(-1)} style={box}>
        <Icon name="chevronUp" size={24} color={palette.ink} />
        <Text size="small" strong>
          {step}
        </Text>
      </Pressable>
      {(['mark', 'jig', 'bottom'] as const).map((which) => {
        const isChosen = reading.handle === which;
        return (
          <Pressable
            key={which}
            role="radio"
            aria-checked={isChosen}
            aria-label={`${names[which]} ${values[which] === null ? 'not set' : depthText(values[which], units)}`}
            onPress={() => reading.choose(which)}
            style={{ ...box, flex: 1.2, ...(isChosen ? { backgroundColor: palette[tones[which]], borderColor: palette[tones[which]] } : {}) }}
          >
            <Text size="small" strong tone={isChosen ? (which === 'jig' ? 'onEmber' : 'onKelp') : tones[which]}>
              {which === 'mark' ? 'Mark' : names[which]}
            </Text>
            <Text size="small" strong tone={isChosen ? (which === 'jig' ? 'onEmber' : 'onKelp') : 'ink'}>
              {values[which] === null ? 'not set' : depthText(values[which], units)}
            </Text>
          </Pressable>
        );
      })}
      <Pressable role="button" aria-label={`${names[reading.handle]} down by ${step}`} onPress={() => reading.nudge(1)} style={box}>
        <Text size="small" strong>
          {step}
        </Text>
        <Icon name="down" size={24} color={palette.ink} />
      </Pressable>
    </View>
  );
}

/** The whole column to scale, with how sure an eye is. */
function WholeColumn({ reading, units, iceM }: Pick<Props, 'reading' | 'units' | 'iceM'>) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const { bottomM, jigM, markM } = reading;
  const { height } = size;
  const baseM = (bottomM ?? 6) * 1.08;
  const room = 26;
  const y = (m: number) => room + (m / baseM) * (height - room);
  const left = 34;
  const unitM = metresPerDepthUnit(units);
  const step = [1, 2, 5, 10, 20].find((s) => ((s * unitM) / baseM) * (height - room) > 22) ?? 50;
  const ticks = Array.from({ length: Math.floor(baseM / (step * unitM)) }, (_, k) => (k + 1) * step * unitM);
  return (
    <View
      onLayout={onLayout}
      style={{ width: stripWidth, backgroundColor: palette.ground }}
      role="img"
      aria-label={bottomM === null ? 'The depth here is not known yet' : `Read by eye, to ±${depthText(readingErrorM(bottomM), units)}`}
    >
      {height > 0 ? (
        <Svg width={stripWidth} height={height} aria-hidden>
          <SvgText x={stripWidth - 4} y={12} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
            {iceM === null ? (bottomM === null ? '' : `±${depthText(readingErrorM(bottomM), units)}`) : `ice ${depthFigure(iceM, units)}`}
          </SvgText>
          <Rect x={left} y={room} width={stripWidth - left - 4} height={Math.max(0, height - room)} fill={palette.depths[0]} />
          {ticks.map((m) => (
            <G key={m}>
              <Line x1={left - 5} x2={left} y1={y(m)} y2={y(m)} stroke={palette.second} strokeWidth={2} />
              <SvgText x={left - 8} y={y(m) + 5} textAnchor="end" fontFamily={bold} fontSize={13} fill={palette.second}>
                {depthFigure(m, units)}
              </SvgText>
            </G>
          ))}
          {bottomM === null ? null : <Line x1={left} x2={stripWidth - 4} y1={y(bottomM)} y2={y(bottomM)} stroke={palette.plum} strokeWidth={4} />}
          {markM === null ? null : <Rect x={left + 18} y={y(markM) - 2.5} width={14} height={5} fill={palette.kelp} />}
          {jigM === null ? null : (
            <>
              <Line x1={left + 10} x2={left + 10} y1={room} y2={y(jigM)} stroke={palette.ember} strokeWidth={1.5} />
              <Path d={diamondAt(left + 10, y(jigM), 5)} fill={palette.ember} />
            </>
          )}
        </Svg>
      ) : null}
    </View>
  );
}
