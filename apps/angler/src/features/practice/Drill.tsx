import { adviceWords, type CadenceId } from '@burrow/core/coach';
import type { ReactionKind } from '@burrow/core/ledger';
import type { DrillReview } from '@burrow/core/practice';
import { scenes } from '@burrow/core/simulator';
import { depthStepM, depthText, fishLengthText } from '@burrow/core/units';
import { useCallback, useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useFlasher } from '@/data/flasher';
import { newId } from '@/data/ids';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { SimulatedBand } from '@/ui/SimulatedBand';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { WaterColumnView } from '@/features/station/shaft/WaterColumnView';
import { useWide } from '@/features/shell/Shell';
import { useShortcuts } from '@/ui/useShortcuts';
import { useStrikeSignal } from '@/features/station/useStrikeSignal';
import { Text } from '@/ui/Text';
import { Review } from './Review';

/** How the learner may work the rod. */
const rods: { id: CadenceId; label: string }[] = [
  { id: 'deadstick', label: 'Still' },
  { id: 'quiver', label: 'Quiver' },
  { id: 'shrink', label: 'Small, slow' },
  { id: 'tap', label: 'Tap' },
  { id: 'bounce', label: 'Bounce' },
  { id: 'slow-lift', label: 'Draw up' },
  { id: 'call', label: 'Call' },
];
const drills = scenes.filter((s) => s.kind === 'drill');

/** A drill under way: its scene and flasher, the rod, what was said last, and the review once it is over. */
function useDrill() {
  const { units } = usePreferences();
  const { ledger, state } = useLedger();
  const [sceneId, setScene] = useState(drills[0].id);
  const scene = drills.find((s) => s.id === sceneId) ?? drills[0];
  const [round, setRound] = useState(0);
  const [first] = useState(() => state.drills.length);
  const seed = 1 + first + round;
  const [rod, setRod] = useState<CadenceId>('shrink');
  const [says, setSays] = useState<string | null>(null);
  const [review, setReview] = useState<DrillReview | null>(null);
  const flasher = useFlasher(review ? null : { mode: 'drill', speciesId: scene.speciesId, waterTempC: scene.waterTempC, stepM: depthStepM(units), sceneId, seed });
  const isTaken = useStrikeSignal(
    flasher,
    useCallback(() => setSays(null), []),
  );
  const { work } = flasher;
  const running = flasher.frame !== null;
  const { waterTempC } = scene;
  useEffect(() => {
    if (running) work(rod, waterTempC);
  }, [rod, running, sceneId, seed, waterTempC, work]);
  return {
    scene,
    past: state.drills.filter((d) => d.scene === sceneId),
    rod,
    says,
    review,
    flasher,
    isTaken,
    begin: (id: string) => {
      setScene(id);
      setRound((n) => n + 1);
      // A draw keeps up the beat there is, and a new drill has none yet.
      if (rod === 'slow-lift') setRod('shrink');
      setSays(null);
      setReview(null);
    },
    takeRod: (id: CadenceId) => {
      setRod(id);
      // Chosen anew, a draw goes on from where the jig is.
      if (id === rod) work(id, waterTempC);
    },
    strike: async () => {
      const take = await flasher.strike();
      setSays(take ? `Landed: ${fishLengthText(take.lengthMm, units)} at ${depthText(take.depthM, units)}.` : 'Nothing held the jig. Wait for the tip.');
    },
    note: (kind: ReactionKind, text: string) => {
      flasher.reacted(kind);
      setSays(text);
    },
    end: async () => {
      const done = await flasher.review();
      if (!done) return;
      setReview(done);
      const { decisions, score, takes, landed, refusals, logged, seconds } = done;
      await ledger.write({ id: newId(), zone: 'UTC' }, 'drill-done', {
        scene: sceneId,
        seed,
        seconds,
        decisions: decisions.length,
        ...(score === null ? {} : { score }),
        takes,
        landed,
        refusals,
        logged,
      });
    },
  };
}

type DrillControl = ReturnType<typeof useDrill>;

/** A drill: a simulated flasher with fish that answer to the jig. The learner moves it, strikes and logs; then each decision is gone through. */
export function Drill() {
  const { units } = usePreferences();
  const palette = usePalette();
  const wide = useWide();
  const drill = useDrill();
  const [coached, setCoached] = useState(false);
  const { flasher, review, scene, past } = drill;
  useShortcuts(
    wide && !review
      ? [
          { id: 'strike', label: 'Strike', icon: 'strike', shortcut: 'S', onPress: () => void drill.strike() },
          { id: 'refused', label: 'Refused', icon: 'refused', shortcut: 'R', onPress: () => drill.note('refused', 'Refusal logged.') },
        ]
      : [],
    () => undefined,
  );
  if (review) {
    const scores = past.map((d) => d.score).filter((x): x is number => x !== undefined);
    const again = () => drill.begin(scene.id);
    return <Review review={review} title={scene.title} best={scores.length > 0 ? Math.max(...scores) : null} units={units} onAgain={again} onClose={again} />;
  }
  const lesson = <DrillLesson drill={drill} coached={coached} />;
  const controls = <DrillControls drill={drill} coached={coached} onCoached={() => setCoached(!coached)} />;
  const shaft = (
    <>
      <SimulatedBand>Simulated for practice: these fish are in no water</SimulatedBand>
      <WaterColumnView flasher={flasher} units={units} iceM={null} adviceM={coached ? (flasher.frame?.advice?.jigM ?? null) : null} onJig={flasher.setLine} />
    </>
  );
  if (!wide)
    return (
      <View style={{ flex: 1 }}>
        {lesson}
        {shaft}
        {controls}
      </View>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1 }}>{shaft}</View>
      <ScrollView style={{ flexGrow: 0, width: 440, borderLeftWidth: 1, borderLeftColor: palette.line }}>
        {lesson}
        {controls}
      </ScrollView>
    </View>
  );
}

/** What the drill asks, or what the coach would say, and which drill it is. */
function DrillLesson({ drill, coached }: { drill: DrillControl; coached: boolean }) {
  const { units } = usePreferences();
  const { flasher, isTaken, scene } = drill;
  const words = coached && flasher.frame?.advice ? adviceWords(flasher.frame.advice, units) : null;
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 4, paddingBottom: 8, gap: 6 }}>
      <View aria-live="polite" style={{ minHeight: 84 }}>
        <Text heading={1} size="title">
          {isTaken ? 'Rod tip down: strike' : (words?.instruction ?? 'Read it yourself')}
        </Text>
        <Text tone="second">{isTaken ? 'It holds for two seconds and a half.' : (words?.reason ?? scene.teaches)}</Text>
      </View>
      <Choice label="Drill" options={drills.map((s) => ({ id: s.id, label: s.title }))} value={scene.id} onChange={drill.begin} />
    </View>
  );
}

/** The rod, the coach, and what the learner tells. */
function DrillControls({ drill, coached, onCoached }: { drill: DrillControl; coached: boolean; onCoached: () => void }) {
  const palette = usePalette();
  const { past, says } = drill;
  return (
    <View style={{ padding: 12, gap: 8, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.ground }}>
      <Choice label="Rod" options={rods} value={drill.rod} onChange={drill.takeRod} />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} label={coached ? 'Hide the coach' : 'Show the coach'} selected={coached} onPress={onCoached} />
        <Action grow height={64} icon="refused" label="Refused" onPress={() => drill.note('refused', 'Refusal logged.')} />
        <Action grow height={64} kind="main" icon="strike" label="Strike" onPress={() => void drill.strike()} />
      </View>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Text size="small" tone="second" aria-live="polite">
            {says ?? `Simulated on this phone; a training model, not a claim about fish.${past.length > 0 ? ` ${past.length} done.` : ''}`}
          </Text>
        </View>
        <Action height={52} label="End and review" onPress={() => void drill.end()} />
      </View>
    </View>
  );
}
