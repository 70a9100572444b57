import type { WaterDetail } from '@burrow/contract/api';
import type { OutingState, StationState } from '@burrow/core/ledger';
import { passLines, type PassLines } from '@burrow/core/troll';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';

interface PassLinesQuery {
  outing: OutingState;
  pass: StationState;
  water: WaterDetail;
  band: { fromM: number; toM: number };
  /** Deepest of the water, m; null where it is not known. */
  waterM: number | null;
  speedMs: number;
  nowMs: number;
}

/** The lines of a pass as they run, with what is written down of the tackle. */
export function usePassLines({ outing, pass, water, band, waterM, speedMs, nowMs }: PassLinesQuery): PassLines {
  const { troll, units } = usePreferences();
  const { state } = useLedger();
  const here = state.outings.filter((o) => o.water === water.id);
  return passLines({ outing, pass, here, tackle: troll, legal: water.file.water.rules?.lines, band, waterM, speedMs, nowMs, units });
}
