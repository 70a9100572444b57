import { iceGuidance } from '@burrow/core/safety';
import type { OutlookWords, Surface } from '@burrow/core/outlook';
import { spanText } from '@burrow/core/units';
import { View } from 'react-native';
import { useWallNow } from '@/data/clock';
import { change, usePreferences } from '@/data/preferences';
import { Action } from '../Action';
import { Caution } from '../Caution';
import { Choice } from '../Choice';
import { Words } from '../Words';

const loads = iceGuidance.map((g) => ({ id: g.load, label: { foot: 'On foot', snowmobile: 'With a sled machine', car: 'With a car', truck: 'With a truck' }[g.load] }));

interface GoProps {
  ice: OutlookWords['ice'];
  surface: Surface;
  bears: string | null;
  away: string | null;
}

/** What stands against going: the ice for who goes, open water, or a current. There is no yes here. */
export function GoPart({ ice, surface, bears, away }: GoProps) {
  const { load } = usePreferences();
  if (surface === 'moving') return <Caution headline={ice.headline}>{ice.detail}</Caution>;
  return (
    <View style={{ gap: 10 }}>
      {surface === 'open' ? (
        <Caution headline="Open water, as modelled">
          Cold water takes the breath and then the hands. Wear flotation, know how to get back in, and have somebody know the plan. If there is ice, it is new and not to be
          trusted.
        </Caution>
      ) : (
        <>
          <Choice label="Who goes on the ice" options={loads} value={load} onChange={(id) => change({ load: id })} />
          <Caution headline={ice.headline}>{[ice.detail, away ? `Measured ${away} from the place to start.` : null, bears].filter((t) => t !== null).join(' ')}</Caution>
        </>
      )}
    </View>
  );
}

interface ColdProps {
  words: OutlookWords;
  station: { station: string; simulated: boolean; observedMs: number };
  keptMs: number;
  nowMs: number;
  onSeen: () => void;
}

/** Cold and light over the stay, and how old the weather is. */
export function ColdPart({ words, station, keptMs, nowMs, onSeen }: ColdProps) {
  const wallNowMs = useWallNow(60_000);
  const age = Math.max(0, nowMs - station.observedMs);
  const stale = wallNowMs - keptMs > 30 * 60_000;
  return (
    <View style={{ gap: 4 }}>
      <Words heading={2} size="lead">
        Cold and light
      </Words>
      <Words>{words.cold}</Words>
      <Words
        size="small"
        tone={stale ? 'straw' : 'second'}
      >{`${station.station}${station.simulated ? ', simulated' : ''}: read ${age < 60_000 ? 'just now' : `${spanText(age)} ago`}${stale ? ', no fresher without signal' : ''}.`}</Words>
      <View style={{ flexDirection: 'row' }}>
        <Action label="Log what I see" onPress={onSeen} />
      </View>
    </View>
  );
}
