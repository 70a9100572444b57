import { iceNeededText, metresPerIceUnit } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { AccountPart } from './AccountPart';
import { TackleBox } from './TackleBox';
import { DevicePart } from './DevicePart';
import { KitPart } from './KitPart';
import { Waters } from './Waters';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { change, unitSystems, usePreferences } from '@/data/preferences';

/** Tackle box, units, waters, account. */
export function GearScreen() {
  const router = useRouter();
  const { units, theme, leastIceM } = usePreferences();
  const system = units.depth === 'ft' ? 'imperial' : 'metric';
  const step = metresPerIceUnit(units) * (units.ice === 'in' ? 0.5 : 1);
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 28, maxWidth: 720, width: '100%' }}>
      <Text heading={1} size="title">
        Gear
      </Text>
      <Section title="Tackle box">
        <TackleBox />
      </Section>
      <Section title="Rods, floats, feed">
        <KitPart />
      </Section>
      <Section title="Flasher">
        <DevicePart />
      </Section>
      <Section title="Units">
        <Choice
          label="Units"
          options={[
            { id: 'imperial', label: 'Feet, °F, inches, pounds' },
            { id: 'metric', label: 'Metres, °C, cm, grams' },
          ]}
          wrap
          value={system}
          onChange={(id) => change({ units: unitSystems[id as 'imperial' | 'metric'] })}
        />
      </Section>
      <Section title="Light">
        <Choice
          label="Light"
          wrap
          options={[
            { id: 'sun', label: 'By the sun' },
            { id: 'day', label: 'Day' },
            { id: 'dusk', label: 'Dusk' },
          ]}
          value={theme}
          onChange={(id) => change({ theme: id as 'sun' | 'day' | 'dusk' })}
        />
        <Text size="small" tone="second">
          Dusk keeps your eyes used to the dark.
        </Text>
      </Section>
      <Section title="Your own least ice">
        <Stepper
          label="Least ice"
          text={iceNeededText(leastIceM, units)}
          onStep={(d) => change({ leastIceM: Math.max(0.1, leastIceM + d * step) })}
          hint="Clear ice plus half the white. Common guidance for walking asks 4 in (10 cm); you can ask for more, not for less. No ice is safe ice."
        />
      </Section>
      <Section title="Fieldcraft">
        <Text tone="second">The rules behind the advice, and what your log says of each.</Text>
        <View style={{ flexDirection: 'row' }}>
          <Action label="See the rules" onPress={() => router.navigate('/fieldcraft')} />
        </View>
      </Section>
      <Section title="Waters">
        <Waters />
      </Section>
      <Section title="Account">
        <AccountPart />
      </Section>
    </ScrollView>
  );
}

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <View style={{ gap: 10 }}>
      <Text heading={2} size="lead">
        {title}
      </Text>
      {children}
    </View>
  );
}
