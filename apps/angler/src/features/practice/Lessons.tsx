import { edgeDepthError, firstBottomReturn, footprint, rangeResolution } from '@burrow/core/sonar';
import { depthText, liftText, type UnitPreference } from '@burrow/core/units';
import { ScrollView, View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { radius, usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';

/** The water of the lessons: depth m, beam °, slope °, fish over the bottom m. */
const [depthM, beamDeg, slopeDeg, soundMs, pulseUs] = [6, 20, 15, 1463, 80];

/** Geometry under the hole, each with its figure. */
export function Lessons({ units }: { units: UnitPreference }) {
  const blind = rangeResolution(soundMs, pulseUs);
  const hiding = depthM - blind;
  const lessons = [
    {
      title: 'The cone',
      text: `A ${beamDeg}° beam covers ${depthText(footprint(depthM, beamDeg), units)} across at ${depthText(depthM, units)}. What swims outside is not shown, however near the jig it is. Call it in.`,
      draw: <Cone />,
    },
    {
      title: 'A mark at the edge',
      text: `At the edge the way to the fish is longer: its mark shows up to ${liftText(edgeDepthError(depthM, beamDeg), units)} too deep, and faint. A jig set just above the mark may hang below the fish. Faint mark: hang higher.`,
      draw: <Cone edge />,
    },
    {
      title: 'The blind strip on a slope',
      text: `On a slope the bottom answers from its nearest point: ${liftText(depthM - firstBottomReturn(depthM, slopeDeg, beamDeg), units)} early at ${slopeDeg}° here. All that lies on the deep side, farther than that first answer, hides in the bottom. So does what lies within ${liftText(blind, units)} of it anywhere. Thump, and watch what lifts off.`,
      draw: <Cone slope />,
    },
    {
      title: 'Two lines in one cone',
      text: `Both show as steady marks within ${depthText(footprint(hiding, beamDeg), units)} across. Lift one: the mark that moves with your hand is yours. Before you fight a fish, say who lifts the other line out.`,
      draw: <Cone lines />,
    },
  ];
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 14 }}>
      <Text heading={1} size="title">
        What the flasher cannot show
      </Text>
      {lessons.map(({ title, text, draw }) => (
        <Lesson key={title} title={title} text={text}>
          {draw}
        </Lesson>
      ))}
    </ScrollView>
  );
}

function Lesson({ title, text, children }: { title: string; text: string; children: React.ReactNode }) {
  const palette = usePalette();
  return (
    <View style={{ flexDirection: 'row', gap: 14, padding: 14, borderRadius: radius, borderWidth: 1, borderColor: palette.line, backgroundColor: palette.card }}>
      <View aria-hidden>{children}</View>
      <View style={{ flex: 1, gap: 4 }}>
        <Text heading={2} size="lead">
          {title}
        </Text>
        <Text tone="second">{text}</Text>
      </View>
    </View>
  );
}

const [width, height] = [104, 150];

/** The beam under a hole, with what the lesson is about. */
function Cone({ edge, slope, lines }: { edge?: boolean; slope?: boolean; lines?: boolean }) {
  const palette = usePalette();
  const floor = slope ? `M0 ${height - 44}L${width} ${height - 8}V${height}H0Z` : `M0 ${height - 16}H${width}V${height}H0Z`;
  return (
    <Svg width={width} height={height}>
      <Rect width={width} height={height} fill={palette.waterTop} />
      <Path d={`M${width / 2} 4L${width - 18} ${height - 16}H18Z`} fill={palette.second} fillOpacity={0.22} />
      {slope ? <Path d={`M${width / 2} 4A112 112 0 0 1 20 ${height - 38}`} stroke="none" fill="none" /> : null}
      <Path d={floor} fill={palette.plum} fillOpacity={0.75} />
      <Line x1={width / 2} x2={width / 2} y1={4} y2={84} stroke={palette.ember} strokeWidth={2} />
      <Path d={`M${width / 2} 76l7 8-7 8-7-8Z`} fill={palette.ember} />
      {edge ? <Rect x={width - 38} y={96} width={22} height={7} rx={2} fill={palette.kelp} /> : null}
      {edge ? <Rect x={width / 2 - 11} y={112} width={22} height={7} rx={2} fill="none" stroke={palette.kelp} strokeWidth={2} strokeDasharray="3 3" /> : null}
      {slope ? <Rect x={width - 40} y={height - 32} width={22} height={7} rx={2} fill={palette.kelp} /> : null}
      {slope ? <Circle cx={26} cy={height - 38} r={5} fill={palette.card} stroke={palette.ink} strokeWidth={2} /> : null}
      {lines ? <Line x1={width / 2 + 16} x2={width / 2 + 16} y1={10} y2={104} stroke={palette.ink} strokeWidth={2} strokeDasharray="4 3" /> : null}
      {lines ? <Path d={`M${width / 2 + 16} 98l6 7-6 7-6-7Z`} fill={palette.ink} /> : null}
      {edge || slope || lines ? null : <Rect x={width / 2 - 11} y={104} width={22} height={7} rx={2} fill={palette.kelp} />}
      {edge || slope || lines ? null : <Rect x={2} y={70} width={16} height={7} rx={2} fill="none" stroke={palette.kelp} strokeWidth={2} />}
    </Svg>
  );
}
