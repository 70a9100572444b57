import { clockText } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { useOutlook } from '@/data/outlook';
import { FishSheet } from './FishSheet';
import { MoreSheet } from './MoreSheet';
import { PlanNote } from '@/features/outlook/PlanNote';
import { KeysSheet } from '@/ui/KeysSheet';
import { Sheet } from '@/ui/Sheet';
import type { ThumbKey } from '@/ui/ThumbBar';
import { Text } from '@/ui/Text';
import { RigSheet } from './RigSheet';
import { ShownDepth } from './ShownDepth';
import { TipUpSheet } from './TipUpSheet';
import { ResponseSheet } from './ResponseSheet';
import type { HoleControl } from './useHole';

/** Everything that opens over the hole. */
export function HoleSheets({ control, keys, log }: { control: HoleControl; keys: readonly ThumbKey[]; log: ReactNode }) {
  const { outing, hole, method, hasFlasher, isByEye, setReadingByEye, units, zone, now, flasher, answers, heard, clock, prior, line, fishOn, jigM, bottomM, advice, words } =
    control;
  const { sheet, setSheet, openFish, react, takeReading, fishLogged, keepLog } = control;
  const airC = useOutlook().situation?.airC?.value ?? null;
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
        airC={airC}
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
        onKeep={hasFlasher ? () => void keepLog() : null}
        isByEye={isByEye}
        onByEye={hasFlasher ? setReadingByEye : null}
        onDid={takeReading}
        shown={frame && bottomM !== null ? <ShownDepth header={frame.header} bottomM={bottomM} units={units} /> : null}
        log={log}
      />
      {sheet === 'tip-ups' ? (
        <TipUpSheet onClose={() => setSheet(null)} outing={outing} hole={hole} zone={zone} units={units} bottomM={bottomM} nowMs={now} onFish={openFish} />
      ) : null}
      {sheet === 'responses' ? <ResponseSheet outing={outing} memory={heard ?? answers} units={units} onClose={() => setSheet(null)} /> : null}
      {sheet === 'rig' ? <RigSheet jigM={jigM ?? bottomM} drifts={!method.isOnIce} units={units} onClose={() => setSheet(null)} /> : null}
      <Sheet title={clock.leftMin === 0 ? 'Move on' : `Stay until ${clockText(clock.stayUntilMs, zone)}`} open={sheet === 'clock'} onClose={() => setSheet(null)}>
        <Text>{clock.reason}</Text>
        <PlanNote plan={outing.plan} nowMs={now} timeZone={zone} />
        <Text tone="second">{`Weighed against ${clock.elsewherePerHour.toFixed(1)} fish seen an hour elsewhere, ${prior.moveMin} minutes for the move already paid. Each look, refusal and bite moves it.`}</Text>
      </Sheet>
      <Sheet title={words?.instruction ?? 'Why'} open={sheet === 'why'} onClose={() => setSheet(null)}>
        <Text>{words ? `${words.reason} ${words.then}` : ''}</Text>
        {advice ? <Text>{`What would change it: ${advice.changesMind}`}</Text> : null}
        {advice?.suggestion ? <Text strong>{advice.suggestion.text}</Text> : null}
      </Sheet>
      <KeysSheet keys={keys} arrows="Arrow up and down on the shaft move the jig." open={sheet === 'help'} onClose={() => setSheet(null)} />
    </>
  );
}
