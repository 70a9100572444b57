import type { LonLat } from '@burrow/core/ground';
import type { OutingState, StationState } from '@burrow/core/ledger';
import type { PassStrike, RunningLine } from '@burrow/core/troll';
import { depthText } from '@burrow/core/units';
import { View } from 'react-native';
import { useSituation } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { FishSheet } from '@/features/station/FishSheet';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface StrikeControl {
  outing: OutingState;
  pass: StationState;
  zone: string;
  lines: readonly RunningLine[];
  strikes: readonly PassStrike[];
  here: LonLat | null;
  strike: (line: RunningLine) => unknown;
  landed: (id: string, text: string) => void;
}

interface Props {
  /** The sheet that is open; others than `strike` and `fish` are not of here. */
  sheet: string | null;
  control: StrikeControl;
  onClose: () => void;
}

/** Which line was struck, and what came on it: a fish comes on the line that was struck last. */
export function StrikeSheets({ sheet, control, onClose }: Props) {
  const { outing, pass, zone, lines, strikes, here, strike, landed } = control;
  const { units } = usePreferences();
  const airC = useSituation().airC?.value ?? null;
  const struck = lines.find((l) => l.id === strikes.at(-1)?.line) ?? lines[0];
  return (
    <>
      <Sheet title="Strike: which line?" open={sheet === 'strike'} onClose={onClose}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {lines.map((l) => (
            <Action key={l.id} grow height={84} label={`${l.name}${l.depthM === null ? '' : `, ${depthText(l.depthM, units)}`}`} onPress={() => void strike(l)} />
          ))}
        </View>
        {lines.length === 0 ? <Text tone="second">No line is out.</Text> : null}
      </Sheet>
      <FishSheet
        open={sheet === 'fish'}
        onClose={onClose}
        outing={outing}
        zone={zone}
        station={pass.id}
        line={struck?.id}
        depthM={struck?.depthM ?? null}
        bottomM={null}
        airC={airC}
        at={here}
        onLogged={landed}
      />
    </>
  );
}
