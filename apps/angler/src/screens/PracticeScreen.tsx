import { adviceWords, cadences, pauseSeconds, type CadenceId } from '@burrow/core/coach';
import { scenes } from '@burrow/core/simulator';
import { depthText, fishLengthText } from '@burrow/core/units';
import { useCallback, useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/components/Action';
import { Choice } from '@/components/Choice';
import { Shaft } from '@/components/shaft/Shaft';
import { useWide } from '@/components/shell/Shell';
import { useTaken } from '@/components/useTaken';
import { Words } from '@/components/Words';
import { useFlasher } from '@/data/flasher';
import { usePreferences } from '@/data/preferences';
import { usePalette } from '@/theme/theme';

/** How the learner may work the rod. */
const rods: { id: CadenceId; label: string }[] = [
  { id: 'deadstick', label: 'Still' },
  { id: 'shrink', label: 'Small, slow' },
  { id: 'bounce', label: 'Bounce' },
  { id: 'call', label: 'Call' },
];
const drills = scenes.filter((s) => s.visitMin > 0 || s.id === 'empty');
const practiceWaterC = 4;

/** Can I read it? A simulated flasher with fish that answer to the jig. */
export function PracticeScreen() {
  const { units, species } = usePreferences();
  const palette = usePalette();
  const wide = useWide();
  const [sceneId, setScene] = useState(drills[0].id);
  const [seed, setSeed] = useState(1);
  const [rod, setRod] = useState<CadenceId>('bounce');
  const [coached, setCoached] = useState(false);
  const [tally, setTally] = useState({ takes: 0, landed: 0, early: 0 });
  const [says, setSays] = useState<string | null>(null);
  const flasher = useFlasher({ mode: 'local', speciesId: species, waterTempC: practiceWaterC, sceneId, seed });
  const { frame, setRod: workRod } = flasher;

  const countTake = useCallback(() => setTally((t) => ({ ...t, takes: t.takes + 1 })), []);
  const isTaken = useTaken(flasher, countTake);
  const running = frame !== null;
  useEffect(() => {
    if (!running) return;
    const { liftM, beatPerMin, pauseFactor } = cadences[rod];
    void workRod({ liftM, beatPerMin, pauseS: pauseSeconds(practiceWaterC) * pauseFactor });
  }, [rod, running, sceneId, seed, workRod]);

  const begin = (id: string) => {
    setScene(id);
    setSeed((s) => s + 1);
    setTally({ takes: 0, landed: 0, early: 0 });
    setSays(null);
  };
  const strike = async () => {
    const take = await flasher.strike();
    setTally((t) => (take ? { ...t, landed: t.landed + 1 } : { ...t, early: t.early + 1 }));
    setSays(take ? `Landed: ${fishLengthText(take.lengthMm, units)} at ${depthText(take.depthM, units)}.` : 'Nothing held the jig. Wait for the tip.');
  };

  const words = frame?.advice && adviceWords(frame.advice, units);
  const headline = isTaken ? 'Rod tip down: strike' : coached && words ? words.instruction : 'Read it yourself';
  const detail = isTaken
    ? 'It holds for two seconds and a half.'
    : coached && words
      ? words.reason
      : 'Drag the jig, choose how the rod works, watch what they do. Simulated on this phone; a training model, not a claim about fish.';
  const lesson = (
    <View style={{ padding: 16, paddingBottom: 8, gap: 6 }}>
      <View aria-live="polite" style={{ minHeight: 104 }}>
        <Words heading={1} size="title">
          {headline}
        </Words>
        <Words tone="second">{detail}</Words>
      </View>
      <Choice label="Drill" options={drills.map((s) => ({ id: s.id, label: s.title }))} value={sceneId} onChange={begin} />
    </View>
  );
  const controls = (
    <View style={{ padding: 12, gap: 10, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.ground }}>
      <Choice label="Rod" options={rods} value={rod} onChange={setRod} />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} label={coached ? 'Hide the coach' : 'Show the coach'} selected={coached} onPress={() => setCoached(!coached)} />
        <Action grow height={64} kind="main" icon="strike" label="Strike" onPress={() => void strike()} />
      </View>
      <Words size="small" tone="second" aria-live="polite">
        {`${says ?? ''} ${tally.takes} takes, ${tally.landed} landed, ${tally.early} struck at nothing.`.trim()}
      </Words>
    </View>
  );
  const shaft = <Shaft flasher={flasher} units={units} iceM={0.28} adviceM={coached ? (frame?.advice?.jigM ?? null) : null} onJig={flasher.setLine} />;
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
