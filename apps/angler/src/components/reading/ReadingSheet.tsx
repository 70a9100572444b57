import { adviceWords, adviseReading, readingErrorM, type CoachMemory, type CoachSetting, type MarkDid } from '@burrow/core/coach';
import type { ReactionKind } from '@burrow/core/ledger';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../Action';
import { Choice } from '../Choice';
import { Sheet } from '../Sheet';
import { Words } from '../Words';
import { ReadingRuler, type Handle } from './ReadingRuler';

interface Props {
  onClose: () => void;
  setting: CoachSetting;
  /** What the outing has told so far: the same coach goes on from it. */
  memory: CoachMemory | undefined;
  /** What is known of the hole so far, m. */
  bottomM: number | null;
  jigM: number | null;
  units: UnitPreference;
  /** The advice is taken: the jig goes there, and what the mark did is logged. */
  onTake: (jigM: number, reaction: ReactionKind | null) => void;
}

const handles: readonly { id: Handle; label: string }[] = [
  { id: 'bottom', label: 'Bottom' },
  { id: 'jig', label: 'Jig' },
  { id: 'mark', label: 'Top mark' },
];
const things: readonly { id: MarkDid; label: string; reaction: ReactionKind | null }[] = [
  { id: 'none', label: 'Nothing there', reaction: null },
  { id: 'still', label: 'Hangs still', reaction: 'looked' },
  { id: 'long-still', label: 'Still for long', reaction: 'stalled' },
  { id: 'rising', label: 'Comes up', reaction: 'looked' },
  { id: 'followed', label: 'Follows the lift', reaction: 'followed' },
  { id: 'sinking', label: 'Sinks away', reaction: 'refused' },
  { id: 'fled', label: 'Came fast, flared off', reaction: 'fled' },
  { id: 'several', label: 'Several together', reaction: 'looked' },
];
/** Bottom taken where nothing is known, m; the ruler shows so much more than it. */
const [usualBottomM, ruledShare] = [8, 1.25];

/** A flasher of one's own, read by eye: two or three touches on the ruler, one on what the mark did, and the advice is there. */
export function ReadingSheet({ onClose, setting, memory, bottomM: known, jigM: set, units, onTake }: Props) {
  const [bottomM, setBottomM] = useState(known ?? usualBottomM);
  const [toM] = useState((known ?? usualBottomM) * ruledShare);
  const [jigM, setJigM] = useState(set ?? bottomM * 0.8);
  const [markM, setMarkM] = useState<number | null>(null);
  const [did, setDid] = useState<MarkDid | null>(null);
  const [active, setActive] = useState<Handle>(known === null ? 'bottom' : 'mark');
  const move = (depthM: number) => {
    if (active === 'bottom') setBottomM(Math.max(0.5, depthM));
    else if (active === 'jig') setJigM(depthM);
    else setMarkM(depthM);
    if (active === 'mark' && (did === null || did === 'none')) setDid('still');
  };
  const choose = (next: MarkDid) => {
    setDid(next);
    if (next === 'none') setMarkM(null);
    else setMarkM((m) => m ?? (jigM + bottomM) / 2);
  };
  const thing = things.find((t) => t.id === did);
  const advice = did === null ? null : adviseReading({ bottomM, jigM: Math.min(jigM, bottomM), topMarkM: markM === null ? null : Math.min(markM, bottomM), did }, setting, memory);
  const words = advice && adviceWords(advice, units);
  return (
    <Sheet
      title="Quick reading"
      open
      onClose={onClose}
      footer={
        <Action
          kind="main"
          height={64}
          label={advice ? `Set jig to ${depthText(advice.jigM, units)}` : 'Set jig'}
          disabled={!advice}
          onPress={() => onTake(advice!.jigM, thing?.reaction ?? null)}
        />
      }
    >
      <View aria-live="polite" style={{ minHeight: 76, gap: 2 }}>
        <Words heading={2} size="lead">
          {words?.instruction ?? 'Touch the ruler where the top mark is'}
        </Words>
        <Words tone="second">{words ? `${words.reason} ${words.then}` : 'Or say that nothing is there. Touch Bottom or Jig to set those.'}</Words>
      </View>
      <Choice label="What a touch sets" options={handles} value={active} onChange={setActive} wrap />
      <ReadingRuler bottomM={bottomM} markM={markM} jigM={jigM} toM={toM} active={active} onMove={move} units={units} />
      <Choice label="What the mark did" options={things} value={did ?? ('' as MarkDid)} onChange={choose} wrap />
      <Words size="small" tone="second">{`Read by eye: depths to ±${depthText(readingErrorM(bottomM), units)}.`}</Words>
    </Sheet>
  );
}
