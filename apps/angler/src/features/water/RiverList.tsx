import type { WaterDetail } from '@burrow/contract/api';
import { lieReasons, lieText, poolText } from '@burrow/core/river';
import { View } from 'react-native';
import { useBanks } from '@/data/banks';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { Caution } from '@/ui/Caution';
import { Text } from '@/ui/Text';
import type { Ground, RiverAnswer } from '@/workers/ground.api';
import { BankPanel } from './BankPanel';
import { GroundList, Row, Section } from './GroundList';

export type NumberedLie = RiverAnswer['lies'][number] & { number: number };

interface Props {
  water: WaterDetail;
  ground: Ground;
  pools: RiverAnswer['pools'];
  lies: readonly NumberedLie[];
  /** Whether the banks are looked at: working them out takes the phone a while. */
  asksBanks: boolean;
}

/** The pools and lies of a river with their reasons, its banks by sun and wind, and the ground in words. */
export function RiverList({ water, ground, pools, lies, asksBanks }: Props) {
  const { units } = usePreferences();
  const { input, situation } = useOutlook();
  const banks = useBanks(water, input, situation, asksBanks);
  return (
    <>
      <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 16 }}>
        <Caution headline="River ice is not lake ice">
          Current thins it from below where nothing shows. From the bank and wading: flotation, cold water takes the breath, somebody knows.
        </Caution>
        {pools.length > 0 ? (
          <Section title={pools.length === 1 ? 'Wintering pool' : 'Wintering pools'}>
            {pools.map((p, k) => (
              <Row key={k} left={poolText(p, units)} right="" />
            ))}
          </Section>
        ) : null}
        <Section title={lies.length === 0 ? 'No feeding lies yet' : 'Feeding lies'}>
          {lies.map((l) => {
            const { name, detail } = lieText(l, units);
            const reasons = lieReasons(l, units).map((r) => r.text);
            return <Row key={l.number} left={`${l.number}. ${name}`} right={`${Math.round(100 * l.score)} of 100`} below={`${detail}. ${reasons.join(' ')}`} />;
          })}
          {lies.length === 0 ? <Text tone="second">Mark seams, pockets, wood and rock, and they are scored from there.</Text> : null}
        </Section>
      </View>
      <BankPanel {...banks} units={units} zone={water.file.water.timezone} isIced={false} />
      <GroundList water={water} ground={ground} planned={[]} holes={[]} units={units} />
    </>
  );
}
