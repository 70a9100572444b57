import { fieldcraftRules, type FieldcraftRule } from '@burrow/core/fieldcraft';
import type { RuleEvidence } from '@burrow/core/outlook';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { useOutlook } from '@/data/outlook';
import { counted, inOwnUnits } from '@burrow/core/units';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';

const sections = [
  { id: 'weather', label: 'Weather' },
  { id: 'light', label: 'Light' },
  { id: 'clock', label: 'Clock' },
  { id: 'season', label: 'Season' },
  { id: 'places', label: 'Places' },
  { id: 'at the hole', label: 'At the hole' },
  { id: 'casting', label: 'Casting' },
  { id: 'at the peg', label: 'At the peg' },
] as const satisfies readonly { id: FieldcraftRule['section']; label: string }[];

/** Which rules does the advice go by, and what does my log say of each? */
export function FieldcraftScreen() {
  const [section, setSection] = useState<FieldcraftRule['section']>('weather');
  const { evidence } = useOutlook();
  const rules = fieldcraftRules().filter((r) => r.section === section);
  const spoken = evidence.filter((e) => e.share > 0.2).length;
  return (
    <ScrollView contentContainerStyle={{ padding: 16, gap: 14, maxWidth: 760, width: '100%' }}>
      <Text heading={1} size="title">
        {spoken === 0 ? 'All fieldcraft so far' : `Your log speaks on ${spoken} ${spoken === 1 ? 'point' : 'points'}`}
      </Text>
      <Text tone="second">These are the rules behind the advice. Each starts with what experienced anglers hold, and gives way to your own bites as they add up.</Text>
      <Choice label="Rules" options={sections} value={section} onChange={setSection} wrap />
      <View>
        {rules.map((rule) => (
          <RuleRow key={rule.id} rule={rule} evidence={evidence.filter((e) => e.ruleId === rule.id || e.ruleId.startsWith(`${rule.id}.`))} />
        ))}
      </View>
    </ScrollView>
  );
}

function RuleRow({ rule, evidence }: { rule: FieldcraftRule; evidence: readonly RuleEvidence[] }) {
  const palette = usePalette();
  const { units } = usePreferences();
  return (
    <View style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 10, gap: 3 }}>
      <Text strong>{`${rule.condition}: ${rule.effect}`}</Text>
      <Text>{inOwnUnits(rule.reason, units)}</Text>
      <Text size="small" tone="second">
        {`Held ${rule.strength >= 0.7 ? 'widely' : rule.strength >= 0.6 ? 'by most' : 'by some'}${rule.viewpoint ? `; schools differ, this is the side of ${rule.viewpoint.side}` : ''}`}
      </Text>
      {evidence.map((e) => (
        <Text key={e.ruleId} size="small" tone="kelp">
          {evidenceWords(e, rule.id)}
        </Text>
      ))}
      {evidence.length === 0 && (rule.section === 'weather' || rule.section === 'light') ? (
        <Text size="small" tone="second">
          Your log: no line in the water under it yet.
        </Text>
      ) : null}
    </View>
  );
}

const partWords: Record<string, string> = { dark: 'in the dark', edge: 'at dawn and dusk', low: 'with a low sun', high: 'with the sun up' };

function evidenceWords(e: RuleEvidence, ruleId: string): string {
  const part = e.ruleId === ruleId ? '' : ` ${partWords[e.ruleId.slice(ruleId.length + 1)] ?? ''}`;
  return `Your log${part}: ${counted(e.bites, 'bite')} in ${(e.minutes / 60).toFixed(1)} h of line, ${e.expected.toFixed(0)} looked for. Now × ${e.factor.toFixed(2)}, ${Math.round(e.share * 100)} % of it yours.`;
}
