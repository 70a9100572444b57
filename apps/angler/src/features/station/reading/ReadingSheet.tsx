import { adviceWords, adviseReading, readingErrorM, type Advice, type CoachMemory, type CoachSetting, type MarkDid } from '@burrow/core/coach';
import type { ReactionKind } from '@burrow/core/ledger';
import { depthText, type UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { ReadingRuler, type Handle } from './ReadingRuler';

/** A reading by eye that was acted on, with what it came to. */
export interface TakenReading {
  advice: Advice;
  bottomM: number;
  markM: number | null;
  reaction: ReactionKind | null;
}

interface Props {
  onClose: () => void;
  setting: CoachSetting;
  /** What the outing has told so far: the same coach goes on from it. */
  memory: CoachMemory | undefined;
  /** What is known of the hole so far, m. */
  bottomM: number | null;
  jigM: number | null;
  /** What the map expects the bottom to be, m: it only scales the ruler. */
  expectedM: number | null;
  units: UnitPreference;
  /** The advice is taken: the jig goes there, and what the mark did is logged. */
  onTake: (reading: TakenReading) => void;
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
/** The ruler of a hole of which nothing is known reaches this far, m, by a share more; where a jig that is not set yet is drawn. */
const [usualBottomM, ruledShare, startShare] = [8, 1.25, 0.8];

/** A flasher of one's own, read by eye: two or three touches on the ruler, one on what the mark did, and the advice is there. */
export function ReadingSheet({ onClose, setting, memory, bottomM: known, jigM: set, expectedM: expected, units, onTake }: Props) {
  const [bottom, setBottom] = useState<number | null>(known);
  const [toM, setToM] = useState((known ?? expected ?? usualBottomM) * ruledShare);
  const bottomM = bottom ?? toM;
  const [jig, setJig] = useState<number | null>(set);
  const jigM = jig ?? bottomM * startShare;
  const [markM, setMarkM] = useState<number | null>(null);
  const [did, setDid] = useState<MarkDid | null>(null);
  const [active, setActive] = useState<Handle>(known === null ? 'bottom' : set === null ? 'jig' : 'mark');
  const wanting = bottom === null ? 'bottom' : jig === null ? 'jig' : null;
  const isMarkWanted = did !== 'none' && markM === null;
  const move = (depthM: number) => {
    if (active === 'bottom') setBottom(Math.max(0.5, depthM));
    else if (active === 'jig') setJig(depthM);
    else setMarkM(depthM);
    if (active === 'mark' && (did === null || did === 'none')) setDid('still');
  };
  /** One touch after the other, until each is known; a bottom set at the ruler's end makes room below it. */
  const moved = () => {
    if (active === 'bottom' && bottom !== null && bottom > 0.96 * toM) setToM(toM * 1.5);
    else if (active === 'bottom' && jig === null) setActive('jig');
    else if (active === 'jig' && markM === null) setActive('mark');
  };
  const choose = (next: MarkDid) => {
    setDid(next);
    if (next === 'none') setMarkM(null);
    else if (markM === null && wanting === null) setActive('mark');
  };
  const thing = things.find((t) => t.id === did);
  const advice =
    did === null || wanting !== null || isMarkWanted
      ? null
      : adviseReading({ bottomM, jigM: Math.min(jigM, bottomM), topMarkM: markM === null ? null : Math.min(markM, bottomM), did }, setting, memory);
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
          onPress={() => onTake({ advice: advice!, bottomM, markM, reaction: thing?.reaction ?? null })}
        />
      }
    >
      <View aria-live="polite" style={{ minHeight: 76, gap: 2 }}>
        <Text heading={2} size="lead">
          {words?.instruction ?? { bottom: 'Touch the ruler where the bottom is', jig: 'Touch it where the jig is', none: 'Touch it where the top mark is' }[wanting ?? 'none']}
        </Text>
        <Text tone="second">
          {words ? `${words.reason} ${words.then}` : wanting === null ? 'Or say that nothing is there. Touch Bottom or Jig to set those.' : 'As your own flasher shows it.'}
        </Text>
      </View>
      <Choice label="What a touch sets" options={handles} value={active} onChange={setActive} wrap />
      <ReadingRuler bottomM={bottom} markM={markM} jigM={jig} toM={toM} active={active} onMove={move} onMoved={moved} units={units} />
      <Choice label="What the mark did" options={things} value={did ?? ('' as MarkDid)} onChange={choose} wrap />
      <Text size="small" tone="second">{`Read by eye: depths to ±${depthText(readingErrorM(bottomM), units)}.`}</Text>
    </Sheet>
  );
}
