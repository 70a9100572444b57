import { aloneWords, factorLabel, factorWords, type Factor } from '@burrow/core/season';
import { View } from 'react-native';
import Svg, { Circle, Rect } from 'react-native-svg';
import { useFactors } from '@/data/learned';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

/** Rows shown: the surest first. */
const most = 8;
/** Factors beyond these are drawn at the edge. */
const [leastTimes, mostTimes] = [0.25, 4];
const ticks = [0.5, 1, 2, 3] as const;

/** What goes with more bites in one way of fishing: each alone and all weighed together. */
export function FactorPart({ method }: { method: string }) {
  const { units } = usePreferences();
  const { data, isPending, isError } = useFactors(method);
  const words = data ? factorWords(data.factors, data.outings, units) : null;
  const alone = data ? aloneWords(data.factors, units) : null;
  const rows = data ? shown(data.factors) : [];
  return (
    <View style={{ gap: 6 }}>
      <Text heading={2} size="lead">
        {words?.headline ?? 'What goes together'}
      </Text>
      <Text size="small" tone="second">
        {words?.detail ?? (isPending && !isError ? 'Weighing the season' : 'Could not be weighed.')}
      </Text>
      {rows.length > 0 ? <FactorDots rows={rows} /> : null}
      {alone ? <Text size="small">{alone}</Text> : null}
    </View>
  );
}

/** Of a factor's levels the one that differs most, named ones first. */
function shown(factors: readonly Factor[]): Factor[] {
  const weight = (f: Factor) => (f.isNamed ? 10 : 0) + Math.abs(Math.log(f.together.factor));
  const ordered = [...factors].sort((a, b) => weight(b) - weight(a));
  return ordered.filter((f, k) => f.isNamed || !ordered.slice(0, k).some((o) => o.factor === f.factor)).slice(0, most);
}

function FactorDots({ rows }: { rows: readonly Factor[] }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [size, onLayout] = useSize();
  const x = (times: number) =>
    8 + ((Math.log(Math.min(mostTimes, Math.max(leastTimes, times))) - Math.log(leastTimes)) / Math.log(mostTimes / leastTimes)) * Math.max(0, size.width - 16);
  return (
    <View role="table" aria-label="Times the bites an hour, with 90 percent range">
      <View aria-hidden style={{ flexDirection: 'row', gap: 16, alignItems: 'center' }}>
        <Key isFull label="all weighed together" />
        <Key label="looked at alone" />
      </View>
      {rows.map((row, i) => {
        const colour = row.isNamed ? palette.kelp : palette.second;
        const { factor, low, high } = row.together;
        const label = factorLabel(row, units);
        return (
          <View key={`${row.factor} ${row.level}`} role="row" style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44 }}>
            <View role="cell" style={{ width: 128, paddingRight: 8 }}>
              <Text strong={row.isNamed}>{label}</Text>
            </View>
            <View
              role="cell"
              onLayout={i === 0 ? onLayout : undefined}
              style={{ flex: 1, alignSelf: 'stretch', justifyContent: 'center' }}
              aria-label={`${factor.toFixed(1)} times together, ${low.toFixed(1)} to ${high.toFixed(1)}; ${row.alone.factor.toFixed(1)} alone`}
            >
              <View style={{ position: 'absolute', top: 0, bottom: 0, left: 0, right: 0 }} aria-hidden>
                {ticks.map((t) => (
                  <View
                    key={t}
                    style={{ position: 'absolute', top: 0, bottom: 0, left: x(t) - 1, width: t === 1 ? 2 : 1.5, backgroundColor: t === 1 ? palette.ink : palette.line }}
                  />
                ))}
              </View>
              <View style={{ height: 20 }} aria-hidden>
                <View style={{ position: 'absolute', left: x(factor) - 20, width: 40 }}>
                  <Text size="small" strong align="center" tone={row.isNamed ? 'kelp' : 'ink'}>
                    {factor.toFixed(1)}
                  </Text>
                </View>
              </View>
              <Svg width={size.width} height={20} aria-hidden>
                <Rect x={x(low)} y={6} width={Math.max(2, x(high) - x(low))} height={8} rx={4} fill={colour} opacity={0.45} />
                <Circle cx={x(row.alone.factor)} cy={10} r={5.5} fill={palette.ground} stroke={palette.second} strokeWidth={2} />
                <Circle cx={x(factor)} cy={10} r={7} fill={colour} />
              </Svg>
            </View>
          </View>
        );
      })}
      <View aria-hidden style={{ flexDirection: 'row' }}>
        <View style={{ width: 128 }}>
          <Text size="small" tone="second">
            times the bites
          </Text>
        </View>
        <View style={{ flex: 1, height: 20 }}>
          {ticks.map((t) => (
            <View key={t} style={{ position: 'absolute', left: x(t) - 16, width: 32 }}>
              <Text size="small" tone="second" align="center">
                {t === 0.5 ? '½' : t === 1 ? '1' : `${t}×`}
              </Text>
            </View>
          ))}
        </View>
      </View>
    </View>
  );
}

function Key({ isFull, label }: { isFull?: boolean; label: string }) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: 6, alignItems: 'center' }}>
      <Svg width={14} height={14}>
        <Circle cx={7} cy={7} r={isFull ? 6.5 : 5} fill={isFull ? palette.second : palette.ground} stroke={palette.second} strokeWidth={2} />
      </Svg>
      <Text size="small">{label}</Text>
    </View>
  );
}
