import { bearingDeg, compassPoint, depthAt } from '@burrow/core/ground';
import { featureText, ownText } from '@burrow/core/holes';
import { depthText, type UnitPreference } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { MapHole } from '@/components/map/DepthMapView';
import { Words } from '@/components/Words';
import { usePalette } from '@/theme/theme';
import type { Ground, PlannedHole } from '@/workers/ground.api';

interface Props {
  ground: Ground;
  planned: readonly (PlannedHole & { number: number })[];
  holes: readonly MapHole[];
  units: UnitPreference;
}

/** The same as the map, in words: the plan with its reasons, the structure, the holes. */
export function GroundList({ ground, planned, holes, units }: Props) {
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
      <Section title={holes.length === 0 ? 'No holes drilled here yet' : `${holes.length} holes drilled here`}>
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
    </View>
  );
}

const whereabouts = (ground: Ground, at: MapHole['at']) => `${compassPoint(bearingDeg(ground.map.deepest.at, at))} of the deepest`;

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View>
      <Words heading={2} size="lead">
        {title}
      </Words>
      {children}
    </View>
  );
}

function Row({ left, right, below, isGood }: { left: string; right: string; below?: string; isGood?: boolean }) {
  const palette = usePalette();
  return (
    <View style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 8, gap: 2 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 12 }}>
        <View style={{ flexShrink: 1 }}>
          <Words size="small">{left}</Words>
        </View>
        <Words size="small" strong tone={isGood ? 'kelp' : 'ink'}>
          {right}
        </Words>
      </View>
      {below ? (
        <Words size="small" tone="second">
          {below}
        </Words>
      ) : null}
    </View>
  );
}
