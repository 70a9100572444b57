import type { Band } from '@burrow/core/outlook';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { Action } from '@/components/Action';
import { Choice } from '@/components/Choice';
import { Sheet } from '@/components/Sheet';
import { Words } from '@/components/Words';

export type Layer = 'none' | 'band' | 'fish';

interface Props {
  onClose: () => void;
  /** What may be laid over the depths; none on a river, whose lies are marked. */
  layers: { layer: Layer; onLayer: (layer: Layer) => void; look: Band | null } | null;
  showStructure: boolean;
  onStructure: (show: boolean) => void;
  onMeasure: () => void;
  onMark: () => void;
  onSave: () => void;
  units: UnitPreference;
}

const hints = (units: UnitPreference): Record<Layer, string> => ({
  fish: 'Larger dots: more fish expected, from structure, season and depth, and from what your holes have shown.',
  band: 'Stripes: the bed lies deep enough for where the fish are looked for, and not far below it.',
  none: `Fine hatching stands where the map may be off by more than ${depthText(0.5, units)}.`,
});

/** What the map shows, and what else can be done with it. */
export function MapSheet({ onClose, layers, showStructure, onStructure, onMeasure, onMark, onSave, units }: Props) {
  const look = layers?.look;
  const options: { id: Layer; label: string }[] = [
    { id: 'none', label: 'Depths only' },
    { id: 'fish', label: 'Fish expected' },
    ...(look ? [{ id: 'band' as const, label: `Water for ${depthText(look.fromM, units)} to ${depthText(look.toM, units)}` }] : []),
  ];
  return (
    <Sheet title="The map" open onClose={onClose} footer={<Action kind="main" height={64} label="Done" onPress={onClose} />}>
      {layers ? <Choice label="Over the depths" options={options} value={layers.layer} onChange={layers.onLayer} wrap /> : null}
      <Words size="small" tone="second">
        {hints(units)[layers?.layer ?? 'none']}
      </Words>
      <Choice
        label="Structure"
        options={[
          { id: 'on', label: 'Name structure' },
          { id: 'off', label: 'No names' },
        ]}
        value={showStructure ? 'on' : 'off'}
        onChange={(id) => onStructure(id === 'on')}
        wrap
      />
      <Action icon="edit" label="Mark cover, seams, banks, spots" onPress={onMark} />
      <Action label="Measure a way" onPress={onMeasure} />
      <Action label="Save this water to a file" onPress={onSave} />
    </Sheet>
  );
}
