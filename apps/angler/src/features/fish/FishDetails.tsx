import { fishLengthForm, weightForm, type UnitPreference } from '@burrow/core/units';
import type { HookHold } from '@burrow/core/ledger';
import { Suspense } from 'react';
import { View } from 'react-native';
import type { FishFigures } from '@/features/entries/fish-figures';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { TypedFigure } from '@/ui/TypedFigure';
import { lazily } from '@/ui/lazily';
import { PhotoField } from './PhotoField';

const holds: { id: HookHold; label: string }[] = [
  { id: 'deep', label: 'Deep' },
  { id: 'lip', label: 'Lip' },
  { id: 'outside', label: 'Outside' },
];

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

/** Weighed, round its middle, typed to the millimetre, and in words: for whoever wants it, below what everybody logs. */
export function FishDetails({ figures, units, put }: { figures: FishFigures; units: UnitPreference; put: (part: Partial<FishFigures>) => void }) {
  return (
    <>
      <TypedFigure label="Length" form={fishLengthForm(units)} value={figures.lengthMm} onChange={(lengthMm) => put({ lengthMm })} />
      <TypedFigure label="Weight" form={weightForm(units)} value={figures.weightG} onChange={(weightG) => put({ weightG })} />
      <TypedFigure label="Girth" form={fishLengthForm(units)} value={figures.girthMm} onChange={(girthMm) => put({ girthMm })} />
      <View style={{ gap: 6 }}>
        <Text strong>Where the hook held</Text>
        <Choice label="Where the hook held" wrap options={holds} value={figures.hookedIn} onChange={(hookedIn) => put({ hookedIn })} />
      </View>
      <PhotoField photo={figures.photo} onPhoto={(photo) => put({ photo })} />
      <Suspense fallback={null}>
        <Field label="Note on this fish" value={figures.note} onChangeText={(note) => put({ note })} maxLength={500} multiline />
      </Suspense>
    </>
  );
}
