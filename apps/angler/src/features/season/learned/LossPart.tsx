import { lossesOf, lossLabel, lossWords } from '@burrow/core/season';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';

const percent = (share: number) => `${Math.round(100 * share)} %`;

/** From the first look to the net: how many went on at each step, and where the last outing lost more than usual. */
export function LossPart({ method }: { method: string }) {
  const { state } = useLedger();
  const palette = usePalette();
  const losses = useMemo(() => lossesOf(state.outings.filter((o) => o.stations.some((s) => s.method === method))), [state, method]);
  const words = lossWords(losses);
  const steps = losses.steps.filter((s) => s.of > 0);
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        {words.headline}
      </Text>
      <Text size="small" tone="second">
        {words.detail}
      </Text>
      {steps.map((step) => (
        <View
          key={step.to}
          style={{ gap: 4 }}
          role="group"
          aria-label={`${step.went} of ${step.of}, ${percent(step.share)}, ${percent(step.low)} to ${percent(step.high)}: ${lossLabel(step)}`}
        >
          <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
            <Text strong tone={losses.leak?.step === step.to ? 'straw' : 'ink'}>
              {`${percent(step.share)} ${lossLabel(step)}`}
            </Text>
            <Text size="small" tone="second">{`${step.went} of ${step.of}`}</Text>
          </View>
          <View style={{ height: 10, borderRadius: 5, backgroundColor: palette.line }}>
            <View
              style={{
                position: 'absolute',
                left: percentOf(step.low),
                width: percentOf(step.high - step.low),
                top: 0,
                bottom: 0,
                borderRadius: 5,
                backgroundColor: palette.second,
                opacity: 0.5,
              }}
            />
            <View style={{ position: 'absolute', left: percentOf(step.share), marginLeft: -5, width: 10, height: 10, borderRadius: 5, backgroundColor: palette.kelp }} />
          </View>
        </View>
      ))}
    </View>
  );
}

const percentOf = (share: number): `${number}%` => `${Math.round(1000 * share) / 10}%`;
