import { clockText } from '@burrow/core/units';
import { weatherAt } from '@burrow/core/weather';
import { lazy, Suspense, type ReactNode } from 'react';
import { useWater, useWeather } from '@/data/water';
import { FishSheet } from './FishSheet';
import { MoreSheet } from './MoreSheet';
import { PlanNote } from '@/features/outlook/PlanNote';
import { ReadingSheet } from './reading/ReadingSheet';
import { Sheet } from '@/ui/Sheet';
import type { ThumbKey } from '@/ui/ThumbBar';
import { Text } from '@/ui/Text';
import { RigSheet } from './RigSheet';
import { ShownDepth } from './ShownDepth';
import { TipUpSheet } from './TipUpSheet';
import { ResponseSheet } from './ResponseSheet';
import type { HoleControl } from './useHole';

const UndoSnackbar = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.UndoSnackbar })));

/** Beam of a flasher whose own is not known, °. Heuristic. */
const readingBeamDeg = 20;

/** Everything that opens over the hole. */
export function HoleSheets({ control, keys, log, wide }: { control: HoleControl; keys: readonly ThumbKey[]; log: ReactNode; wide: boolean }) {
  const { outing, hole, method, isDemo, units, zone, now, flasher, answers, heard, clock, prior, line, fishOn, jigM, bottomM, setting } = control;
  const { sheet, setSheet, said, setSaid, openFish, undo, react, takeReading, fishLogged, keepLog } = control;
  const { water } = useWater();
  const weather = useWeather(water?.id).data?.value;
  const { frame } = flasher;
  return (
    <>
      <FishSheet
        open={sheet === 'fish'}
        onClose={() => setSheet(null)}
        outing={outing}
        zone={zone}
        station={fishOn?.station ?? hole.id}
        line={fishOn?.id ?? line?.id}
        depthM={fishOn ? (fishOn.depths.at(-1)?.depthM ?? null) : jigM}
        bottomM={bottomM}
        airC={weather ? (weatherAt(weather.series, now)?.airC ?? null) : null}
        onLogged={fishLogged}
      />
      <MoreSheet
        open={sheet === 'more'}
        onClose={() => setSheet(null)}
        outing={outing}
        hole={hole}
        method={method}
        zone={zone}
        line={line}
        jigM={jigM}
        onReact={(kind) => void react(kind)}
        onSheet={setSheet}
        onKeep={isDemo ? () => void keepLog() : null}
        shown={frame && bottomM !== null ? <ShownDepth header={frame.header} bottomM={bottomM} units={units} /> : null}
        log={log}
      />
      {sheet === 'tip-ups' ? (
        <TipUpSheet onClose={() => setSheet(null)} outing={outing} hole={hole} zone={zone} units={units} bottomM={bottomM} nowMs={now} onFish={openFish} />
      ) : null}
      {sheet === 'responses' ? <ResponseSheet outing={outing} memory={heard ?? answers} units={units} onClose={() => setSheet(null)} /> : null}
      {sheet === 'rig' ? <RigSheet jigM={jigM ?? bottomM} drifts={!method.isOnIce} units={units} onClose={() => setSheet(null)} /> : null}
      {sheet === 'reading' ? (
        <ReadingSheet
          memory={isDemo ? heard : answers}
          expectedM={hole.mapDepthM}
          onClose={() => setSheet(null)}
          setting={{ ...setting, beamDeg: readingBeamDeg }}
          bottomM={bottomM}
          jigM={jigM}
          units={units}
          onTake={takeReading}
        />
      ) : null}
      <Sheet title={clock.leftMin === 0 ? 'Move on' : `Stay until ${clockText(clock.stayUntilMs, zone)}`} open={sheet === 'clock'} onClose={() => setSheet(null)}>
        <Text>{clock.reason}</Text>
        <PlanNote plan={outing.plan} nowMs={now} timeZone={zone} />
        <Text tone="second">{`Weighed against ${clock.elsewherePerHour.toFixed(1)} fish seen an hour elsewhere, ${prior.moveMin} minutes for the move already paid. Each look, refusal and bite moves it.`}</Text>
      </Sheet>
      <Sheet title="Keys" open={sheet === 'help'} onClose={() => setSheet(null)}>
        {keys.map((k) => (
          <Text key={k.id}>{`${k.shortcut}: ${k.label}`}</Text>
        ))}
        <Text>Arrow up and down on the shaft move the jig.</Text>
      </Sheet>
      {said === null ? null : (
        <Suspense fallback={null}>
          <UndoSnackbar key={said.undo} text={said.text} onUndo={() => undo(said.undo)} onDismiss={() => setSaid(null)} liftPx={wide ? 0 : 96} />
        </Suspense>
      )}
    </>
  );
}
