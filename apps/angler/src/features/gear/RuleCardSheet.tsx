import type { WaterDetail } from '@burrow/contract/api';
import { speciesOf, speciesTable } from '@burrow/core/fish';
import { ruleCardText, type FishRule, type RuleCard } from '@burrow/core/law';
import { fishLengthText, isoWithOffset, metresPerFishUnit } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { nowMs } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { useSpecies } from '@/data/species';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

const nameOf = (id: string) => (speciesTable.some((s) => s.id === id) ? speciesOf(id).short : id);
/** Where setting a size begins, as a share of the fish's usual length. */
const startShare = 0.9;

const isEmpty = ({ fish, lines, hooks, points, keepnet, liveBait, text }: RuleCard) =>
  fish.length === 0 && [lines, hooks, points, keepnet, liveBait].every((said) => said === undefined) && !text?.trim();

interface CounterProps {
  label: string;
  value: number | undefined;
  /** Where counting begins. */
  start: number;
  onChange: (value: number | undefined) => void;
}

/** A number of the card, or that it is not on it. */
function Counter({ label, value, start, onChange }: CounterProps) {
  return (
    <Stepper
      label={label}
      text={value === undefined ? null : value === 0 ? 'none' : String(value)}
      empty="not on the card"
      onStep={(d) => onChange(value === undefined ? start : Math.max(0, value + d))}
      onClear={() => onChange(undefined)}
    />
  );
}

/** What the angler writes down of a water's law, to be held against what is kept and fished with. Nothing is filled in. */
export function RuleCardSheet({ water, onClose, onSave }: { water: WaterDetail; onClose: () => void; onSave: (card: RuleCard) => Promise<void> }) {
  const { units } = usePreferences();
  const { offered } = useSpecies(water.file, water.id);
  const { rules, timezone } = water.file.water;
  const [card, setCard] = useState<RuleCard>(rules ?? { fish: [], seenOn: '' });
  const [id, setId] = useState<string>(rules?.fish[0]?.species ?? offered[0].id);
  const rule = card.fish.find((f) => f.species === id);
  const stepMm = metresPerFishUnit(units) * 1000 * (units.fishLength === 'in' ? 0.5 : 1);
  const startMm = Math.round((speciesOf(id).ruler.usualMm * startShare) / stepMm) * stepMm;
  /** Sets a figure of the chosen fish; one that is taken away leaves no trace, and a fish without figures none either. */
  const set = (figure: keyof Omit<FishRule, 'species'>, value: number | undefined) =>
    setCard((c) => {
      const { [figure]: _, ...rest } = c.fish.find((f) => f.species === id) ?? { species: id };
      const next = (value === undefined ? rest : { ...rest, [figure]: Math.round(value) }) as FishRule;
      const others = c.fish.filter((f) => f.species !== id);
      return { ...c, fish: Object.keys(next).length > 1 ? [...others, next] : others };
    });
  const count = (figure: 'lines' | 'hooks' | 'points', value: number | undefined) =>
    setCard((c) => {
      const { [figure]: _, ...rest } = c;
      return value === undefined ? rest : { ...rest, [figure]: value };
    });
  const size = (label: string, figure: 'leastMm' | 'mostMm') => (
    <Stepper
      label={label}
      text={rule?.[figure] === undefined ? null : fishLengthText(rule[figure], units)}
      empty="not on the card"
      onStep={(d) => set(figure, rule?.[figure] === undefined ? startMm : Math.max(stepMm, rule[figure] + d * stepMm))}
      onClear={() => set(figure, undefined)}
    />
  );
  const known = [...new Set([...card.fish.map((f) => f.species), ...offered.map((s) => s.id as string)])];
  return (
    <Sheet
      title="Rule card"
      open
      onClose={onClose}
      footer={
        <Action
          kind="main"
          height={64}
          label="Save the card"
          disabled={isEmpty(card)}
          onPress={() => void onSave({ ...card, seenOn: isoWithOffset(nowMs(), timezone).slice(0, 10) })}
        />
      }
    >
      <Caution headline="Your notes, not the law">Read the rules of this water where they are published, write down what bears, and read them again when they change.</Caution>
      <Choice label="Fish" options={known.map((s) => ({ id: s, label: nameOf(s) }))} value={id} onChange={setId} wrap />
      <Counter label={`${nameOf(id)} a day`} value={rule?.bag} start={5} onChange={(v) => set('bag', v)} />
      <Counter label={`${nameOf(id)} in possession`} value={rule?.possession} start={10} onChange={(v) => set('possession', v)} />
      {size('Shortest that may be kept', 'leastMm')}
      {size('Longest that may be kept', 'mostMm')}
      <Counter label="Lines out at once" value={card.lines} start={2} onChange={(v) => count('lines', v)} />
      <Counter label="Hooks on a line" value={card.hooks} start={1} onChange={(v) => count('hooks', v)} />
      <Counter label="Points of a line’s hooks" value={card.points} start={3} onChange={(v) => count('points', v)} />
      <Permission what="Keepnet" none="No keepnet" value={card.keepnet} onChange={(said) => setCard(({ keepnet: _, ...rest }) => (said ? { ...rest, keepnet: said } : rest))} />
      <Permission
        what="Live bait"
        none="No live bait"
        value={card.liveBait}
        onChange={(said) => setCard(({ liveBait: _, ...rest }) => (said ? { ...rest, liveBait: said } : rest))}
      />
      <Suspense fallback={null}>
        <Field label="Season, bait, feed, night, boats" value={card.text ?? ''} onChangeText={(text) => setCard((c) => ({ ...c, text }))} multiline maxLength={2000} />
        <Field label="Where it is written" value={card.source ?? ''} onChangeText={(source) => setCard((c) => ({ ...c, source }))} maxLength={200} />
      </Suspense>
      {rules ? <AsItStands rules={rules} /> : null}
    </Sheet>
  );
}

interface PermissionProps {
  what: string;
  none: string;
  value: 'allowed' | 'not allowed' | undefined;
  /** Told what the card says; undefined where it is not on it. */
  onChange: (said: 'allowed' | 'not allowed' | undefined) => void;
}

/** Whether the card allows a thing, forbids it, or does not name it. */
function Permission({ what, none, value, onChange }: PermissionProps) {
  const options = [
    { id: 'unsaid', label: `${what}: not on the card` },
    { id: 'allowed', label: `${what} allowed` },
    { id: 'not allowed', label: none },
  ] as const;
  return <Choice label={what} wrap options={options} value={value ?? 'unsaid'} onChange={(id) => onChange(id === 'unsaid' ? undefined : id)} />;
}

/** The card as it was saved, in words. */
function AsItStands({ rules }: { rules: RuleCard }) {
  const { units } = usePreferences();
  return (
    <View style={{ gap: 4 }}>
      <Text strong>As it stands</Text>
      {ruleCardText(rules, nameOf, units).map((line) => (
        <Text key={line} size="small" tone="second">
          {line}
        </Text>
      ))}
    </View>
  );
}
