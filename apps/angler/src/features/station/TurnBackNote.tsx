import type { OutingState } from '@burrow/core/ledger';
import { turnBack, turnBackText, windAgainst, type WayHome } from '@burrow/core/safety';
import { bearingDeg, distanceM, type LonLat } from '@burrow/core/units';
import { sunDay } from '@burrow/core/weather';
import { useWallNow } from '@/data/clock';
import { useSituation } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { Text } from '@/ui/Text';

const waysHome: Readonly<Record<string, WayHome>> = { kayak: 'kayak', boat: 'boat' };

/** When to turn back so as to be where one began half an hour before dark: by the way there, the craft and the wind. */
export function TurnBackNote({ outing, at, zone }: { outing: OutingState; at: LonLat; zone: string }) {
  const { units, craft } = usePreferences();
  const { wind } = useSituation();
  const now = useWallNow(60_000);
  const home = outing.stations.at(0)?.at;
  const { duskMs } = sunDay(now, { lon: at[0], lat: at[1], timeZone: zone });
  if (!home || !Number.isFinite(duskMs)) return null;
  const homeM = distanceM(at, home);
  const { speedMs = 0, fromDeg = null } = wind?.value ?? {};
  const back = turnBack(duskMs, homeM, waysHome[craft] ?? 'foot', windAgainst(speedMs, fromDeg, bearingDeg(at, home)), 0);
  return <Text strong={now >= back.atMs}>{turnBackText(back, duskMs, homeM, now, zone, units)}</Text>;
}
