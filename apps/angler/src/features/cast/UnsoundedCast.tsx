import { baitOutM, bearingText, castText, chooseCadence, feltWords, ofFish, outAlong, ruleWithBait, signsAt, whatAfter, workedOn } from '@burrow/core/casting';
import { speciesOf } from '@burrow/core/fish';
import type { FeltKind, LostAt, OutingState, ReactionKind, StationState } from '@burrow/core/ledger';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { tempText } from '@burrow/core/units';
import type { WaterDetail } from '@burrow/contract/api';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { FactsLine } from '@/features/fish/TargetChoice';
import { useNow } from '@/data/clock';
import { newId } from '@/data/ids';
import { tied, useOnTheLine, usePreferences } from '@/data/preferences';
import { useSituation } from '@/data/outlook';
import { useLedger } from '@/data/session';
import { FishSheet } from '@/features/station/FishSheet';
import { LogList } from '@/features/station/LogList';
import { LoggedBar } from '@/features/station/LoggedBar';
import { StationFrame } from '@/features/station/StationFrame';
import { useLogged } from '@/features/station/useLogged';
import { bold, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import type { ThumbKey } from '@/ui/ThumbBar';
import { useSize } from '@/ui/useSize';
import { CastMeasures } from './CastMeasures';
import { CastAnswers, CastHabits, FeltOutThere, straightDown } from './CastParts';
import { ColdWaterNote } from './ColdWater';
import { FloatAdvice } from './FloatAdvice';
import { RetrieveBeat } from './RetrieveBeat';
import { bankShape } from './shapes';

/** Time to the bottom where no depth is known, s: assumed. */
const assumedFallS = 8;
/** Water where nobody sounded, m: assumed. */
const assumedDepthM = 4;

/** Casting where too few depths are known for a map: one aims by oneself, and all that happens is logged all the same. */
export function UnsoundedCast({ outing, stand, water }: { outing: OutingState; stand: StationState; water: WaterDetail }) {
  const { units, castM, craft, goal } = usePreferences();
  const { ledger } = useLedger();
  const bait = useOnTheLine('cast');
  const router = useRouter();
  const now = useNow(5000);
  const [aimDeg, setAim] = useState<number | null>(null);
  const [sheet, setSheet] = useState<'fish' | 'more' | 'help' | null>(null);
  const zone = water.file.water.timezone;
  const logged = useLogged({ id: outing.id, zone }, () => setSheet(null));
  const { setSaid, undo, log } = logged;
  const made = outing.casts.filter((c) => c.station === stand.id);
  const last = made.at(-1);
  const bearingDeg = Math.round(aimDeg ?? last?.bearingDeg ?? 0) % 360;
  const line = outing.lines.findLast((l) => l.station === stand.id && l.upMs === null);
  const { temperature, clarity, wind, airC } = useSituation();
  const tempC = temperature.value;
  const signs = signsAt(outing, stand);
  const first = whatAfter({ signs, nowMs: now, underM: stand.depthM, passes: 0 });
  const chosen = chooseCadence({
    tempC,
    secchiM: clarity.value,
    bed: 'unknown',
    group: speciesOf(outing.species[0]).group,
    goal,
    isSuspended: false,
    bites: ofFish(signs).length,
  });
  const depthM = stand.depthM ?? assumedDepthM;
  const way = workedOn({ tackle: bait?.tackle ?? null, diveM: bait?.dive?.depthM ?? null, tempC, depthM, bed: 'unknown', goal, signs, rule: first, chosen });
  const { cadence, why } = way;
  const rule = ruleWithBait(first, way.worked, signs, bait?.tackle?.family ?? null, goal);
  const onCast = last ? { cast: last.id } : {};
  const cast = () => {
    const lowered = line?.id ?? newId();
    return log(`Cast ${bearingText(bearingDeg)}`, [
      ...(line ? [] : [{ kind: 'line-down' as const, body: { line: lowered, station: stand.id, rod: 'rod 1', ...tied(bait) } }]),
      { kind: 'cast', body: { cast: newId(), station: stand.id, line: lowered, bearingDeg, distanceM: castM } },
    ]);
  };
  const react = (reaction: ReactionKind, text: string, lostAt?: LostAt) =>
    log(text, [{ kind: 'reaction', body: { station: stand.id, reaction, cadence: cadence.id, ...(line ? { line: line.id } : {}), ...onCast, ...(lostAt ? { lostAt } : {}) } }]);
  const felt = async (what: FeltKind) => {
    if (!last) return setSaid({ text: 'Cast first: how far out is reckoned from the time since', undo: [] });
    const outM = Math.round(10 * baitOutM(last.distanceM, (now - last.ms) / 1000, assumedFallS, cadence.takeM, way.paceSPerM)) / 10;
    return log(`${feltWords[what]} about ${castText(outM, units)} out`, [
      { kind: 'felt', body: { station: stand.id, what, cast: last.id, bearingDeg: last.bearingDeg, outM, by: 'time' } },
    ]);
  };
  const keys: ThumbKey[] = [
    { id: 'cast', label: 'Cast', detail: bearingText(bearingDeg), icon: 'cast', shortcut: 'C', main: true, onPress: () => void cast() },
    { id: 'felt', label: 'Felt rock', icon: 'rock', shortcut: 'R', onPress: () => void felt('hard') },
    { id: 'bite', label: 'Bite', icon: 'bite', shortcut: 'B', onPress: () => void react('bite', 'Bite logged') },
    { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', onPress: () => setSheet('fish') },
    { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
  ];
  const entries = <LogList outing={outing} entries={outing.entries.filter((e) => e.station === stand.id)} units={units} timeZone={zone} onUndo={(id) => undo(id)} />;
  const close = () => setSheet(null);
  const sheets = (
    <>
      <FishSheet
        open={sheet === 'fish'}
        onClose={close}
        outing={outing}
        zone={zone}
        station={stand.id}
        line={line?.id}
        depthM={null}
        bottomM={null}
        airC={airC?.value ?? null}
        onLogged={(id, text) => {
          setSaid({ text, undo: [id] });
          close();
        }}
      />
      <KeysSheet keys={keys} arrows="Arrows on the picture turn the aim." open={sheet === 'help'} onClose={close} />
      {sheet === 'more' ? (
        <Sheet title={`Stand ${stand.label}`} open onClose={close}>
          <CastAnswers onReact={(reaction, text, lostAt) => void react(reaction, text, lostAt)} />
          <FeltOutThere onFelt={(what) => void felt(what)} says="How far out is reckoned by the time since the cast." />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Action
              grow
              height={64}
              label="Straight down here"
              onPress={() => void ledger.writeAll({ id: outing.id, zone }, straightDown(outing, stand, stand.depthM)).then(close)}
            />
            <Action grow height={64} icon="walk" label="Leave this stand" onPress={() => router.navigate('/water')} />
            <Action grow height={64} label="What to tie on" onPress={() => router.navigate('/tie-on')} />
          </View>
          <FloatAdvice speciesId={outing.species[0]} tempC={tempC} windMs={wind?.value.speedMs ?? null} underM={stand.depthM} units={units} />
          <ColdWaterNote tempC={temperature.by === 'assumed' ? null : tempC} method={methodOf(stand.method) ?? usualMethod} craft={craft} units={units} />
          <CastHabits />
          <CastMeasures outing={outing} station={stand.id} zone={zone} levelM={0} units={units} onLogged={close} />
          {entries}
        </Sheet>
      ) : null}
    </>
  );
  const isOwn = rule.aim === 'best';
  return (
    <StationFrame
      facts={<FactsLine facts={`Stand ${stand.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, water ${tempText(tempC, units)} ${temperature.by}, no depths known`} />}
      heading={isOwn ? 'Aim, cast, count it down' : rule.headline}
      reason={isOwn ? `Drag the rod to where you cast. ${why.reason} Three depths make a map, and then the casts that show most are worked out.` : rule.reason}
      reasonLines={4}
      movement={<RetrieveBeat way={way} hasHard={false} units={units} />}
      picture={
        <>
          <Dial bearingDeg={bearingDeg} made={made} onAim={setAim} />
          <LoggedBar logged={logged} onTop={0} />
        </>
      }
      keys={keys}
      keysLabel="What you did and what happened"
      log={entries}
      logTitle="This stand"
      sheets={sheets}
      isBusy={sheet !== null}
      onHelp={() => setSheet('help')}
    />
  );
}

/** The casts from above, north up, and the one that is aimed: drag it, or turn it by the arrows. */
function Dial({ bearingDeg, made, onAim }: { bearingDeg: number; made: readonly { id: string; bearingDeg: number }[]; onAim: (deg: number) => void }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const [x, y, r] = [width / 2, height / 2, Math.max(0, Math.min(width, height) / 2 - 30)];
  const end = (deg: number) => {
    const p = outAlong({ x: 0, y: 0 }, deg, r);
    return { x: x + p.x, y: y - p.y };
  };
  const turn = (e: GestureResponderEvent) => onAim(((Math.atan2(e.nativeEvent.locationX - x, y - e.nativeEvent.locationY) * 180) / Math.PI + 360) % 360);
  const aim = end(bearingDeg);
  return (
    <View
      onLayout={onLayout}
      role="slider"
      tabIndex={0}
      aria-label="Bearing of the cast"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={bearingDeg}
      aria-valuetext={bearingText(bearingDeg)}
      {...({
        onKeyDown: (e: { key: string; preventDefault: () => void }) => {
          const by = { ArrowLeft: -5, ArrowRight: 5 }[e.key];
          if (by === undefined) return;
          e.preventDefault();
          onAim((bearingDeg + by + 360) % 360);
        },
      } as object)}
      onStartShouldSetResponder={() => true}
      onResponderTerminationRequest={() => false}
      onResponderGrant={turn}
      onResponderMove={turn}
      style={{ flex: 1, minHeight: 200, backgroundColor: palette.depths[0], touchAction: 'none', cursor: 'crosshair' } as object}
    >
      {r > 0 ? (
        <Svg width={width} height={height} pointerEvents="none" aria-hidden>
          <Circle cx={x} cy={y} r={r} fill="none" stroke={palette.second} strokeOpacity={0.4} strokeDasharray="3 6" />
          <SvgText x={x} y={y - r - 8} textAnchor="middle" fontFamily={bold} fontSize={14} fill={palette.second}>
            N
          </SvgText>
          {made.map((c) => (
            <Line key={c.id} x1={x} y1={y} x2={end(c.bearingDeg).x} y2={end(c.bearingDeg).y} stroke={palette.second} strokeWidth={1.5} />
          ))}
          <Line x1={x} y1={y} x2={aim.x} y2={aim.y} stroke={palette.ember} strokeWidth={5} />
          <Rect x={aim.x - 9} y={aim.y - 9} width={18} height={18} fill={palette.ember} stroke={palette.card} strokeWidth={2} transform={`rotate(45 ${aim.x} ${aim.y})`} />
          <G transform={`translate(${x} ${y}) rotate(${bearingDeg})`}>
            <Path d={bankShape} fill={palette.ink} stroke={palette.card} strokeWidth={2} />
          </G>
        </Svg>
      ) : null}
    </View>
  );
}
