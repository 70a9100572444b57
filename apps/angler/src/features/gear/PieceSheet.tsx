import { familyOf, tackleFamilies } from '@burrow/core/tackle';
import { hoverWords, type Hover, type MeasuredDive } from '@burrow/core/rig';
import { clamp, depthText, fishLengthText, lineText, lureMassesG, lureText, metresPerDepthUnit } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { change, putPresentation, unsaid, usePreferences, type Presentation } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

const colours = ['clear', 'natural', 'silver', 'gold', 'white', 'black', 'blue', 'chartreuse', 'pink', 'orange'] as const;
const either = [
  { id: 'yes', label: 'Yes' },
  { id: 'no', label: 'No' },
  { id: 'unsaid', label: 'Not said' },
] as const;
/** The family that should hang where it stops. */
const hangingFamily = 'suspending-minnow';
const idOf = (value: boolean | null) => (value === null ? 'unsaid' : value ? 'yes' : 'no');
const valueOf = (id: (typeof either)[number]['id']) => (id === 'unsaid' ? null : id === 'yes');

/** A piece of the box: its family is enough; each figure more makes the choice better. What is left out stays not known. */
export function PieceSheet({ piece, onClose }: { piece: Presentation | null; onClose: () => void }) {
  const { units, presentations, presentation } = usePreferences();
  const [name, setName] = useState(piece?.name ?? '');
  const [tackle, setTackle] = useState(piece?.tackle ?? null);
  const [dive, setDive] = useState(piece?.dive ?? null);
  const [hover, setHover] = useState(piece?.hover ?? null);
  const family = tackle ? familyOf(tackle.family) : null;
  const masses = lureMassesG(units);
  const stepMm = units.fishLength === 'in' ? 25.4 / 8 : 5;
  const isHung = tackle?.family === hangingFamily;
  const isDouble = presentations.some((p) => p.id !== piece?.id && p.name.toLowerCase() === name.trim().toLowerCase());
  const set = (part: Partial<NonNullable<typeof tackle>>) => setTackle((t) => (t ? { ...t, ...part } : t));
  const massStep = (d: 1 | -1) => {
    const at = tackle?.massG;
    if (at == null) return set({ massG: masses.find((m) => m >= Math.sqrt(family!.massG[0] * family!.massG[1])) ?? masses[masses.length - 1] });
    const next = d > 0 ? masses.find((m) => m > at * 1.01) : masses.findLast((m) => m < at * 0.99);
    if (next !== undefined) set({ massG: next });
  };
  const save = () => {
    const id = putPresentation(
      { name: name.trim(), ...(tackle ? { tackle } : {}), ...(dive && family?.dives ? { dive } : {}), ...(hover && isHung ? { hover } : {}) },
      piece?.id ?? null,
    );
    if (!piece && presentation === null) change({ presentation: id });
    onClose();
  };
  const count = (which: 'hooks' | 'points', d: 1 | -1) => set({ [which]: Math.min(12, Math.max(0, (tackle?.[which] ?? 0) + d)) });
  return (
    <Sheet
      title={piece ? piece.name : 'A piece of tackle'}
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label="Save" disabled={name.trim() === '' || isDouble || tackle === null} onPress={save} />}
    >
      <Suspense fallback={null}>
        <Field label="What you call it" value={name} maxLength={60} onChangeText={setName} error={isDouble} />
      </Suspense>
      {isDouble ? <Text tone="straw">Expected a name that is not in the box yet.</Text> : null}
      <Text strong>What is it?</Text>
      <Choice
        label="Family"
        options={tackleFamilies.map((f) => ({ id: f.id, label: f.name }))}
        value={tackle?.family ?? ''}
        onChange={(id) => setTackle((t) => ({ ...(t ?? unsaid), family: id }))}
        wrap
      />
      {tackle && family ? (
        <>
          <Stepper label="Mass" text={tackle.massG === null ? null : lureText(tackle.massG, units)} empty="not known" onStep={massStep} onClear={() => set({ massG: null })} />
          <Stepper
            label="Length"
            text={tackle.sizeMm === null ? null : fishLengthText(tackle.sizeMm, units)}
            empty="not known"
            onStep={(d) => set({ sizeMm: tackle.sizeMm === null ? Math.round(Math.sqrt(family.sizeMm[0] * family.sizeMm[1])) : Math.max(2, tackle.sizeMm + d * stepMm) })}
            onClear={() => set({ sizeMm: null })}
          />
          <Text strong>Colour</Text>
          <Choice label="Colour" options={colours.map((id) => ({ id, label: id }))} value={(tackle.colour ?? '') as never} onChange={(colour) => set({ colour })} wrap />
          <Text strong>Does it rattle?</Text>
          <Choice label="Rattle" options={either} value={idOf(tackle.rattle)} onChange={(id) => set({ rattle: valueOf(id) })} wrap />
          <Stepper
            label="Hooks"
            text={tackle.hooks === null ? null : String(tackle.hooks)}
            empty="not said"
            onStep={(d) => count('hooks', d)}
            onClear={() => set({ hooks: null })}
          />
          <Stepper
            label="Points in all"
            text={tackle.points === null ? null : String(tackle.points)}
            empty="not said"
            onStep={(d) => count('points', d)}
            onClear={() => set({ points: null })}
            hint="A treble has three. The law of a water may count them."
          />
          {isHung ? (
            <HoverPart
              hover={hover}
              onChange={(next) => {
                setHover(next);
                set({ suspends: next === 'hovers' });
              }}
            />
          ) : null}
          {family.dives ? <DivePart dive={dive} onChange={setDive} /> : null}
        </>
      ) : (
        <Text tone="second">Its family says how it works; the rest may follow another day.</Text>
      )}
    </Sheet>
  );
}

const hovers = [
  { id: 'hovers', label: 'Hangs' },
  { id: 'rises', label: 'Rises' },
  { id: 'sinks', label: 'Sinks' },
] as const;

/** What a bait that should hang does on slack line, tried in the water of now, and what to do about it. */
function HoverPart({ hover, onChange }: { hover: Hover | null; onChange: (hover: Hover) => void }) {
  return (
    <>
      <Text strong>On slack line, in the water you fish</Text>
      <Choice label="On slack line it" options={hovers} value={hover} onChange={onChange} />
      {hover ? <Text size="small">{hoverWords[hover]}</Text> : null}
    </>
  );
}

/** Where measuring begins: what many such baits do on a usual line. Shown only once somebody has set it. */
const startDive: MeasuredDive = { depthM: 2, lineOutM: 25, lineMm: 0.25 };

/** How deep a bait dives, measured once: from it comes every other cast. */
function DivePart({ dive, onChange }: { dive: MeasuredDive | null; onChange: (dive: MeasuredDive | null) => void }) {
  const { units, kit } = usePreferences();
  const unitM = metresPerDepthUnit(units);
  const set = (part: Partial<MeasuredDive>) => onChange({ ...(dive ?? { ...startDive, lineMm: kit.rods[0]?.lineMm ?? startDive.lineMm }), ...part });
  return (
    <>
      <Text strong>How deep it dives</Text>
      <Text size="small" tone="second">
        Retrieve it once over a bed whose depth you know, or beside a marked pole, and write down what it reached.
      </Text>
      <Stepper
        label="It reached"
        text={dive === null ? null : depthText(dive.depthM, units)}
        onStep={(d) => set(dive === null ? {} : { depthM: clamp(dive.depthM + d * unitM * (units.depth === 'ft' ? 0.5 : 0.2), 0.2, 15) })}
        onClear={() => onChange(null)}
      />
      {dive === null ? null : (
        <>
          <Stepper
            label="With line out"
            text={depthText(dive.lineOutM, units)}
            onStep={(d) => set({ lineOutM: clamp(dive.lineOutM + d * unitM * (units.depth === 'ft' ? 5 : 1), 3, 120) })}
          />
          <Stepper
            label="On line of"
            text={lineText(dive.lineMm, units)}
            onStep={(d) => set({ lineMm: Math.round(100 * clamp(dive.lineMm + d * 0.01, 0.05, 1)) / 100 })}
            hint="Thinner line lets it dive deeper."
          />
        </>
      )}
    </>
  );
}
