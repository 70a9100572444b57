import type { OutingState } from '@burrow/core/ledger';
import { speciesOf } from '@burrow/core/fish';
import { useState } from 'react';
import { newId } from '@/data/ids';
import { useLedger } from '@/data/session';
import { useSpecies } from '@/data/species';
import { useWater } from '@/data/water';
import { nothingSaid, saidOf, type FishFigures } from '@/features/entries/fish-figures';
import { useKeeping } from '@/features/fish/useKeeping';

/** Where a fish took: at which station, on which line and cast, how deep, how far out or down the run. */
export interface FishTake {
  station: string;
  line: string | undefined;
  depthM: number | null;
  bottomM: number | null;
  /** The cast it took on, and how far out, m. */
  onCast?: { cast: string; outM: number } | null;
  /** How far down the run it took, m. */
  alongM?: number | null;
  /** Where on a pass it took. */
  at?: readonly [number, number] | null;
}

/** What is known of the take, as the log has it: what is not known is left out. */
const takeBody = ({ station, line, depthM, bottomM, onCast, alongM, at }: FishTake) => ({
  station,
  ...(line ? { line } : {}),
  ...(depthM === null ? {} : { depthM }),
  ...(bottomM === null ? {} : { bottomM }),
  ...onCast,
  ...(alongM == null ? {} : { alongM: Math.round(10 * alongM) / 10 }),
  ...(at == null ? {} : { at: [at[0], at[1]] as [number, number] }),
});

/** A landed fish being written: which it is, its figures, what keeping it would mean, and the writing of it. */
export function useFishDraft(outing: OutingState, zone: string, take: FishTake, onLogged: (eventId: string, text: string) => void) {
  const { ledger } = useLedger();
  const { detail } = useWater();
  const file = detail.data?.value.file;
  const { offered, place } = useSpecies(file, outing.water);
  // What it is is asked: only what was caught last here today stands there already.
  const [picked, setPicked] = useState<string | null>(null);
  const id = picked ?? outing.fish.at(-1)?.species ?? null;
  const [figures, setFigures] = useState<FishFigures>(nothingSaid);
  const card = file?.water.rules;
  const keeping = useKeeping(outing, id, figures.lengthMm, card, zone);
  const write = async (fate: 'fish-kept' | 'fish-released') => {
    if (id === null) return;
    const fish = newId();
    const [landed] = await ledger.writeAll({ id: outing.id, zone }, [
      { kind: 'fish-landed', body: { fish, species: id, ...saidOf(figures), ...takeBody(take) } },
      { kind: fate, body: { fish } },
    ]);
    setFigures(nothingSaid);
    setPicked(null);
    onLogged(landed.id, `${speciesOf(id).short} ${fate === 'fish-kept' ? `kept${keeping.withOneMore}` : 'released'}`);
  };
  return {
    id,
    species: id === null ? null : speciesOf(id),
    likely: [...new Set([...outing.fish.map((f) => f.species).reverse(), ...offered.map((s) => s.id as string)])],
    place,
    card,
    figures,
    keeping,
    put: (part: Partial<FishFigures>) => setFigures((before) => ({ ...before, ...part })),
    choose: (fish: string) => {
      setPicked(fish);
      setFigures((before) => ({ ...before, lengthMm: null }));
    },
    write,
  };
}
