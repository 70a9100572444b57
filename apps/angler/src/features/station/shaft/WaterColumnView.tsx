import { shaftWords } from '@burrow/core/coach';
import type { Mark } from '@burrow/core/sonar';
import { depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { useState, type ReactNode } from 'react';
import { Pressable, View, type GestureResponderEvent } from 'react-native';
import Svg, { Defs, G, Line, LinearGradient, Rect, Stop, Text as SvgText } from 'react-native-svg';
import type { FlasherControl } from '@/data/flasher';
import { bold, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';
import { EchoTrail } from './EchoTrail';
import { LiveMarks } from './LiveMarks';
import { Strip, stripWidth, type Latest } from './Strip';
import { depthOf, frameFor, rulerDepths, spreadLabels, viewFrame, wholeFrame, yOf, type DepthFrame, type ShaftView } from './scale';

interface Props {
  flasher: FlasherControl;
  units: UnitPreference;
  /** Measured ice of this hole, m. */
  iceM: number | null;
  adviceM: number | null;
  /** Sets the jig's depth; null where it cannot be moved. */
  onJig: ((depthM: number) => void) | null;
}

const rulerWidth = 34;
const jigX = 40;
const nudgeM = 0.1;
/** Room under the strip for the button that pins the bottom. */
const pinHeight = 52;
const iceRoom = 22;

/**
 * The column under the hole: to scale at the left, the part that matters enlarged at the right. Drag the jig to set its depth, drag the frame in the strip to
 * look elsewhere.
 */
export function WaterColumnView({ flasher, units, iceM, adviceM, onJig }: Props) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const [held, setHeld] = useState<DepthFrame | null>(null);
  const [draggedM, setDragged] = useState<number | null>(null);
  const { frame: latest } = flasher;

  const [view, setView] = useState<ShaftView>('follow');

  const follow = latest ? (draggedM !== null && held ? held : frameFor(latest.state, latest.lineM, held)) : null;
  if (follow !== held) setHeld(follow);
  const bottomM = latest?.state.bottomM ?? null;
  const frame = follow && viewFrame(view, follow, bottomM);
  const { height } = size;
  const wide = Math.max(0, size.width - stripWidth);
  const jigM = latest ? (latest.state.jigM ?? latest.lineM) : 0;

  return (
    <View
      onLayout={onLayout}
      role="figure"
      aria-label={latest ? shaftWords(latest.state, units) : 'Waiting for the flasher'}
      style={{ flex: 1, minHeight: 260, flexDirection: 'row', backgroundColor: palette.ground, overflow: 'hidden', borderTopWidth: 1, borderTopColor: palette.line }}
    >
      {frame && latest && height > 0 ? (
        <>
          <View style={{ width: stripWidth }}>
            <Strip
              frame={frame}
              whole={wholeFrame(follow!.baseM, height - pinHeight, iceRoom)}
              latest={latest}
              height={height - pinHeight}
              units={units}
              iceM={iceM}
              onLook={(middleM) => setView({ middleM })}
              onBack={() => setView('follow')}
            />
            <PinKey view={view} hasBottom={bottomM !== null} onView={setView} />
          </View>
          <View style={{ width: wide, height, overflow: 'hidden' }}>
            <Water height={height} width={wide} />
            <View style={{ position: 'absolute', left: jigX + 8, right: 0, top: 0, bottom: 0 }}>
              <EchoTrail onPing={flasher.onPing} frame={frame} palette={palette} />
            </View>
            <Enlarged frame={frame} latest={latest} height={height} width={wide} units={units} jigM={draggedM ?? jigM} adviceM={adviceM}>
              <LiveMarks onPing={flasher.onPing} frame={frame} width={wide} height={height} palette={palette} draggedM={draggedM} jigX={jigX} />
            </Enlarged>
            <JigSlider latest={latest} jigM={jigM} depthAt={(px) => depthOf(frame, height, px)} units={units} onJig={onJig} onDrag={setDragged} />
          </View>
        </>
      ) : (
        <View style={{ flex: 1, alignItems: 'center', justifyContent: 'center' }}>
          <Text tone="second" align="center">
            {flasher.failure ?? 'Waiting for the flasher'}
          </Text>
        </View>
      )}
    </View>
  );
}

/** Turns the view to the last metre over the bottom, and back to the jig. */
function PinKey({ view, hasBottom, onView }: { view: ShaftView; hasBottom: boolean; onView: (view: ShaftView) => void }) {
  const palette = usePalette();
  const follows = view === 'follow';
  return (
    <Pressable
      role="button"
      onPress={() => onView(follows ? 'bottom' : 'follow')}
      disabled={follows && !hasBottom}
      aria-label={follows ? 'Show the last metre over the bottom' : 'Follow the jig again'}
      style={{
        height: pinHeight - 4,
        margin: 2,
        borderRadius: 8,
        borderWidth: 1.5,
        borderColor: follows ? palette.line : palette.ember,
        backgroundColor: palette.card,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      <Text size="small" strong align="center">
        {follows ? 'To the\nbottom' : 'Follow\nthe jig'}
      </Text>
    </Pressable>
  );
}

interface JigSliderProps {
  latest: Latest;
  jigM: number;
  /** Depth at a height of the picture, m. */
  depthAt: (px: number) => number;
  units: UnitPreference;
  onJig: ((depthM: number) => void) | null;
  /** How deep it is held while it is dragged, m; null when it is let go. */
  onDrag: (depthM: number | null) => void;
}

/** The whole picture as a slider for the jig: drag, arrows, wheel; never above the hole's edge or into the bed. */
function JigSlider({ latest, jigM, depthAt, units, onJig, onDrag }: JigSliderProps) {
  const bedM = latest.state.bottomM ?? 100;
  const within = (m: number) => Math.min(Math.max(0.3, m), bedM - 0.05);
  const nudge = (by: number) => onJig?.(within(latest.lineM + by));
  const at = (event: GestureResponderEvent) => within(depthAt(event.nativeEvent.locationY));
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label="Jig depth"
      aria-valuenow={Math.round(jigM * 10) / 10}
      aria-valuemin={0}
      aria-valuemax={Math.round(bedM * 10) / 10}
      aria-valuetext={depthText(jigM, units)}
      {...({ dataSet: { line: String(latest.lineM) } } as object)}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
          e.preventDefault();
          nudge(e.key === 'ArrowUp' ? -nudgeM : nudgeM);
        },
        onWheel: (e: { deltaY: number }) => nudge(Math.sign(e.deltaY) * nudgeM),
      } as object)}
      onStartShouldSetResponder={() => onJig !== null}
      onResponderTerminationRequest={() => false}
      onResponderGrant={(e) => onDrag(at(e))}
      onResponderMove={(e) => onDrag(at(e))}
      onResponderRelease={(e) => {
        onJig?.(at(e));
        onDrag(null);
      }}
      onResponderTerminate={() => onDrag(null)}
      style={{ position: 'absolute', inset: 0, touchAction: 'none' } as object}
    />
  );
}

function Water({ width, height }: { width: number; height: number }) {
  const palette = usePalette();
  return (
    <Svg width={width} height={height} style={{ position: 'absolute' }} aria-hidden>
      <Defs>
        <LinearGradient id="water" x1="0" y1="0" x2="0" y2="1">
          <Stop offset="0" stopColor={palette.waterTop} />
          <Stop offset="1" stopColor={palette.waterDeep} />
        </LinearGradient>
      </Defs>
      <Rect width={width} height={height} fill="url(#water)" />
    </Svg>
  );
}

function Enlarged({
  frame,
  latest,
  height,
  width,
  units,
  jigM,
  adviceM,
  children,
}: {
  frame: DepthFrame;
  latest: Latest;
  height: number;
  width: number;
  units: UnitPreference;
  jigM: number;
  adviceM: number | null;
  /** What moves with every ping, under the labels. */
  children: ReactNode;
}) {
  const palette = usePalette();
  const { state } = latest;
  const y = (m: number) => yOf(frame, height, m);
  const labels = chipsOf(latest, jigM, adviceM, units);
  const labelY = spreadLabels(
    labels.map((l) => y(l.depthM)),
    32,
    height,
  );
  return (
    <>
      <Svg width={width} height={height} style={{ position: 'absolute' }} aria-hidden>
        {rulerDepths(frame, height, metresPerDepthUnit(units), 34).map(({ depthM, label }) => (
          <G key={depthM}>
            <Line x1={rulerWidth} x2={width} y1={y(depthM)} y2={y(depthM)} stroke={palette.second} strokeOpacity={0.22} />
            <SvgText x={rulerWidth - 6} y={y(depthM) + 6} fontSize={16} fontFamily={bold} fill={palette.ink} textAnchor="end">
              {label}
            </SvgText>
          </G>
        ))}
        {state.bottomM === null ? null : (
          <>
            <Rect x={0} y={y(state.bottomM)} width={width} height={height} fill={palette.card} />
            <Rect x={0} y={y(state.bottomM)} width={width} height={height} fill="url(#bed)" />
            <Line x1={0} x2={width} y1={y(state.bottomM)} y2={y(state.bottomM)} stroke={palette.plum} strokeWidth={3} />
          </>
        )}
        {adviceM === null ? null : <Line x1={rulerWidth} x2={width} y1={y(adviceM)} y2={y(adviceM)} stroke={palette.ember} strokeDasharray="3 7" strokeWidth={2} />}
      </Svg>
      {children}
      {labels.map((label, i) => (
        <View
          key={label.id}
          aria-hidden
          style={{
            position: 'absolute',
            right: 8,
            top: labelY[i] - 14,
            height: 28,
            paddingHorizontal: 8,
            borderRadius: 6,
            backgroundColor: palette.card,
            justifyContent: 'center',
            maxWidth: width - jigX - 54,
          }}
        >
          <Text strong tone={label.tone} numberOfLines={1}>
            {label.text}
          </Text>
        </View>
      ))}
    </>
  );
}

interface Chip {
  id: string;
  depthM: number;
  text: string;
  tone: 'ember' | 'kelp' | 'plum';
}

/** Labels of what matters, most wanted first. */
function chipsOf({ state, stillS, lineM }: Latest, jigM: number, adviceM: number | null, units: UnitPreference): Chip[] {
  const chips: Chip[] = [{ id: 'jig', depthM: jigM, text: `Jig ${depthText(jigM, units)}`, tone: 'ember' }];
  const top = state.marks.find((m) => m.kind === 'fish' || m.kind === 'school');
  if (top) chips.push({ id: 'top', depthM: top.depthM, text: `Top fish ${depthText(top.depthM, units)}${moving(top, stillS)}`, tone: 'kelp' });
  if (state.bottomM !== null) chips.push({ id: 'bottom', depthM: state.bottomM + 0.3, text: `Bottom ${depthText(state.bottomM, units)}`, tone: 'plum' });
  if (adviceM !== null && Math.abs(adviceM - lineM) > 0.2) chips.push({ id: 'advice', depthM: adviceM, text: `Go to ${depthText(adviceM, units)}`, tone: 'ember' });
  return chips;
}

function moving(mark: Mark, stillS: number): string {
  if (mark.riseMs > 0.03) return ', rising';
  if (mark.riseMs < -0.03) return ', sinking';
  return stillS >= 2 ? `, still ${Math.round(stillS)} s` : '';
}
