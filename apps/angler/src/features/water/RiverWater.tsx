import type { WaterDetail } from '@burrow/contract/api';
import { depthAt, type LonLat } from '@burrow/core/ground';
import { expectedText } from '@burrow/core/holes';
import { lieReasons, lieText, poolText, riverWords } from '@burrow/core/river';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Notice } from '@/ui/Notice';
import { useWide } from '@/features/shell/Shell';
import { Text } from '@/ui/Text';
import { useBanks } from '@/data/banks';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useRiver } from '@/data/river';
import type { Ground } from '@/workers/ground.api';
import { BankPanel } from './BankPanel';
import { GroundList, Row, Section } from './GroundList';
import { MapPane } from './MapPane';
import { Answer, Foot, Panes } from './Panes';
import { useLayers } from './useLayers';
import { useTapped } from './useTapped';
import { way } from './words';

/** Moving water: the pool where fish winter, and the lies where they come to feed. */
export function RiverWater({ water, ground }: { water: WaterDetail; ground: Ground }) {
  const { units } = usePreferences();
  const wide = useWide();
  const router = useRouter();
  const { input, column } = useOutlook();
  const { map: bed } = ground;
  const { tapped, setTapped, position, says, locate } = useTapped((at) => !ground.isShore || depthAt(bed, at) !== null);
  const { layers, overlay } = useLayers(null, null, bed.deepest.depthM);
  const [inWords, setInWords] = useState(false);
  const river = useRiver(water, ground);
  const banks = useBanks(water, input, column, wide || inWords);
  const lies = useMemo(() => (river.data?.lies ?? []).map((l, k) => ({ ...l, number: k + 1 })), [river.data]);

  if (river.isError) return <Notice title="No lies to show">{(river.error as Error).message}</Notice>;
  if (!river.data) return <Notice title="Reading the river" busy />;
  const { pools } = river.data;
  const words = riverWords(pools, lies, units);
  const isAt = (a: LonLat, b: LonLat) => a[0] === b[0] && a[1] === b[1];
  const target = tapped ?? lies[0]?.at ?? pools[0]?.at ?? bed.deepest.at;
  const lie = lies.find((l) => isAt(l.at, target));
  const expected = depthAt(bed, target);
  const answer = (
    <Answer>
      <Text heading={1} size="title">
        {words.headline}
      </Text>
      <Text tone="second">{words.detail}</Text>
    </Answer>
  );
  const list = (
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
            return (
              <Row
                key={l.number}
                left={`${l.number}. ${name}`}
                right={`${Math.round(100 * l.score)} of 100`}
                below={`${detail}. ${lieReasons(l, units)
                  .map((r) => r.text)
                  .join(' ')}`}
              />
            );
          })}
          {lies.length === 0 ? <Text tone="second">Mark seams, pockets, wood and rock, and they are scored from there.</Text> : null}
        </Section>
      </View>
      <BankPanel {...banks} units={units} zone={water.file.water.timezone} isIced={false} />
      <GroundList water={water} ground={ground} planned={[]} holes={[]} units={units} />
    </>
  );
  const map = (
    <MapPane
      water={water}
      ground={ground}
      holes={[]}
      planned={lies}
      isLoose
      candidate={target}
      position={position}
      onTap={setTapped}
      onLocate={locate}
      layers={layers}
      overlay={overlay}
      onWords={wide ? undefined : () => setInWords(true)}
    />
  );
  const panel = (
    <Foot>
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
        <View style={{ flex: 1 }} aria-live="polite">
          <Text strong>{expected ? `Expect ${expectedText(expected.depthM, expected.sdM, units)}` : 'Not on this water'}</Text>
          <Text size="small" tone="second">
            {says ?? (lie ? `Lie ${lie.number}, ${lieText(lie, units).detail}` : (way(position, target, units) ?? 'The place you tapped.'))}
          </Text>
        </View>
        <Action kind="main" height={64} label="Mark what is here" onPress={() => router.navigate('/mark-water')} />
      </View>
    </Foot>
  );
  return <Panes answer={answer} map={map} list={list} panel={panel} inWords={inWords} onMap={() => setInWords(false)} />;
}
