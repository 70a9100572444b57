import { clockText } from '@burrow/core/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useOutlook } from '@/data/outlook';
import { change, usePreferences } from '@/data/preferences';
import { FishSheet } from './FishSheet';
import { MoreSheet } from './MoreSheet';
import { PlanNote } from '@/features/outlook/PlanNote';
import { Choice } from '@/ui/Choice';
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
  const { units } = usePreferences();
  const { outing, hole, method, zone, now, listener, line, fishOn, sheet, show } = control;
  const { hasFlasher, isByEye, setReadingByEye, flasher, memory, jigM, bottomM } = listener;
  const { react, takeReading, landed, keepEchoes } = control.log;
  const close = () => show(null);
  const airC = useOutlook().situation?.airC?.value ?? null;
  const { frame } = flasher;
  return (
    <>
      <FishSheet
        open={sheet === 'fish'}
        onClose={close}
        outing={outing}
        zone={zone}
        station={fishOn?.station ?? hole.id}
        line={fishOn?.id ?? line?.id}
        depthM={fishOn ? (fishOn.depths.at(-1)?.depthM ?? null) : jigM}
        bottomM={bottomM}
        airC={airC}
        onLogged={landed}
      />
      <MoreSheet
        open={sheet === 'more'}
        onClose={close}
        outing={outing}
        hole={hole}
        method={method}
        zone={zone}
        line={line}
        jigM={jigM}
        onReact={(kind, lostAt, isSame) => void react(kind, undefined, lostAt, isSame)}
        onSheet={show}
        onKeep={hasFlasher ? () => void keepEchoes() : null}
        isByEye={isByEye}
        onByEye={hasFlasher ? setReadingByEye : null}
        onDid={takeReading}
        shown={frame && bottomM !== null ? <ShownDepth header={frame.header} bottomM={bottomM} units={units} /> : null}
        log={log}
      />
      {sheet === 'tip-ups' ? (
        <TipUpSheet onClose={close} outing={outing} hole={hole} zone={zone} units={units} bottomM={bottomM} nowMs={now} onFish={(from) => show('fish', from)} />
      ) : null}
      {sheet === 'responses' ? <ResponseSheet outing={outing} memory={memory} units={units} onClose={close} /> : null}
      {sheet === 'rig' ? <RigSheet jigM={jigM ?? bottomM} drifts={!method.isOnIce} units={units} onClose={close} /> : null}
      <ClockSheet control={control} onClose={close} />
      <WhySheet control={control} onClose={close} />
      <KeysSheet keys={keys} arrows="Arrow up and down on the shaft move the jig." open={sheet === 'help'} onClose={close} />
    </>
  );
}

/** Why stay, and until when. */
function ClockSheet({ control: { outing, zone, now, clock, round, prior, sheet }, onClose }: { control: HoleControl; onClose: () => void }) {
  if (round)
    return (
      <Sheet title={round.headline} open={sheet === 'clock'} onClose={onClose}>
        <Text>{round.detail}</Text>
        <PlanNote plan={outing.plan} nowMs={now} timeZone={zone} />
      </Sheet>
    );
  return (
    <Sheet title={clock.leftMin === 0 ? 'Move on' : `Stay until ${clockText(clock.stayUntilMs, zone)}`} open={sheet === 'clock'} onClose={onClose}>
      <Text>{clock.reason}</Text>
      <PlanNote plan={outing.plan} nowMs={now} timeZone={zone} />
      <Text tone="second">{`Weighed against ${clock.elsewherePerHour.toFixed(1)} fish seen an hour elsewhere, ${prior.moveMin} minutes for the move already paid. Each look, refusal and bite moves it.`}</Text>
    </Sheet>
  );
}

/** Why the bait is moved as it is, and what would change that. */
function WhySheet({ control: { listener, sheet }, onClose }: { control: HoleControl; onClose: () => void }) {
  const { advice, family, words } = listener;
  return (
    <Sheet title={words?.instruction ?? 'Why'} open={sheet === 'why'} onClose={onClose}>
      <Text>{words ? `${words.reason} ${words.then}` : ''}</Text>
      {advice ? <Text>{`What would change it: ${advice.changesMind}`}</Text> : null}
      {advice?.suggestion ? <Text strong>{advice.suggestion.text}</Text> : null}
      {family === 'live-bait' ? <LiveBaitSide /> : null}
    </Sheet>
  );
}

/** Good anglers differ on how live bait meets them; both sides are kept. */
function LiveBaitSide() {
  const { hangsAbove } = usePreferences();
  return (
    <View style={{ gap: 6 }}>
      <Text strong>Live bait: from below, or hung above?</Text>
      <Choice
        label="Live bait: from below, or hung above?"
        options={[
          { id: 'through', label: 'Drawn up through them' },
          { id: 'above', label: 'Hung above' },
        ]}
        value={hangsAbove ? 'above' : 'through'}
        onChange={(side) => change({ hangsAbove: side === 'above' })}
      />
    </View>
  );
}
