import type { Band } from '@burrow/core/outlook';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { Action } from '@/components/Action';
import { Choice } from '@/components/Choice';
import { Sheet } from '@/components/Sheet';
import { Words } from '@/components/Words';

export type Layer = 'none' | 'band' | 'fish';

interface Props {
  onClose: () => void;
  layer: Layer;
  onLayer: (layer: Layer) => void;
  showStructure: boolean;
  onStructure: (show: boolean) => void;
  look: Band | null;
  units: UnitPreference;
}

/** What to lay over the depths. */
export function ShowSheet({ onClose, layer, onLayer, showStructure, onStructure, look, units }: Props) {
  const options: { id: Layer; label: string }[] = [
    { id: 'none', label: 'Depths only' },
    { id: 'fish', label: 'Fish expected' },
    ...(look ? [{ id: 'band' as const, label: `Water for ${depthText(look.fromM, units)} to ${depthText(look.toM, units)}` }] : []),
  ];
  return (
    <Sheet title="Show on the map" open onClose={onClose} footer={<Action kind="main" height={64} label="Done" onPress={onClose} />}>
      <Choice label="Over the depths" options={options} value={layer} onChange={onLayer} wrap />
      <Words size="small" tone="second">
        {layer === 'fish'
          ? 'Larger dots: more fish expected, from structure, season and depth, and from what your holes have shown.'
          : layer === 'band'
            ? 'Stripes: the bed lies deep enough for where the fish are looked for, and not far below it.'
            : 'Fine hatching stands where the map may be off by more than half a metre.'}
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
    </Sheet>
  );
}
