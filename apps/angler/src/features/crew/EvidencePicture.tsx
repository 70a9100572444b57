import type { CrewBoardAnswer } from '@burrow/contract/api';
import { trialLimits } from '@burrow/core/season';
import { clockText, hourMs } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';

const height = 176;
const [topPx, footPx] = [22, 24];

interface Props {
  trial: NonNullable<CrewBoardAnswer['trial']>;
  fromMs: number;
  nowMs: number;
  zone: string;
}

/** The odds that two baits differ, look by look, with the line from which one leads. */
export function EvidencePicture({ trial, fromMs, nowMs, zone }: Props) {
  const palette = usePalette();
  const [{ width }, onLayout] = useSize();
  const { steps } = trial;
  const most = Math.max(trialLimits.leads * 1.6, ...steps.map((s) => s.odds));
  const least = Math.min(0.4, ...steps.map((s) => s.odds));
  const x = (ms: number) => ((ms - fromMs) / Math.max(60_000, nowMs - fromMs)) * Math.max(0, width - 8) + 4;
  const y = (odds: number) => topPx + ((Math.log(most) - Math.log(odds)) / (Math.log(most) - Math.log(least))) * (height - topPx - footPx);
  const path = steps.reduce((d, s) => `${d}H${x(s.ms).toFixed(1)}V${y(s.odds).toFixed(1)}`, `M4 ${y(1).toFixed(1)}`);
  const last = steps[steps.length - 1];
  const hours: number[] = [];
  const everyMs = (nowMs - fromMs > 6 * hourMs ? 2 : 1) * hourMs;
  for (let ms = Math.ceil(fromMs / everyMs) * everyMs; ms < nowMs; ms += everyMs) hours.push(ms);
  const label = { fontFamily: bold, fontSize: 13, fill: palette.second };
  const lines = [
    { odds: trialLimits.leads, text: `${trialLimits.leads} to 1: one leads`, isBound: true },
    { odds: 5, text: '5 to 1', isBound: false },
    { odds: 1, text: 'even', isBound: false },
  ];
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`${trial.first} against ${trial.second}: ${last.odds.toFixed(1)} to 1 after ${steps.length} looks; from ${trialLimits.leads} to 1 one leads`}
      style={{ height, backgroundColor: palette.card, borderRadius: 6, overflow: 'hidden' }}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect x={0} y={0} width={width} height={y(trialLimits.leads)} fill={palette.kelp} opacity={0.14} />
          {hours.map((ms) => (
            <G key={ms}>
              <Line x1={x(ms)} x2={x(ms)} y1={0} y2={height - footPx} stroke={palette.line} />
              <SvgText x={x(ms)} y={height - 7} textAnchor="middle" {...label}>
                {clockText(ms, zone)}
              </SvgText>
            </G>
          ))}
          {lines.map(({ odds, text, isBound }) => (
            <G key={odds}>
              <Line
                x1={0}
                x2={width}
                y1={y(odds)}
                y2={y(odds)}
                stroke={isBound ? palette.kelp : palette.line}
                strokeWidth={isBound ? 2 : 1}
                strokeDasharray={isBound ? '5 4' : undefined}
              />
              <SvgText x={6} y={y(odds) - 5} {...label} fill={isBound ? palette.kelp : palette.second}>
                {text}
              </SvgText>
            </G>
          ))}
          <Path d={`${path}H${x(nowMs).toFixed(1)}`} fill="none" stroke={palette.ink} strokeWidth={3} strokeLinejoin="round" />
          <Circle cx={x(last.ms)} cy={y(last.odds)} r={6} fill={trial.verdict === 'leads' ? palette.kelp : palette.ink} stroke={palette.card} strokeWidth={2} />
        </Svg>
      ) : null}
    </View>
  );
}
