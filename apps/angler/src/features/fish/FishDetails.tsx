import { fishLengthForm, weightForm, type UnitPreference } from '@burrow/core/units';
import { Suspense } from 'react';
import type { FishFigures } from '@/features/entries/fish-figures';
import { TypedFigure } from '@/ui/TypedFigure';
import { lazily } from '@/ui/lazily';
import { PhotoField } from './PhotoField';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

/** Weighed, round its middle, typed to the millimetre, and in words: for whoever wants it, below what everybody logs. */
export function FishDetails({ figures, units, put }: { figures: FishFigures; units: UnitPreference; put: (part: Partial<FishFigures>) => void }) {
  return (
    <>
      <TypedFigure label="Length" form={fishLengthForm(units)} value={figures.lengthMm} onChange={(lengthMm) => put({ lengthMm })} />
      <TypedFigure label="Weight" form={weightForm(units)} value={figures.weightG} onChange={(weightG) => put({ weightG })} />
      <TypedFigure label="Girth" form={fishLengthForm(units)} value={figures.girthMm} onChange={(girthMm) => put({ girthMm })} />
      <PhotoField photo={figures.photo} onPhoto={(photo) => put({ photo })} />
      <Suspense fallback={null}>
        <Field label="Note on this fish" value={figures.note} onChangeText={(note) => put({ note })} maxLength={500} multiline />
      </Suspense>
    </>
  );
}
