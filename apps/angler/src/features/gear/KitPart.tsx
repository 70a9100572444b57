import { woodLineText, type ReelKind } from '@burrow/core/rig';
import { clamp, lineText, lureText, weightText } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { newId } from '@/data/ids';
import { change, usePreferences, type Kit } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

type Part = keyof Kit;
const names: Record<Part, { one: string; add: string }> = {
  rods: { one: 'Rod and line', add: 'Add a rod' },
  floats: { one: 'Float', add: 'Add a float' },
  feed: { one: 'Feed', add: 'Add a feed' },
};

const reels = [
  { id: 'spinning', label: 'Spinning: twists the line' },
  { id: 'straight', label: 'Straight-line' },
] as const;

/** Rods with their line, floats with what they carry, and feed: rigs and falls are worked out with them. */
export function KitPart() {
  const palette = usePalette();
  const { kit, units } = usePreferences();
  const [adding, setAdding] = useState<Part | null>(null);
  const [gone, setGone] = useState<Kit | null>(null);
  const textOf = {
    rods: (r: Kit['rods'][number]) =>
      [
        r.lineMm === null ? 'line not known' : `line ${lineText(r.lineMm, units)}`,
        r.strengthKg === null ? null : `holds ${weightText(1000 * r.strengthKg, units)}`,
        woodLineText(r.strengthKg, (kg) => weightText(1000 * kg, units)) === null ? null : 'too weak beside wood',
        r.reel ? `${r.reel === 'spinning' ? 'spinning' : 'straight-line'} reel` : null,
      ]
        .filter(Boolean)
        .join(', '),
    floats: (f: Kit['floats'][number]) => `carries ${f.capacityG} g`,
    feed: () => '',
  };
  const rows = (['rods', 'floats', 'feed'] as const).flatMap((part) => kit[part].map((item) => ({ part, item, text: (textOf[part] as (i: typeof item) => string)(item) })));
  return (
    <View style={{ gap: 8 }}>
      {rows.length === 0 ? <Text tone="second">None said yet. The first rod’s line is what falls are reckoned on; a float of yours is what the rig card shots.</Text> : null}
      {rows.map(({ part, item, text }) => (
        <View key={item.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 8 }}>
          <View style={{ flex: 1 }}>
            <Text>{item.name}</Text>
            <Text size="small" tone="second">
              {[names[part].one.toLowerCase(), text].filter(Boolean).join(', ')}
            </Text>
          </View>
          <Action
            kind="bare"
            label=""
            icon="remove"
            spoken={`Take out ${item.name}`}
            onPress={() => {
              setGone(kit);
              change({ kit: { ...kit, [part]: (kit[part] as { id: string }[]).filter((i) => i.id !== item.id) } });
            }}
          />
        </View>
      ))}
      {gone ? (
        <Action
          icon="undo"
          label="Put it back"
          onPress={() => {
            change({ kit: gone });
            setGone(null);
          }}
        />
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {(['rods', 'floats', 'feed'] as const).map((part) => (
          <Action key={part} grow icon="plus" label={names[part].add} onPress={() => setAdding(part)} />
        ))}
      </View>
      {adding ? <KitSheet part={adding} kit={kit} onClose={() => setAdding(null)} /> : null}
    </View>
  );
}

function KitSheet({ part, kit, onClose }: { part: Part; kit: Kit; onClose: () => void }) {
  const { units } = usePreferences();
  const [name, setName] = useState('');
  const [lineMm, setLine] = useState<number | null>(null);
  const [strengthKg, setStrength] = useState<number | null>(null);
  const [reel, setReel] = useState<ReelKind | null>(null);
  const [capacityG, setCapacity] = useState<number | null>(null);
  const kgStep = units.weight === 'lb' ? 0.45359237 : 0.5;
  const save = () => {
    const base = { id: newId(), name: name.trim() };
    const item = part === 'rods' ? { ...base, lineMm, strengthKg, ...(reel ? { reel } : {}) } : part === 'floats' ? { ...base, capacityG: capacityG! } : base;
    change({ kit: { ...kit, [part]: [...kit[part], item] } });
    onClose();
  };
  return (
    <Sheet
      title={names[part].one}
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label="Save" disabled={name.trim() === '' || (part === 'floats' && capacityG === null)} onPress={save} />}
    >
      <Suspense fallback={null}>
        <Field label="What you call it" value={name} onChangeText={setName} maxLength={60} />
      </Suspense>
      {part === 'rods' ? (
        <>
          <Stepper
            label="Thickness of its line"
            text={lineMm === null ? null : lineText(lineMm, units)}
            empty="not known"
            onStep={(d) => setLine((mm) => (mm === null ? 0.15 : Math.round(100 * clamp(mm + 0.01 * d, 0.04, 1)) / 100))}
            onClear={() => setLine(null)}
          />
          <Stepper
            label="Strength of its line"
            text={strengthKg === null ? null : weightText(1000 * strengthKg, units)}
            empty="not known"
            onStep={(d) => setStrength((kg) => (kg === null ? 4 * kgStep : clamp(kg + d * kgStep, kgStep, 60)))}
            onClear={() => setStrength(null)}
          />
          <Text strong>Its reel</Text>
          <Choice label="Its reel" options={reels} value={reel} onChange={setReel} wrap />
        </>
      ) : null}
      {part === 'floats' ? (
        <Stepper
          label="What it carries"
          text={capacityG === null ? null : `${capacityG} g${units.weight === 'lb' ? `, ${lureText(capacityG, units)}` : ''}`}
          empty="not known"
          onStep={(d) => setCapacity((g) => (g === null ? 1 : Math.round(10 * clamp(g + 0.1 * d, 0.1, 40)) / 10))}
          big={{ text: '1 g', onStep: (d) => setCapacity((g) => clamp((g ?? 1) + d, 0.1, 40)) }}
          hint="As written on it, or the shot that sinks it to its tip."
        />
      ) : null}
    </Sheet>
  );
}
