import { bearingText, castText } from '@burrow/core/casting';
import { liftText, tempText } from '@burrow/core/units';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import type { CastControl } from './useCast';

const barPx = 120;

/** What is left to show by bearing, and the casts in order. */
export function BearingBars({ control }: { control: CastControl }) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { settings } = control;
  const { fan } = control.shown;
  if (!fan?.casts[0]) return null;
  const most = Math.max(0.1, ...fan.bars.map((b) => b.bandM));
  const middle = Math.floor(fan.bars.length / 2);
  const figure = (m: number) => castText(m, units).split(' ')[0];
  return (
    <View style={{ gap: 16 }}>
      <View style={{ gap: 4 }}>
        <Text heading={2} size="lead">{`${bearingText(fan.casts[0].bearingDeg)} has the most left to show`}</Text>
        <Text size="small" tone="second">{`${units.depth === 'ft' ? 'feet' : 'metres'} of the cast in the band, by bearing`}</Text>
        <View
          role="img"
          aria-label={fan.bars.map((b) => `${bearingText(b.bearingDeg)}: ${castText(b.leftM, units)} of ${castText(b.bandM, units)} still to show`).join('; ')}
          style={{ flexDirection: 'row', alignItems: 'flex-end', height: barPx + 48, gap: 8 }}
        >
          {fan.bars.map((b, k) => (
            <View key={b.bearingDeg} style={{ flex: 1, alignItems: 'center' }}>
              <Text size="small" strong tone={k === middle ? 'ember' : 'kelp'}>
                {figure(b.leftM)}
              </Text>
              <View
                style={{
                  width: '72%',
                  height: Math.max(2, (b.bandM / most) * barPx),
                  justifyContent: 'flex-end',
                  backgroundColor: palette.line,
                  borderRadius: 4,
                  overflow: 'hidden',
                }}
              >
                <View style={{ height: Math.max(1, (b.leftM / most) * barPx), backgroundColor: k === middle ? palette.ember : palette.kelp }} />
              </View>
              <Text size="small" strong={k === middle} tone={k === middle ? 'ember' : 'second'}>
                {bearingText(b.bearingDeg)}
              </Text>
            </View>
          ))}
        </View>
        <Text size="small" tone="second">
          Full: still to show. Pale: shown already.
        </Text>
      </View>
      <View style={{ gap: 2 }}>
        <Text heading={2} size="lead">{`${fan.casts.length} casts, in this order`}</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
          {fan.casts.map((c, k) => (
            <View key={k} style={{ width: '50%', flexDirection: 'row', gap: 8, minHeight: 28, paddingRight: 16 }}>
              <Text size="small" strong tone="ember">
                {String(k + 1)}
              </Text>
              <Text size="small" style={{ flex: 1 }}>
                {`${bearingText(c.bearingDeg)}${c.pass === 1 ? '' : c.pass === 2 ? ' again' : ` pass ${c.pass}`}`}
              </Text>
              <Text size="small" tone="second">
                {castText(c.bandM, units)}
              </Text>
            </View>
          ))}
        </View>
        <Text size="small" tone="second">
          {`A second pass counts ${(1 - settings.query.chance).toFixed(2)} of the first at ${tempText(settings.temp.value, units)}: the colder, the nearer to all of it. Fish move ${liftText(settings.query.strikeM, units)} to a bait. Both are rules of thumb.`}
        </Text>
      </View>
    </View>
  );
}
