import { soundingSourceText, type DepthUnit, type UnitFit } from '@burrow/core/ground';
import { depthText, metric, tempText, type UnitPreference } from '@burrow/core/units';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import type { SounderId, SoundingFileControl, WarmthId } from './useSoundingFile';

export const depthUnitChoices: readonly { id: DepthUnit; label: string }[] = [
  { id: 'm', label: 'Metres' },
  { id: 'ft', label: 'Feet' },
  { id: 'cm', label: 'Centimetres' },
  { id: 'fathom', label: 'Fathoms' },
];
const sounders: readonly { id: SounderId; label: string }[] = [
  { id: 'plumbed', label: 'By line or chart' },
  { id: '1500', label: 'Sounder set to 1500 m/s' },
  { id: '1463', label: 'Sounder set to 1463 m/s' },
];
const warmths = (units: UnitPreference): { id: WarmthId; label: string }[] => (['4', '15', '22'] as const).map((id) => ({ id, label: `Water of ${tempText(Number(id), units)}` }));

/** In which unit the depths of a file are and how they were measured, with what follows from it. */
export function DepthQuestions({ file, fits, units }: { file: SoundingFileControl; fits?: readonly UnitFit[] | null; units: UnitPreference }) {
  const { raw, isDoubtful, depthUnit, deepestM, measured } = file;
  const { sounder, warmth, source } = measured;
  const fit = fits?.find((f) => f.unit === depthUnit);
  const better = fit?.offM != null && fits?.[0].offM != null && fits[0].unit !== depthUnit && fits[0].offM < fit.offM / 2 ? fits[0] : null;
  const nameOf = (unit: DepthUnit) => depthUnitChoices.find((c) => c.id === unit)!.label.toLowerCase();
  return (
    <>
      <Text strong>In which unit are the depths of the file?</Text>
      {isDoubtful && depthUnit === null ? (
        <Caution
          headline={`Taken as metres they reach ${depthText(
            raw.reduce((most, s) => Math.max(most, s.depthM), 0),
            metric,
          )}: too deep for a water of this size`}
        >
          Say in which unit they are.
        </Caution>
      ) : null}
      <Choice label="Unit of the depths" options={depthUnitChoices} value={depthUnit ?? ('' as DepthUnit)} onChange={file.setUnit} wrap />
      <Text size="small" tone="second">
        {depthUnit === null
          ? 'Not said yet.'
          : `So the deepest is ${depthText(deepestM, units)}.${fit ? (fit.offM === null ? ' None of them lie on the known map to compare with.' : ` ${fit.onMap} of them lie on the known map and are ${depthText(fit.offM, units)} off it at the middle.`) : ''}`}
      </Text>
      {better ? <Caution headline={`In ${nameOf(better.unit)} they would be ${depthText(better.offM!, units)} off the known map`}>Look at the unit once more.</Caution> : null}
      <Text strong>How were the depths measured?</Text>
      <Choice label="How the depths were measured" options={sounders} value={sounder} onChange={measured.setSounder} wrap />
      {sounder === 'plumbed' ? null : <Choice label="How warm the water was" options={warmths(units)} value={warmth} onChange={measured.setWarmth} wrap />}
      <Text size="small" tone="second">
        {soundingSourceText(source)}
      </Text>
    </>
  );
}
