import { iceGuidance } from '@burrow/core/safety';
import type { Craft, Hazard, Method } from '@burrow/core/methods';
import { sourceWords, type OutlookWords, type WeatherSource } from '@burrow/core/outlook';
import { View } from 'react-native';
import { useWallNow } from '@/data/clock';
import { change, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { BringWeather } from './BringWeather';

const loads = iceGuidance.map((g) => ({ id: g.load, label: { foot: 'On foot', snowmobile: 'With a sled machine', car: 'With a car', truck: 'With a truck' }[g.load] }));

const craftChoices: readonly { id: Craft; label: string }[] = [
  { id: 'bank', label: 'Bank' },
  { id: 'pier', label: 'Pier' },
  { id: 'wading', label: 'Wading' },
  { id: 'kayak', label: 'Kayak' },
  { id: 'boat', label: 'Boat' },
];

interface GoProps {
  /** What stands against going, by the way of fishing and the state of this water. */
  hazards: readonly Hazard[];
  /** Null where no way of fishing is built for this water. */
  method: Method | null;
  /** What this water can be fished from; empty where there is no choice. */
  crafts: readonly Craft[];
  bears: string | null;
}

/** What stands against going: the ice for who goes, open water, or a current. There is no yes here. */
export function GoPart({ hazards, method, crafts, bears }: GoProps) {
  const { load, craft } = usePreferences();
  return (
    <View style={{ gap: 10 }}>
      {method?.isOnIce ? <Choice label="Who goes on the ice" options={loads} value={load} onChange={(id) => change({ load: id })} /> : null}
      {crafts.length > 0 ? (
        <Choice label="What you fish from" wrap options={craftChoices.filter((c) => crafts.includes(c.id))} value={craft} onChange={(id) => change({ craft: id })} />
      ) : null}
      {hazards.map((h) => (
        <Caution key={h.id} headline={h.headline}>
          {h.id === 'ice' ? [h.text, bears].filter((t) => t !== null).join(' ') : h.text}
        </Caution>
      ))}
    </View>
  );
}

interface ColdProps {
  words: OutlookWords;
  station: WeatherSource;
  keptMs: number;
  nowMs: number;
  waterId: string;
  zone: string;
  onSeen: () => void;
}

/** Cold and light over the stay, and how old the weather is. */
export function ColdPart({ words, station, keptMs, nowMs, waterId, zone, onSeen }: ColdProps) {
  const { units } = usePreferences();
  const wallNowMs = useWallNow(60_000);
  const stale = wallNowMs - keptMs > 30 * 60_000;
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        Cold and light
      </Text>
      <Text>{words.cold}</Text>
      <Text size="small" tone={stale ? 'straw' : 'second'}>
        {sourceWords(station, nowMs, stale, units)}
      </Text>
      <View style={{ flexDirection: 'row' }}>
        <Action label="Log what I see" onPress={onSeen} />
      </View>
      <BringWeather waterId={waterId} zone={zone} brought={station.brought} />
    </View>
  );
}
