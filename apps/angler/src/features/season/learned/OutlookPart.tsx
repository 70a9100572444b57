import { calibrationWords, type Calibration } from '@burrow/core/season';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect, Text as SvgText } from 'react-native-svg';
import { useCalibration } from '@/data/learned';
import { usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

const height = 220;
const [left, bottom, top] = [34, 30, 10] as const;

/** Was the Outlook right on this water? What was foretold against what came, in five parts of the hours. */
export function OutlookPart() {
  const { data, isPending, isError, waterName } = useCalibration();
  if (waterName === null) return null;
  const words = data ? calibrationWords(data) : null;
  return (
    <View style={{ gap: 6 }}>
      <Text heading={2} size="lead">
        {words?.headline ?? 'Was the Outlook right?'}
      </Text>
      <Text size="small" tone="second">
        {words ? `${waterName}: ${words.detail}` : isPending && !isError ? 'Holding it against the log' : 'Could not be held against the log.'}
      </Text>
      {data && data.bins.length > 0 ? <Plot bins={data.bins} /> : null}
    </View>
  );
}

function Plot({ bins }: Pick<Calibration, 'bins'>) {
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const most = Math.max(0.5, ...bins.flatMap((b) => [b.foretold, b.high])) * 1.08;
  const width = Math.min(size.width, 420);
  const x = (rate: number) => left + (rate / most) * Math.max(0, width - left - 12);
  const y = (rate: number) => height - bottom - (rate / most) * (height - bottom - top);
  const step = most > 8 ? 4 : most > 4 ? 2 : most > 2 ? 1 : 0.5;
  const ticks = Array.from({ length: Math.floor(most / step) + 1 }, (_, k) => k * step);
  const hours = bins.reduce((sum, b) => sum + b.hours, 0);
  return (
    <View onLayout={onLayout}>
      <Svg
        width={width}
        height={height}
        role="img"
        aria-label={`Bites an hour foretold and come: ${bins.map((b) => `${b.foretold.toFixed(1)} foretold, ${b.came.toFixed(1)} came, ${b.low.toFixed(1)} to ${b.high.toFixed(1)}`).join('; ')}`}
      >
        {ticks.map((t) => (
          <SvgText key={`x${t}`} x={x(t)} y={height - bottom + 18} fill={palette.second} fontSize={13} textAnchor="middle">
            {t}
          </SvgText>
        ))}
        {ticks.slice(1).map((t) => (
          <SvgText key={`y${t}`} x={left - 8} y={y(t) + 4} fill={palette.second} fontSize={13} textAnchor="end">
            {t}
          </SvgText>
        ))}
        {ticks.map((t) => (
          <Line key={`l${t}`} x1={left} x2={width - 12} y1={y(t)} y2={y(t)} stroke={palette.line} strokeWidth={1} />
        ))}
        <Line x1={x(0)} y1={y(0)} x2={x(most)} y2={y(most)} stroke={palette.ink} strokeWidth={2} strokeDasharray="6 5" />
        {bins.map((b, k) => (
          <Rect key={`r${k}`} x={x(b.foretold) - 4} y={y(b.high)} width={8} height={Math.max(2, y(b.low) - y(b.high))} rx={4} fill={palette.kelp} opacity={0.4} />
        ))}
        {bins.map((b, k) => (
          <Circle key={`c${k}`} cx={x(b.foretold)} cy={y(b.came)} r={5 + 6 * Math.sqrt(b.hours / hours)} fill={palette.kelp} stroke={palette.ground} strokeWidth={2} />
        ))}
      </Svg>
      <Text size="small" tone="second">
        Bites an hour: foretold to the right, come upward. On the line it came as foretold; a big dot is many hours.
      </Text>
    </View>
  );
}
