import { movedItem, withoutItem, type PlanItem } from '@burrow/core/outlook';
import { clockText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

interface Props {
  items: readonly PlanItem[];
  /** Whether the angler has changed it. */
  isEdited: boolean;
  nowMs: number;
  timeZone: string;
  onChange: (items: PlanItem[]) => void;
  onReset: () => void;
}

const stepMin = 15;

/** The day as a line of time: when to be where, at which depth, when to move, when to be off. Each can be moved or taken out. */
export function DayPlanList({ items, isEdited, nowMs, timeZone, onChange, onReset }: Props) {
  const palette = usePalette();
  const router = useRouter();
  const [editing, setEditing] = useState<string | null>(null);
  if (items.length === 0) return <Text tone="second">Nothing left of today that stands out. The ribbon shows the next good hours.</Text>;
  return (
    <View>
      {items.map((item, i) => {
        const isNow = nowMs >= item.atMs && nowMs < Math.max(item.untilMs, item.atMs + 60_000);
        const tone = item.kind === 'fish' ? 'kelp' : 'ink';
        return (
          <View key={item.id} style={{ flexDirection: 'row', gap: 12 }}>
            <View style={{ width: 52, alignItems: 'flex-end' }}>
              <Text strong tone={isNow ? 'ember' : 'ink'}>
                {clockText(item.atMs, timeZone)}
              </Text>
            </View>
            <View style={{ alignItems: 'center', width: 14 }}>
              <View
                style={{
                  width: 12,
                  height: 12,
                  marginTop: 5,
                  borderRadius: item.kind === 'fish' ? 3 : 6,
                  borderWidth: 2,
                  borderColor: palette[item.kind === 'fish' ? 'kelp' : 'second'],
                  backgroundColor: item.kind === 'fish' ? palette.kelp : palette.card,
                }}
              />
              {i < items.length - 1 ? <View style={{ flex: 1, width: 2, minHeight: 12, backgroundColor: item.kind === 'fish' ? palette.kelp : palette.line }} /> : null}
            </View>
            <View style={{ flex: 1, paddingBottom: 14, gap: 2 }}>
              <Text strong tone={tone}>
                {item.kind === 'fish' ? `${item.what}, until ${clockText(item.untilMs, timeZone)}` : item.what}
              </Text>
              <Text size="small" tone="second">
                {item.why}
              </Text>
              {editing === item.id ? (
                <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap', paddingTop: 4 }}>
                  <Action label={`${stepMin} min earlier`} onPress={() => onChange(movedItem(items, item.id, -stepMin))} />
                  <Action label={`${stepMin} min later`} onPress={() => onChange(movedItem(items, item.id, stepMin))} />
                  <Action label="Take out" onPress={() => onChange(withoutItem(items, item.id))} />
                </View>
              ) : null}
            </View>
            <Action
              kind="bare"
              label=""
              icon={editing === item.id ? 'close' : 'edit'}
              spoken={editing === item.id ? `Done with ${item.what}` : `Change ${item.what}, ${clockText(item.atMs, timeZone)}`}
              onPress={() => setEditing(editing === item.id ? null : item.id)}
            />
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Action label="What to tie on" onPress={() => router.navigate('/tie-on')} />
        {isEdited ? <Action label="Back to the plan as computed" onPress={onReset} /> : null}
      </View>
    </View>
  );
}
