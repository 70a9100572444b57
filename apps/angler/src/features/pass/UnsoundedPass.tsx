import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf } from '@burrow/core/fish';
import { LocalFrame, type LonLat } from '@burrow/core/ground';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { depthHoursText, trollingSpeed, trollSpeedText, type RunningLine } from '@burrow/core/troll';
import { clamp, clockText, counted, depthText, metresPerDepthUnit, tempText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useNow } from '@/data/clock';
import { savePassTracks } from '@/data/pass-tracks';
import { useFollowedPosition } from '@/data/position';
import { change, setTroll, usePreferences } from '@/data/preferences';
import { useTrack } from '@/data/track';
import { CastMeasures } from '@/features/cast/CastMeasures';
import { ColdWaterNote } from '@/features/cast/ColdWater';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { LogList } from '@/features/station/LogList';
import { LoggedBar } from '@/features/station/LoggedBar';
import { useLogged } from '@/features/station/useLogged';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { ThumbBar, type ThumbKey } from '@/ui/ThumbBar';
import { useSize } from '@/ui/useSize';
import { useWakeLock } from '@/ui/useWakeLock';
import { DepthsSheet } from './DepthsSheet';
import { StrikeSheets } from './StrikeSheets';
import { usePassLines } from './usePassLines';

/** Depths fished where nobody has said any and no bed is known, m: assumed. */
const assumedBand = { fromM: 1, toM: 5 } as const;

/** Trolling where too few depths are known for a lane: one steers by the sounder, and lines, strikes, tracks and depths are logged all the same. */
export function UnsoundedPass({ outing, pass, water }: { outing: OutingState; pass: StationState; water: WaterDetail }) {
  useWakeLock();
  const router = useRouter();
  const { units, troll, castBand, craft } = usePreferences();
  const now = useNow(2000);
  const zone = water.file.water.timezone;
  const scope = { id: outing.id, zone };
  const [sheet, setSheet] = useState<'strike' | 'fish' | 'depths' | 'more' | null>(null);
  const close = () => setSheet(null);
  const logged = useLogged(scope, close);
  const { undo, log } = logged;
  const position = useFollowedPosition();
  const here = position.fix?.at ?? null;
  const flush = useTrack(scope, pass, here);
  const { speedMs, by: speedBy } = trollingSpeed(position.fix?.speedMs ?? null, position.recent, troll.speedMs);
  const own = castBand?.water === water.id ? castBand : null;
  const band = own ?? assumedBand;
  const running = usePassLines({ outing, pass, water, band, waterM: null, speedMs, nowMs: now, scope, log });
  const { lines, strikes, rows } = running;
  const strike = (line: RunningLine) => running.strike(line, { at: here, speedMs: speedBy === 'measured' ? speedMs : null });
  const turnRound = async () => {
    await flush();
    await running.nextPass(here ?? pass.at);
  };
  const keys: ThumbKey[] = [
    {
      id: 'strike',
      label: 'Strike',
      detail: lines.length > 1 ? 'which line' : undefined,
      icon: 'bite',
      onPress: () => (lines.length === 1 ? void strike(lines[0]) : setSheet('strike')),
    },
    { id: 'fish', label: 'Fish', icon: 'fish', main: true, onPress: () => setSheet('fish') },
    { id: 'turn', label: 'Turn', detail: 'next pass', icon: 'turn', onPress: () => void turnRound() },
    { id: 'depths', label: 'Depths', icon: 'depths', onPress: () => setSheet('depths') },
    { id: 'more', label: 'More', icon: 'more', onPress: () => setSheet('more') },
  ];
  const measuredC = outing.temperatures.at(-1)?.tempC;
  const passes = new Set(outing.stations.filter((s) => s.kind === pass.kind).map((s) => s.id));
  const unitM = metresPerDepthUnit(units);
  const moveBand = (end: 'fromM' | 'toM', d: 1 | -1) => {
    const moved = { ...band, [end]: Math.max(0.2, band[end] + d * unitM * (units.depth === 'ft' ? 2 : 0.5)) };
    if (moved.toM - moved.fromM >= 0.5) change({ castBand: { water: water.id, ...moved } });
  };
  return (
    <View style={{ flex: 1 }}>
      <View style={{ paddingHorizontal: 16, paddingTop: 10, paddingBottom: 8, gap: 4 }}>
        <Text size="small" tone="second">
          {`Pass ${pass.label}, ${speciesOf(outing.species[0]).short.toLowerCase()}, water ${measuredC === undefined ? 'not measured' : `${tempText(measuredC, units)} measured`}, no depths known`}
        </Text>
        <View aria-live="polite" style={{ gap: 2 }}>
          <Text heading={1} size="title">
            {lines.length === 0 ? 'Set the lines' : 'Steer by your sounder'}
          </Text>
          <Text tone="second">
            {lines.length === 0
              ? `Their depths cover ${depthText(band.fromM, units)} to ${depthText(band.toM, units)}, ${own ? 'yours' : 'assumed: set it under More'}.`
              : 'No lane without a map. Log the depth where each pass begins: three make one.'}
          </Text>
        </View>
        {lines.length === 0 ? <Action height={56} label="Set the lines" onPress={() => setSheet('depths')} /> : null}
        {lines.map((l) => (
          <Text
            key={l.id}
          >{`${l.name}: ${l.depthM === null ? 'no depth' : depthText(l.depthM, units)}, since ${clockText(outing.lines.find((o) => o.id === l.id)?.downMs ?? now, zone)}`}</Text>
        ))}
      </View>
      <View style={{ flex: 1, minHeight: 0 }}>
        <Track pass={pass} here={here} strikes={strikes.flatMap((s) => (s.station === pass.id && s.at ? [s.at] : []))} why={position.why} />
        <LoggedBar logged={logged} onTop={0} />
      </View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', paddingHorizontal: 16, paddingVertical: 10 }}>
        <Text strong>{`${trollSpeedText(speedMs, units)}${speedBy === 'measured' ? '' : ` ${speedBy}`}`}</Text>
        <Text tone="second">{strikes.length === 0 ? '' : counted(strikes.length, 'strike')}</Text>
      </View>
      <ThumbBar keys={keys} label="What you did and what happened" />
      {sheet === 'depths' ? <DepthsSheet control={{ ...running, speedMs, speedBy, underM: null, onClose: close }} /> : null}
      <StrikeSheets
        open={sheet === 'strike' || sheet === 'fish' ? sheet : null}
        onClose={close}
        outing={outing}
        pass={pass}
        zone={zone}
        lines={lines}
        strikes={strikes}
        here={here}
        onStrike={(line) => void strike(line)}
        onSaid={logged.setSaid}
      />
      {sheet === 'more' ? (
        <Sheet title={`Pass ${pass.label}`} open onClose={close}>
          <BeganOver pass={pass} onLog={(depthM) => log(`Depth ${depthText(depthM, units)}`, [{ kind: 'depth-sounded', body: { station: pass.id, depthM, source: 'entered' } }])} />
          <Stepper label="Fish looked for: from" text={depthText(band.fromM, units)} onStep={(d) => moveBand('fromM', d)} hint={own ? 'Yours.' : 'Assumed until you set it.'} />
          <Stepper label="Fish looked for: to" text={depthText(band.toM, units)} onStep={(d) => moveBand('toM', d)} />
          <Stepper
            label="Speed"
            text={trollSpeedText(troll.speedMs, units)}
            onStep={(d) => setTroll({ speedMs: Math.round(100 * clamp(troll.speedMs + d * 0.05, 0.2, 4)) / 100 })}
            hint={speedBy === 'assumed' ? 'Used until the phone says how fast you go.' : `By the phone ${trollSpeedText(speedMs, units)}, ${speedBy}: that is used.`}
          />
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Action grow height={64} icon="download" label="Tracks, GPX" onPress={() => void flush().then(() => savePassTracks(outing))} />
            <Action grow height={64} icon="walk" label="Leave the pass" onPress={() => router.navigate('/water')} />
          </View>
          <ColdWaterNote tempC={measuredC ?? null} method={methodOf(pass.method) ?? usualMethod} craft={craft === 'kayak' ? 'kayak' : 'boat'} units={units} />
          <CastMeasures outing={outing} station={pass.id} zone={zone} levelM={0} units={units} onLogged={close} />
          <Text strong>Hours by depth on this water</Text>
          {rows.map((h) => (
            <Text key={h.fromM} size="small">
              {depthHoursText(h, units)}
            </Text>
          ))}
          <LogList outing={outing} entries={outing.entries.filter((e) => e.station !== null && passes.has(e.station))} units={units} timeZone={zone} onUndo={(id) => undo(id)} />
        </Sheet>
      ) : null}
    </View>
  );
}

/** The depth that the sounder showed where the pass began: one of the three that make a map. */
function BeganOver({ pass, onLog }: { pass: StationState; onLog: (depthM: number) => Promise<void> }) {
  const { units } = usePreferences();
  const [depthM, setDepth] = useState(pass.depthM);
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 1 : 0.5);
  return (
    <View style={{ gap: 6 }}>
      <Stepper
        label="Water where this pass began"
        text={depthM === null ? null : depthText(depthM, units)}
        empty="not sounded"
        onStep={(d) => setDepth((m) => (m === null ? 5 : clamp(m + d * stepM, 0.3, 300)))}
        big={{ text: depthText(10 * stepM, units), onStep: (d) => setDepth((m) => clamp((m ?? 5) + d * 10 * stepM, 0.3, 300)) }}
      />
      {depthM === null || depthM === pass.depthM ? null : <Action height={56} label={`Log ${depthText(depthM, units)}`} onPress={() => void onLog(depthM)} />}
    </View>
  );
}

/** Room about the way, px, and the least that the picture spans, m. */
const [marginPx, leastM] = [40, 60];

/** Where the pass has gone by the phone, where something took, and where one is; north up. */
function Track({ pass, here, strikes, why }: { pass: StationState; here: LonLat | null; strikes: readonly LonLat[]; why: string | null }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const way = [...(pass.track ?? [pass.at]), ...(here ? [here] : [])];
  const frame = LocalFrame.about([...way, ...strikes]);
  const spots = [...way, ...strikes].map((p) => frame.toMetres(p));
  const spanM = Math.max(leastM, ...spots.map(([x]) => 2 * Math.abs(x)), ...spots.map(([, y]) => 2 * Math.abs(y)));
  const pxPerM = Math.max(0, Math.min(width, height) - 2 * marginPx) / spanM;
  const px = (p: LonLat) => {
    const [x, y] = frame.toMetres(p);
    return { x: width / 2 + x * pxPerM, y: height / 2 - y * pxPerM };
  };
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`The way of this pass, north up. ${counted(strikes.length, 'strike')}.`}
      style={{ flex: 1, minHeight: 160, backgroundColor: palette.depths[0] }}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {way.length > 1 ? (
            <Path
              d={`M${way
                .map(px)
                .map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
                .join('L')}`}
              fill="none"
              stroke={palette.ink}
              strokeWidth={3}
            />
          ) : null}
          {strikes.map((at, k) => (
            <Circle key={k} cx={px(at).x} cy={px(at).y} r={7} fill={palette.kelp} stroke={palette.card} strokeWidth={2} />
          ))}
          {here ? <Circle cx={px(here).x} cy={px(here).y} r={9} fill={palette.ember} stroke={palette.card} strokeWidth={2.5} /> : null}
        </Svg>
      ) : null}
      {here ? null : (
        <View style={{ position: 'absolute', left: 16, right: 16, top: 12 }}>
          <Text size="small" tone="second">
            {why ?? 'The phone does not say where it is yet.'}
          </Text>
        </View>
      )}
    </View>
  );
}
