import type { LonLat } from '@burrow/core/ground';
import type { OutingState, StationState } from '@burrow/core/ledger';
import type { PassLine, PassStrike } from '@burrow/core/troll';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { Fragment } from 'react';
import { View } from 'react-native';
import { useSituation } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { FishSheet } from '@/features/station/FishSheet';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { hasTwo } from './pass-keys';

interface StrikeControl {
  outing: OutingState;
  pass: StationState;
  zone: string;
  lines: readonly PassLine[];
  strikes: readonly PassStrike[];
  here: LonLat | null;
  strike: (line: PassLine, isUpper?: boolean) => unknown;
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
            <Fragment key={l.id}>
              {hasTwo(l) ? <Action grow height={84} label={baitText(`${l.name}, upper`, l.upperBait, l.second, units)} onPress={() => void strike(l, true)} /> : null}
              <Action grow height={84} label={baitText(hasTwo(l) ? `${l.name}, lower` : l.name, l.bait, l.depthM, units)} onPress={() => void strike(l)} />
            </Fragment>
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

/** A bait by its line, its name where somebody said it, and its depth. */
const baitText = (line: string, bait: string | null, depthM: number | null, units: UnitPreference): string =>
  [line, bait, depthM === null ? null : depthText(depthM, units)].filter((part) => part !== null).join(', ');
