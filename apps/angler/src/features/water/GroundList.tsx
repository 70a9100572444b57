import { bearingDeg, compassPoint, depthAt } from '@burrow/core/ground';
import { featureText, ownText } from '@burrow/core/holes';
import type { WaterDetail } from '@burrow/contract/api';
import { isFlowing, marksOf, type LineMark } from '@burrow/contract/formats/water-marks';
import { counted, depthText, type UnitPreference } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { markText } from '@/features/water/map/mark-text';
import type { MapHole } from '@/features/water/map/places';
import { Text } from '@/ui/Text';
import { usePalette } from '@/theme/theme';
import type { Ground, PlannedHole } from '@/workers/ground.api';

interface Props {
  water: WaterDetail;
  ground: Ground;
  planned: readonly (PlannedHole & { number: number })[];
  holes: readonly MapHole[];
  units: UnitPreference;
}

/** The same as the map, in words: the plan with its reasons, the structure, the holes. */
export function GroundList({ water, ground, planned, holes, units }: Props) {
  const { places, lines } = marksOf(water.file);
  const isMoving = isFlowing(water.file.water.kind);
  const best = [...holes].sort((a, b) => b.fish - a.fish).slice(0, 12);
  return (
    <View style={{ paddingHorizontal: 16, paddingBottom: 16, gap: 16 }}>
      {planned.length > 0 ? (
        <Section title="The plan">
          {planned.map((hole) => (
            <Row
              key={hole.number}
              left={`${hole.number}. ${depthText(hole.depthM, units)}, ${whereabouts(ground, hole.at)}`}
              right={`${hole.perHour.toFixed(1)} fish/h`}
              below={[hole.reasons[0]?.text, ownText(hole.own)].filter(Boolean).join(' ')}
            />
          ))}
        </Section>
      ) : null}
      <Section title="Structure">
        {ground.features.map((f, i) => {
          const { name, detail } = featureText(f, units);
          return <Row key={i} left={name} right={depthText(f.depthM, units)} below={detail.split(', ').slice(1).join(', ')} />;
        })}
      </Section>
      {places.length + lines.length > 0 ? (
        <Section title="Marked on this water">
          {places.map((m) => (
            <Row key={m.index} left={`${markText(m, isMoving)}, ${whereabouts(ground, m.at)}`} right="" below={m.note} />
          ))}
          {lines.map((l) => (
            <Row key={l.index} left={lineText(l, units)} right="" />
          ))}
        </Section>
      ) : null}
      {isMoving ? null : (
        <Section title={holes.length === 0 ? 'No holes drilled here yet' : `${counted(holes.length, 'hole')} drilled here`}>
          {best.map((hole) => {
            const depth = depthAt(ground.map, hole.at);
            return (
              <Row
                key={hole.id}
                left={`${whereabouts(ground, hole.at)}, ${depth ? depthText(depth.depthM, units) : 'no depth'}`}
                right={`${hole.fish} fish`}
                isGood={hole.fish > 0}
              />
            );
          })}
        </Section>
      )}
    </View>
  );
}

const lineText = ({ role, name, heightM, steepness }: LineMark, units: UnitPreference) =>
  role === 'seam' ? (name ?? 'seam') : `${[steepness, 'bank'].filter(Boolean).join(' ')}, ${depthText(heightM ?? 0, units)} high`;

const whereabouts = (ground: Ground, at: MapHole['at']) => `${compassPoint(bearingDeg(ground.map.deepest.at, at))} of the deepest`;

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View>
      <Text heading={2} size="lead">
        {title}
      </Text>
      {children}
    </View>
  );
}

export function Row({ left, right, below, isGood }: { left: string; right: string; below?: string; isGood?: boolean }) {
  const palette = usePalette();
  return (
    <View style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 8, gap: 2 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 12 }}>
        <View style={{ flexShrink: 1 }}>
          <Text size="small">{left}</Text>
        </View>
        <Text size="small" strong tone={isGood ? 'kelp' : 'ink'}>
          {right}
        </Text>
      </View>
      {below ? (
        <Text size="small" tone="second">
          {below}
        </Text>
      ) : null}
    </View>
  );
}
