import type { Band } from '@burrow/core/outlook';
import { useMemo, useState } from 'react';
import type { Overlay } from '@/features/water/map/overlay';

export type Layer = 'none' | 'band' | 'own' | 'fish';

/** What may be laid over the depths, and what is. */
export interface Layers {
  layer: Layer;
  onLayer: (layer: Layer) => void;
  /** Where the fish are looked for; null where that is not known. */
  look: Band | null;
  /** A band of the angler's own. */
  own: Band;
  onOwn: (band: Band) => void;
  /** Whether fish expected can be shown. */
  hasFish: boolean;
}

/** Water this much deeper than where fish are looked for still holds fish that hang in it, m. */
const belowLookM = 1;

/** The layer chosen, and its drawing. */
export function useLayers(fish: Float32Array | null, look: Band | null, deepestM: number): { layers: Layers; overlay: Overlay } {
  const [layer, setLayer] = useState<Layer>('none');
  const [own, setOwn] = useState<Band>({ fromM: deepestM / 2, toM: deepestM });
  const overlay = useMemo<Overlay>(() => {
    if (layer === 'fish' && fish) return { kind: 'fish', perHour: fish };
    if (layer === 'band' && look) return { kind: 'band', band: { fromM: look.fromM, toM: look.toM + belowLookM } };
    return layer === 'own' ? { kind: 'band', band: own } : { kind: 'none' };
  }, [layer, fish, look, own]);
  return { layers: { layer, onLayer: setLayer, look, own, onOwn: setOwn, hasFish: fish !== null }, overlay };
}
