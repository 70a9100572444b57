import { FloatDrill as Drill, floatSigns, type FloatPose, type FloatReview, type FloatVerdict } from '@burrow/core/practice';
import { counted } from '@burrow/core/units';
import { useEffect, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import { newId } from '@/data/ids';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { SimulatedBand } from '@/ui/SimulatedBand';
import { Text } from '@/ui/Text';
import { useShortcuts } from '@/ui/useShortcuts';
import { useSize } from '@/ui/useSize';

/** The float is drawn anew so often, ms. */
const frameMs = 50;
/** Name of the drill in the log. */
const sceneId = 'float';

/** A drill under way: what the float does, what was said of the last strike, and the review once it is over. */
function useFloatDrill() {
  const { ledger, state } = useLedger();
  const past = state.drills.filter((d) => d.scene === sceneId);
  const [seed, setSeed] = useState(() => past.length + 1);
  const drill = useRef<{ drill: Drill; fromMs: number } | null>(null);
  const [pose, setPose] = useState<FloatPose | null>(null);
  const [leftS, setLeft] = useState(0);
  const [says, setSays] = useState<string | null>(null);
  const [review, setReview] = useState<FloatReview | null>(null);
  const now = () => (Date.now() - (drill.current?.fromMs ?? 0)) / 1000;
  const end = () => {
    const run = drill.current;
    if (!run) return;
    drill.current = null;
    setPose(null);
    const done = run.drill.review(Math.min(run.drill.endS, now()));
    setReview(done);
    const { rows, score, seconds } = done;
    const fish = rows.filter((r) => floatSigns[r.sign.says].isFish);
    const count = (verdict: FloatVerdict) => rows.filter((r) => r.verdict === verdict).length;
    const figures = { decisions: rows.length, score, takes: fish.length, landed: count('struck'), refusals: rows.length - fish.length, logged: count('let be') };
    void ledger.write({ id: newId(), zone: 'UTC' }, 'drill-done', { scene: sceneId, seed, seconds, ...figures });
  };
  const isRunning = pose !== null;
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => {
      const run = drill.current;
      if (!run) return;
      const tS = (Date.now() - run.fromMs) / 1000;
      if (tS >= run.drill.endS) end();
      else {
        setPose(run.drill.pose(tS));
        setLeft(Math.ceil(run.drill.endS - tS));
      }
    }, frameMs);
    return () => clearInterval(timer);
  });
  return {
    pose,
    leftS,
    says,
    review,
    best: past.reduce<number | null>((most, d) => (d.score === undefined ? most : Math.max(most ?? 0, d.score)), null),
    begin: () => {
      const next = review ? seed + 1 : seed;
      setSeed(next);
      drill.current = { drill: new Drill(next), fromMs: Date.now() };
      setReview(null);
      setSays(null);
      setPose(drill.current.drill.pose(0));
    },
    strike: () => {
      const run = drill.current;
      if (!run) return;
      const at = run.drill.strike(now());
      setSays(at === null ? 'At a float that stood: nothing there.' : `${at.isFish ? 'Fish.' : 'Nothing.'} ${floatSigns[at.says].why}`);
    },
    end,
  };
}

/** A drill on a float: strike at what is a fish, and let be what is none. */
export function FloatDrill() {
  const drill = useFloatDrill();
  const { pose, review } = drill;
  useShortcuts(pose ? [{ id: 'strike', label: 'Strike', icon: 'strike', shortcut: 'S', onPress: drill.strike }] : [], () => undefined);
  if (review) return <FloatResult review={review} best={drill.best} onAgain={drill.begin} />;
  return (
    <View style={{ flex: 1, minHeight: 0 }}>
      <SimulatedBand>Simulated for practice: this float is on no water</SimulatedBand>
      <View style={{ paddingHorizontal: 16, paddingVertical: 8, minHeight: 84 }} aria-live="polite">
        <Text heading={1} size="lead">
          {pose ? 'Strike at a fish, let the rest be' : 'What does the float say?'}
        </Text>
        <Text tone="second">
          {pose ? (drill.says ?? `${drill.leftS} s left. Under, lifted, flat or sliding off: a fish.`) : 'Ten things happen to it in about a minute and a half. Some are fish.'}
        </Text>
      </View>
      <FloatPicture pose={pose} />
      <View style={{ flexDirection: 'row', gap: 8, padding: 12 }}>
        {pose ? (
          <>
            <Action grow height={72} kind="main" icon="strike" label="Strike" onPress={drill.strike} />
            <Action height={72} label="End" onPress={drill.end} />
          </>
        ) : (
          <Action grow height={72} kind="main" label="Begin" onPress={drill.begin} />
        )}
      </View>
    </View>
  );
}

/** Share of the picture's height at which the water stands, and the float's size as a share of it. */
const [waterShare, sizeShare] = [0.56, 0.34];

/** The float on the water, as one sees it from the bank. */
function FloatPicture({ pose }: { pose: FloatPose | null }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const { tip, tiltDeg, alongM } = pose ?? { tip: 1, tiltDeg: 0, alongM: 0 };
  const waterY = waterShare * height;
  const size = sizeShare * height;
  // The antenna over the water, the body under it.
  const [x, top] = [width / 2 + alongM * 90, waterY - 0.42 * size * tip];
  return (
    <View onLayout={onLayout} style={{ flex: 1, minHeight: 160, overflow: 'hidden' }} aria-hidden>
      {height > 0 ? (
        <Svg width={width} height={height}>
          <Rect x={0} y={0} width={width} height={waterY} fill={palette.card} />
          <G rotation={tiltDeg} originX={x} originY={waterY}>
            <Line x1={x} x2={x} y1={top} y2={top + 0.5 * size} stroke={palette.ember} strokeWidth={9} strokeLinecap="round" />
            <Path d={`M${x} ${top + 0.4 * size}q16 ${0.22 * size} 0 ${0.5 * size}q-16 ${-0.28 * size} 0 ${-0.5 * size}Z`} fill={palette.plum} />
          </G>
          <Rect x={0} y={waterY} width={width} height={height - waterY} fill={palette.waterTop} opacity={0.82} />
          <Line x1={0} x2={width} y1={waterY} y2={waterY} stroke={palette.ink} strokeWidth={2} />
          {[0.12, 0.36, 0.62, 0.86].map((share) => (
            <Path key={share} d={`M${share * width - 26} ${waterY + 26 + 60 * share}q13 -6 26 0t26 0`} fill="none" stroke={palette.second} strokeWidth={1.5} />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}

const verdictWords: Record<FloatVerdict, string> = { struck: 'struck: right', missed: 'missed', 'let be': 'let be: right', 'struck at nothing': 'struck at nothing' };

/** How it went, sign by sign. */
function FloatResult({ review, best, onAgain }: { review: FloatReview; best: number | null; onAgain: () => void }) {
  const { rows, score, vain } = review;
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 12 }}>
      <Text heading={1} size="title">{`${score} of 100`}</Text>
      <Text tone="second">
        {[best === null ? null : `Best so far ${Math.round(Math.max(best, score))}.`, vain === 0 ? null : `Struck ${counted(vain, 'time')} at a float that stood.`]
          .filter((t) => t !== null)
          .join(' ')}
      </Text>
      {rows.map(({ sign, verdict }, k) => (
        <View key={k} style={{ gap: 2 }}>
          <Text strong tone={verdict === 'struck' || verdict === 'let be' ? 'kelp' : 'straw'}>{`${floatSigns[sign.says].name}, ${verdictWords[verdict]}`}</Text>
          <Text size="small" tone="second">
            {floatSigns[sign.says].why}
          </Text>
        </View>
      ))}
      <Action height={64} kind="main" label="Again" onPress={onAgain} />
    </ScrollView>
  );
}
