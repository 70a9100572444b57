import { clamp, pressureStepHpa, pressureText, tempText } from '@burrow/core/units';
import type { LedgerEvent } from '@burrow/core/ledger';
import type { WeatherHour } from '@burrow/core/weather';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { noWind, windBody, WindField, type WindByEye } from '@/features/arrival/WindField';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

const skies = [
  { id: '0', label: 'Clear' },
  { id: '0.3', label: 'Some cloud' },
  { id: '0.75', label: 'Mostly cloud' },
  { id: '1', label: 'Overcast' },
] as const;
/** Where setting the air's temperature begins, °C. */
const usualAirC = -5;

/** Weather by thermometer, barometer and eye: it takes the place of the station's for this hour. */
export function SeenSheet({
  open,
  onClose,
  last,
  zone,
  onLogged,
}: {
  open: boolean;
  onClose: () => void;
  last: WeatherHour | undefined;
  zone: string;
  onLogged: (event: LedgerEvent) => void;
}) {
  const { units } = usePreferences();
  const { ledger } = useLedger();
  const [hpa, setHpa] = useState<number | null>(null);
  const [airC, setAir] = useState<number | null>(null);
  const [sky, setSky] = useState<(typeof skies)[number]['id'] | null>(null);
  const [wind, setWind] = useState<WindByEye>(noWind);
  const degreeC = units.temp === 'F' ? 1 / 1.8 : 1;
  const station = last?.pressureHpa ?? null;
  /** Where setting it begins. */
  const glass = hpa ?? station ?? 1015;
  const isEmpty = airC === null && hpa === null && sky === null && wind === noWind;
  const save = async () => {
    const event = await ledger.write({ id: newId(), zone }, 'weather-seen', {
      ...(airC === null ? {} : { airC: Math.round(airC * 10) / 10 }),
      ...(hpa === null ? {} : { pressureHpa: Math.round(hpa * 10) / 10 }),
      ...(sky === null ? {} : { cloud: Number(sky) }),
      ...windBody(wind),
    });
    setAir(null);
    setHpa(null);
    setSky(null);
    setWind(noWind);
    onLogged(event);
    onClose();
  };
  return (
    <Sheet title="What I see" open={open} onClose={onClose} footer={<Action kind="main" height={64} label="Log this weather" disabled={isEmpty} onPress={() => void save()} />}>
      <Stepper
        label="Air"
        text={airC === null ? null : tempText(airC, units)}
        empty="not read"
        onStep={(d) => setAir((c) => (c === null ? Math.round(last?.airC ?? usualAirC) : clamp(c + d * degreeC, -60, 50)))}
        big={{ text: `${units.temp === 'F' ? 10 : 5}°`, onStep: (d) => setAir((c) => clamp((c ?? usualAirC) + d * (units.temp === 'F' ? 10 / 1.8 : 5), -60, 50)) }}
        onClear={() => setAir(null)}
      />
      <Stepper
        label="Glass"
        text={hpa !== null ? pressureText(hpa, units) : station !== null ? `${pressureText(station, units)} (station)` : null}
        empty="not read"
        onStep={(d) => setHpa(clamp(glass + d * pressureStepHpa(units), 900, 1080))}
        hint="Reduced to sea level, as barometers are set."
      />
      <View style={{ gap: 6 }}>
        <Text strong>Sky</Text>
        <Choice label="Sky" wrap options={skies} value={sky ?? ('' as never)} onChange={setSky} />
      </View>
      <WindField value={wind} onChange={setWind} />
      <Text size="small" tone="second">
        Only what you set is logged. It joins the series, and the fronts are read anew.
      </Text>
    </Sheet>
  );
}
