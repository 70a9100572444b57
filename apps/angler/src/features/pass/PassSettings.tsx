import type { OutingState, StationState } from '@burrow/core/ledger';
import { trollSpeedText } from '@burrow/core/troll';
import { clamp, depthText, metresPerDepthUnit } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { savePassTracks } from '@/data/pass-tracks';
import { change, setTroll, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

/** Speed wanted, used until the phone tells one. */
export function SpeedStepper({ speedMs, speedBy, speeds }: { speedMs: number; speedBy: string; speeds: { fromMs: number; toMs: number } }) {
  const { units, troll } = usePreferences();
  const { fromMs, toMs } = speeds;
  return (
    <>
      <Stepper
        label="Speed"
        text={trollSpeedText(troll.speedMs, units)}
        onStep={(d) => setTroll({ speedMs: Math.round(100 * clamp(troll.speedMs + d * 0.05, 0.1, 4)) / 100 })}
        hint={speedBy === 'assumed' ? 'Used until the phone says how fast you go.' : `By the phone ${trollSpeedText(speedMs, units)} over the ground, ${speedBy}: that is used.`}
      />
      <Text size="small">{`They take it at ${trollSpeedText(fromMs, units)} to ${trollSpeedText(toMs, units)}, a rule of thumb for this fish and this cold.`}</Text>
      {troll.speedMs < fromMs || troll.speedMs > toMs ? (
        <Action label={`Reckon with ${trollSpeedText((fromMs + toMs) / 2, units)}`} onPress={() => setTroll({ speedMs: Math.round(100 * ((fromMs + toMs) / 2)) / 100 })} />
      ) : null}
    </>
  );
}

/** Depths that fish are looked for in, m. */
export function BandSteppers({ waterId, band, hint }: { waterId: string; band: { fromM: number; toM: number }; hint: string }) {
  const { units } = usePreferences();
  const move = (end: 'fromM' | 'toM', d: 1 | -1) => {
    const moved = { ...band, [end]: Math.max(0.2, band[end] + d * metresPerDepthUnit(units) * (units.depth === 'ft' ? 2 : 0.5)) };
    if (moved.toM - moved.fromM >= 0.5) change({ castBand: { water: waterId, ...moved } });
  };
  return (
    <>
      <Stepper label="Fish looked for: from" text={depthText(band.fromM, units)} onStep={(d) => move('fromM', d)} hint={hint} />
      <Stepper label="Fish looked for: to" text={depthText(band.toM, units)} onStep={(d) => move('toM', d)} />
    </>
  );
}

/** The tracks taken along, and the way out. */
export function PassExits({ outing, flush }: { outing: OutingState; flush: () => Promise<unknown> }) {
  const router = useRouter();
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      <Action grow height={64} icon="download" label="Tracks, GPX" onPress={() => void flush().then(() => savePassTracks(outing))} />
      <Action grow height={64} icon="walk" label="Leave the pass" onPress={() => router.navigate('/water')} />
    </View>
  );
}

/** The depth that the sounder showed where the pass began: one of the three that make a map. */
export function BeganOver({ pass, onLog }: { pass: StationState; onLog: (depthM: number) => Promise<void> }) {
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
