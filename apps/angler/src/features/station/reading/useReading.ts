import { adviseReading, type Advice, type CoachMemory, type CoachSetting, type MarkDid } from '@burrow/core/coach';
import type { ReactionKind, StationState } from '@burrow/core/ledger';
import { clamp, depthStepM, type UnitPreference } from '@burrow/core/units';
import { useEffect, useState } from 'react';
import { nowMs } from '@/data/clock';
import type { IconName } from '@/ui/icon/Icon';
import { useAccount } from '@/data/session';

/** What a touch or a key moves. */
export type Handle = 'mark' | 'jig' | 'bottom';

/** A flasher read by eye at a moment, with what it came to. */
export interface KeptReading {
  atMs: number;
  bottomM: number;
  jigM: number;
  /** Null where nothing was seen. */
  markM: number | null;
  did: MarkDid;
  advice: Advice;
}

/** What a mark did, as it is told, and the answer that is logged for it. */
export const marksDid: readonly { id: MarkDid; label: string; icon: IconName | null; reaction: ReactionKind | null }[] = [
  { id: 'none', label: 'Gone', icon: 'close', reaction: null },
  { id: 'still', label: 'Hung', icon: 'minus', reaction: 'looked' },
  { id: 'rising', label: 'Came up', icon: 'up', reaction: 'looked' },
  { id: 'sinking', label: 'Sank', icon: 'sink', reaction: 'refused' },
  { id: 'followed', label: 'Followed', icon: 'follow', reaction: 'followed' },
  { id: 'long-still', label: 'Still for long', icon: null, reaction: 'stalled' },
  { id: 'fled', label: 'Came fast, flared off', icon: null, reaction: 'fled' },
  { id: 'several', label: 'Several together', icon: null, reaction: 'looked' },
  { id: 'bait', label: 'Many faint ones: bait', icon: null, reaction: null },
];

/** Shallower than this a flasher shows nothing, m. */
const shallowestM = 0.3;
/** Readings kept of a hole. */
const mostKept = 30;
/** The bottom of a hole of which nothing is known, and where an unset jig and mark begin as shares of it. */
const [usualBottomM, jigShare, markShare] = [3, 0.8, 0.7];

/** The flasher of a hole as the angler reads it: three depths that stay until they are changed, and the readings made of them. `known` is what a line counter or a flasher says before that. */
export function useReading(
  hole: StationState,
  setting: CoachSetting,
  memory: CoachMemory | undefined,
  known: { jigM: number | null; bottomM: number | null },
  units: UnitPreference,
) {
  const { store } = useAccount();
  const key = `readings/${hole.id}`;
  const [readings, setReadings] = useState<KeptReading[]>([]);
  const [bottom, setBottom] = useState<number | null>(null);
  const [jig, setJig] = useState<number | null>(null);
  const [markM, setMark] = useState<number | null>(null);
  const [chosen, setChosen] = useState<Handle | null>(null);
  const [wants, setWants] = useState<string | null>(null);
  useEffect(() => {
    let isHere = true;
    void store.setting<KeptReading[]>(key).then((kept) => {
      if (!isHere || !kept || kept.length === 0) return;
      setReadings(kept);
      setBottom(kept[0].bottomM);
      setMark(kept[0].markM);
    });
    return () => {
      isHere = false;
    };
  }, [store, key]);
  const bottomM = bottom ?? hole.depthM ?? known.bottomM;
  const jigM = jig ?? known.jigM ?? readings[0]?.jigM ?? null;
  const values: Record<Handle, number | null> = { bottom: bottomM, jig: jigM, mark: markM };
  // The first one that nobody has set comes first.
  const handle: Handle = chosen ?? (bottomM === null ? 'bottom' : jigM === null ? 'jig' : 'mark');
  const stepM = depthStepM(units);
  const starts: Record<Handle, number> = {
    bottom: hole.mapDepthM ?? usualBottomM,
    jig: jigShare * (bottomM ?? usualBottomM),
    mark: markShare * (bottomM ?? usualBottomM),
  };
  const set = (which: Handle, depthM: number) => {
    const rounded = Math.round(depthM / stepM) * stepM;
    setWants(null);
    if (which === 'bottom') setBottom(clamp(rounded, shallowestM, 300));
    else if (which === 'jig') setJig(clamp(rounded, 0, bottomM ?? 300));
    else setMark(clamp(rounded, 0, bottomM ?? 300));
  };
  /** Sets what is next by a touch on the picture; it stays in the finger until that is off again. */
  const touch = (depthM: number) => {
    setChosen(handle);
    set(handle, depthM);
  };
  /** The finger is off: on to what is not set yet, else to the mark, which moves most. */
  const touched = () => setChosen(null);
  const nudge = (by: 1 | -1) => set(handle, values[handle] === null ? starts[handle] : values[handle] + by * stepM);
  /** Says what the mark did: the reading is made and answered. Null where a depth is wanting, which is then said. */
  const take = (did: MarkDid): KeptReading | null => {
    const wanting: Handle | null = bottomM === null ? 'bottom' : jigM === null ? 'jig' : did !== 'none' && markM === null ? 'mark' : null;
    if (wanting) {
      setChosen(wanting);
      setWants(`First the ${wanting === 'mark' ? 'top mark' : wanting}: touch the picture where it is, or use the arrows.`);
      return null;
    }
    const read = { bottomM: bottomM!, jigM: Math.min(jigM!, bottomM!), topMarkM: did === 'none' ? null : Math.min(markM!, bottomM!), did };
    const reading: KeptReading = { atMs: nowMs(), bottomM: read.bottomM, jigM: read.jigM, markM: read.topMarkM, did, advice: adviseReading(read, setting, memory) };
    const next = [reading, ...readings].slice(0, mostKept);
    setReadings(next);
    setChosen(null);
    void store.keep(key, next);
    return reading;
  };
  return { readings, bottomM, jigM, markM, handle, choose: setChosen, touch, touched, nudge, take, wants, stepM, moved: (depthM: number) => setJig(depthM) };
}

export type ReadingControl = ReturnType<typeof useReading>;
