import { bandMoved } from '@burrow/core/ground';
import { depthText, metresPerDepthUnit, type UnitPreference } from '@burrow/core/units';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { Layer, Layers } from './useLayers';

interface Props {
  onClose: () => void;
  layers: Layers;
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
  own: 'Stripes: the bed lies between these depths.',
  none: `Fine hatching stands where the map may be off by more than ${depthText(0.5, units)}.`,
});

/** What the map shows, and what else can be done with it. */
export function MapSheet({ onClose, layers, showStructure, onStructure, onMeasure, onMark, onSave, units }: Props) {
  const { layer, onLayer, look, own, onOwn, hasFish } = layers;
  const stepM = metresPerDepthUnit(units);
  const options: { id: Layer; label: string }[] = [
    { id: 'none', label: 'Depths only' },
    ...(hasFish ? [{ id: 'fish' as const, label: 'Fish expected' }] : []),
    ...(look ? [{ id: 'band' as const, label: `Water for ${depthText(look.fromM, units)} to ${depthText(look.toM, units)}` }] : []),
    { id: 'own', label: 'Depths of your own' },
  ];
  return (
    <Sheet title="The map" open onClose={onClose} footer={<Action kind="main" height={64} label="Done" onPress={onClose} />}>
      <Choice label="Over the depths" options={options} value={layer} onChange={onLayer} wrap />
      {layer === 'own' ? (
        <>
          <Stepper label="From" text={depthText(own.fromM, units)} onStep={(d) => onOwn(bandMoved(own, 'fromM', d * stepM))} />
          <Stepper label="To" text={depthText(own.toM, units)} onStep={(d) => onOwn(bandMoved(own, 'toM', d * stepM))} />
        </>
      ) : null}
      <Text size="small" tone="second">
        {hints(units)[layer]}
      </Text>
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
