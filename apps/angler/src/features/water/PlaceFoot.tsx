import { distanceM, type LonLat } from '@burrow/core/ground';
import type { StationState } from '@burrow/core/ledger';
import { agoText, distanceText, type UnitPreference } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useWallNow } from '@/data/clock';
import type { Fix } from '@/data/position';
import { usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { SpeciesSheet } from '@/features/fish/SpeciesSheet';
import { OutingActions } from './OutingActions';
import { Foot } from './Panes';
import { StartActions } from './StartActions';
import type { OpenedPlace } from './StationHere';
import type { OutingHere } from './useOutingHere';
import type { Standpoint } from './useStandpoint';
import { way } from './words';

/** The place of the ring and what is said of it and of any other, with what can be done there. */
export interface PlaceSlots {
  here: OutingHere;
  standpoint: Standpoint;
  /** The place that is advised or was tapped. */
  ring: LonLat;
  /** Whether somebody named the ring: the advice or a tap. Else it only marks the water, and nothing is opened there. */
  isRingNamed: boolean;
  ringSays: { title: string; detail: string };
  placeTitle: (at: LonLat) => string;
  expectedM: (at: LonLat) => number | null;
  canOpen: (at: LonLat) => boolean;
  /** What else can be done under the place: a plan, a mark. */
  actions?: ReactNode;
  /** What is done instead of starting an outing, where none can be. */
  instead?: ReactNode;
  /** What stands beside the place before an outing. */
  beside?: ReactNode;
}

interface Props extends PlaceSlots {
  onOpen: (place: OpenedPlace) => void;
  onBack: (station: string) => void;
}

/** A place is the ring where it lies this near to it, m. */
const atRingM = 1;

/** The place one is at and the one advised, with what opens a station there; before an outing, what starts one. */
export function PlaceFoot(props: Props) {
  const { here, standpoint, ring, expectedM, actions, instead, beside, onOpen } = props;
  const { outing, ready, ways, otherWays, lastWay, start, end } = here;
  const router = useRouter();
  const [isQuiet, setQuiet] = useState(false);
  const openHere = async () => {
    const now = await standpoint.now();
    setQuiet(now === null);
    if (now) onOpen({ at: now.at, expectedM: expectedM(now.at), placed: { by: 'phone', accuracyM: Math.round(now.accuracyM * 10) / 10 } });
  };
  // A place that has a station already is gone back to, not opened again.
  const known = outing?.stations.find((s) => distanceM(s.at, ring) < atRingM) ?? null;
  const at = outing && standpoint.tapped === null ? standpoint.here : null;
  return (
    <Foot>
      {!outing && instead ? null : (
        <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
          <PlaceTitle {...props} at={at} isKnown={known !== null} isQuiet={isQuiet} />
          {outing ? null : beside}
        </View>
      )}
      {outing ? (
        here.surface === 'skin' ? null : (
          <OpenKeys {...props} at={at} known={known} onHere={() => void openHere()} />
        )
      ) : (
        (instead ?? <StartActions ways={ways} otherWays={otherWays} isMoving={here.surface === 'moving'} lastWay={lastWay} disabled={!ready} onStart={(by) => void start(by)} />)
      )}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {actions}
        {here.asking ? <SpeciesSheet title="What do you fish for?" hasAny {...here.asking} onFish={(id) => void here.asking?.onFish(id)} /> : null}
        {outing ? <OutingActions zone={here.zone} onHole={() => router.navigate('/hole')} onEnd={() => void end()} /> : null}
      </View>
    </Foot>
  );
}

/** Where one stands by the phone, while an outing is under way; else null. */
type Standing = Standpoint['here'];

/** The name of the place, and under it where the phone is, or why nothing is said of it. */
function PlaceTitle({ here, standpoint, ring, isRingNamed, ringSays, placeTitle, at, isKnown, isQuiet }: Props & { at: Standing; isKnown: boolean; isQuiet: boolean }) {
  const isSkin = here.surface === 'skin';
  const first = here.elsewhere
    ? `Starting here ends your outing on ${here.elsewhere.waterName}.`
    : isQuiet
      ? 'The phone does not say any more where it is. Tap the map, or try again.'
      : null;
  const says = first ?? (isSkin ? 'Ended now it is a lost day, and no blank.' : (standpoint.says ?? ringSays.detail));
  // Where nobody stands and nothing goes through, no place is named.
  const title = isSkin ? 'No place to fish today' : at ? placeTitle(at.at) : ringSays.title;
  return (
    <View style={{ flex: 1 }} aria-live="polite">
      <Text strong>{title}</Text>
      {at && first === null ? (
        <PhoneLine fix={at} ring={isKnown || !isRingNamed ? null : ring} />
      ) : (
        <Text size="small" tone="second">
          {says}
        </Text>
      )}
    </View>
  );
}

/** What opens a station, or goes back to one: at the ring, at a place that was tapped, where one stands. */
function OpenKeys({ here: { method }, standpoint, ring, isRingNamed, canOpen, expectedM, onOpen, onBack, at, known, onHere }: OpenProps) {
  const openRing = () => onOpen({ at: ring, expectedM: expectedM(ring), placed: { by: 'map' } });
  const kind = at ? 'plain' : 'main';
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      {known ? (
        <Action grow kind={kind} height={64} label={`Back to ${method.station.toLowerCase()} ${known.label}`} onPress={() => onBack(known.id)} />
      ) : standpoint.tapped || (!isRingNamed && !at) ? (
        <Action grow kind="main" height={64} label={method.open} disabled={!isRingNamed || !canOpen(ring)} onPress={openRing} />
      ) : isRingNamed ? (
        <Action grow kind={kind} height={64} label="I am at the ring" disabled={!canOpen(ring)} onPress={openRing} />
      ) : null}
      {at ? <Action grow kind="main" height={64} label={method.open} onPress={onHere} /> : null}
    </View>
  );
}

interface OpenProps extends Props {
  at: Standing;
  known: StationState | null;
  onHere: () => void;
}

const doubtText = (fix: Fix, units: UnitPreference) => `within ${distanceText(Math.max(1, fix.accuracyM), units)}`;

/** Where the phone is, how exactly and since when, and the way to the ring. */
function PhoneLine({ fix, ring }: { fix: Fix; ring: LonLat | null }) {
  const { units } = usePreferences();
  const nowMs = useWallNow(1000);
  const ageMs = Math.max(0, nowMs - fix.readMs);
  const to = ring && way(fix.at, ring, units);
  return (
    <Text size="small" tone="second">
      {`You, by the phone ${doubtText(fix, units)}, ${agoText(ageMs)}.${to ? ` The ring is ${to}.` : ''}`}
    </Text>
  );
}
