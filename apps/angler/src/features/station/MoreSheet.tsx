import type { StationState, LineState, LostAt, OutingState, ReactionKind } from '@burrow/core/ledger';
import { methodOf, sheltered, type Method } from '@burrow/core/methods';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { change, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { newId } from '@/data/ids';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import type { MarkDid } from '@burrow/core/coach';
import { LineMeasures } from './LineMeasures';
import { MoreAnswers, MoreReadings } from './MoreAnswers';
import { SchoolField } from './SchoolField';
import { Signals } from './Signals';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface Props {
  open: boolean;
  onClose: () => void;
  outing: OutingState;
  hole: StationState;
  method: Method;
  zone: string;
  line: LineState | undefined;
  jigM: number | null;
  onReact: (kind: ReactionKind, lostAt?: LostAt) => void;
  /** True depth beside the one the flasher shows; null before it is read. */
  shown: ReactNode;
  /** Opens another sheet. */
  onSheet: (sheet: 'tip-ups' | 'responses' | 'rig') => void;
  /** Whether the flasher is read by eye, and what changes that; null where it cannot be read otherwise. */
  isByEye: boolean;
  onByEye: ((byEye: boolean) => void) | null;
  /** Takes a reading by eye of what its row of keys has no room for. */
  onDid: (did: MarkDid) => void;
  /** Keeps the last minutes as an echo log; null where there is no flasher. */
  onKeep: (() => void) | null;
  log: ReactNode;
}

/** What is wanted less often at a hole: other answers, the line, a thermometer drop, other holes, the log. */
export function MoreSheet({ open, onClose, outing, hole, method, zone, line, jigM, onReact, shown, onSheet, onKeep, isByEye, onByEye, onDid, log }: Props) {
  const { isSheltered, presentation, presentations } = usePreferences();
  const { ledger } = useLedger();
  const router = useRouter();
  const scope = { id: outing.id, zone };
  // A jig that is not in the water is at no depth.
  const atM = line ? jigM : null;
  const linesHere = outing.lines.filter((l) => l.station === hole.id && l.upMs === null).length;
  const close = (then: Promise<unknown>) => void then.then(onClose);
  const changeTo = async (id: string) => {
    change({ presentation: id });
    const name = presentations.find((p) => p.id === id)?.name;
    if (!line || name === undefined || name === line.presentation) return;
    await ledger.writeAll(scope, [
      { kind: 'line-up', body: { line: line.id } },
      { kind: 'line-down', body: { line: newId(), station: hole.id, rod: line.rod, presentation: name, ...(jigM === null ? {} : { depthM: jigM }) } },
    ]);
  };
  // A school under the boat was followed straight down: the stand it was cast at is still there.
  const lastStand = outing.stations.findLast((s) => s.method !== hole.method && methodOf(s.method)?.picture === 'fan');
  const backToCasting = () =>
    ledger.writeAll(scope, [
      ...(line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : []),
      { kind: 'method-changed', body: { method: lastStand!.method } },
      { kind: 'moved', body: { fromStation: hole.id, station: lastStand!.id } },
    ]);
  const leave = async () => {
    if (line) await ledger.write(scope, 'line-up', { line: line.id });
    router.navigate('/water');
  };
  return (
    <Sheet title={`${method.station} ${hole.label}`} open={open} onClose={onClose}>
      {onByEye ? (
        <Action
          height={64}
          icon="eye"
          label={isByEye ? 'Back to the picture' : 'Quick reading off your own flasher'}
          onPress={() => {
            onByEye(!isByEye);
            onClose();
          }}
        />
      ) : null}
      {isByEye ? (
        <MoreReadings
          onDid={(did) => {
            onDid(did);
            onClose();
          }}
        />
      ) : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {method.isOnIce ? <Action grow height={64} label="Tip-ups" onPress={() => onSheet('tip-ups')} /> : null}
        <Action grow height={64} label="What they told us" onPress={() => onSheet('responses')} />
      </View>
      {method.isOnIce ? <Action height={64} label="I sit in a shelter" selected={isSheltered} onPress={() => change({ isSheltered: !isSheltered })} /> : null}
      {method.isOnIce && isSheltered ? <Caution headline={sheltered.headline}>{sheltered.text}</Caution> : null}
      <SchoolField outing={outing.id} station={hole.id} zone={zone} onLogged={onClose} />
      <MoreAnswers
        onReact={(kind, lostAt) => {
          onReact(kind, lostAt);
          onClose();
        }}
      />
      {linesHere > 1 ? <Text size="small">Lines crossed: who has the fish lifts, the other opens the reel. One fish, one bite: log it once.</Text> : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {line ? <Action grow height={64} label="Line up" onPress={() => close(ledger.write(scope, 'line-up', { line: line.id }))} /> : null}
        {lastStand ? <Action grow height={64} icon="cast" label="Back to casting" onPress={() => close(backToCasting())} /> : null}
        <Action grow height={64} icon="walk" label={`Leave this ${method.station.toLowerCase()}`} onPress={() => close(leave())} />
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>On the line</Text>
        {presentations.length === 0 ? (
          <Action height={64} label="Nobody has said: fill the tackle box" onPress={() => router.navigate('/gear')} />
        ) : (
          <Choice label="Presentation" wrap options={presentations.map((p) => ({ id: p.id, label: p.name }))} value={presentation} onChange={(id) => void changeTo(id)} />
        )}
      </View>
      <LineMeasures scope={scope} station={hole.id} atM={atM} shown={shown} onLogged={onClose} />
      <Signals />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} label="What to tie on" onPress={() => router.navigate('/tie-on')} />
        <Action grow height={64} label="Rig on the spot" onPress={() => onSheet('rig')} />
        {onKeep ? <Action grow height={64} icon="download" label="Keep as echo log" onPress={onKeep} /> : null}
      </View>
      {outing.stations.length > 1 ? (
        <View style={{ gap: 6 }}>
          <Text strong>Go back to</Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {outing.stations
              .filter((h) => h.id !== hole.id)
              .map((h) => (
                <Action
                  key={h.id}
                  label={`${method.station} ${h.label}`}
                  onPress={() =>
                    close(
                      ledger.writeAll(scope, [
                        ...(line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : []),
                        { kind: 'moved', body: { fromStation: hole.id, station: h.id } },
                      ]),
                    )
                  }
                />
              ))}
          </View>
        </View>
      ) : null}
      <View>
        <Text strong>{`This ${method.station.toLowerCase()}`}</Text>
        {log}
      </View>
    </Sheet>
  );
}
