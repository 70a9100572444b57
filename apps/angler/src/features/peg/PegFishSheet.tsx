import { estimateWeight, speciesOf } from '@burrow/core/fish';
import { fishLengthText, metresPerFishUnit, weightText } from '@burrow/core/units';
import { useState } from 'react';
import { setPole, usePreferences } from '@/data/preferences';
import { useSpecies } from '@/data/species';
import { SpeciesPills } from '@/features/fish/SpeciesPills';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import type { PegControl } from './usePeg';

/** Classes offered: each 5 cm, or 2 inches. */
const classSteps = 8;

/** Which fish and of which size class; from then on one tap logs another of it. */
export function PegFishSheet({ control }: { control: PegControl }) {
  const { units } = usePreferences();
  const { pole, water, outing, sheets } = control;
  const { landed } = control.log;
  const { offered, place } = useSpecies(water.file, outing.water);
  const [id, setId] = useState<string | null>(outing.fish.at(-1)?.species ?? null);
  const stepMm = 1000 * metresPerFishUnit(units) * (units.fishLength === 'in' ? 2 : 5);
  const classes = Array.from({ length: classSteps }, (_, k) => Math.round((k + 2) * stepMm));
  const [classMm, setClass] = useState<number | null>(pole.classMm);
  const weight = classMm === null || id === null ? undefined : estimateWeight(id, classMm);
  const keepnet = water.file.water.rules?.keepnet;
  const log = () => {
    setPole({ classMm });
    void landed({ species: id!, classMm: classMm!, fate: pole.fate });
  };
  return (
    <Sheet
      title="Fish"
      open
      onClose={sheets.close}
      footer={
        <Action
          kind="main"
          height={68}
          label={id === null ? 'Choose which fish' : classMm === null ? 'Choose its size' : `Log a ${speciesOf(id).short.toLowerCase()} of ${fishLengthText(classMm, units)}`}
          disabled={classMm === null || id === null}
          onPress={log}
        />
      }
    >
      <SpeciesPills value={id} likely={offered.map((s) => s.id)} place={place} onChange={setId} />
      <Text strong>Size by eye</Text>
      <Choice
        label="Size by eye"
        wrap
        options={classes.map((mm) => ({ id: String(mm), label: fishLengthText(mm, units) }))}
        value={String(classMm ?? '')}
        onChange={(mm) => setClass(Number(mm))}
      />
      <Text tone="second">
        {weight ? `About ${weightText(weight.weightG, units)} each by its length, until some of this size are weighed.` : 'From here on a tap on Fish logs another of this size.'}
      </Text>
      <Choice
        label="What becomes of it"
        wrap
        options={[
          { id: 'released', label: 'Back at once' },
          { id: 'net', label: 'Into the keepnet' },
        ]}
        value={pole.fate}
        onChange={(fate) => setPole({ fate })}
      />
      {pole.fate === 'net' ? (
        <Caution
          headline={
            keepnet === 'not allowed' ? 'By your rule card: no keepnets here' : keepnet === 'allowed' ? 'Keepnet allowed, by your rule card' : 'Keepnet: check the local rules'
          }
        >
          Long, wide and in the shade, with few fish in it; none of them while ice forms on the mesh.
        </Caution>
      ) : null}
      <Action label="Measured, weighed or kept" onPress={() => sheets.show('fish-measured')} />
    </Sheet>
  );
}
