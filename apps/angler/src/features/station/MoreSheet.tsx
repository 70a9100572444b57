import type { StationState, LineState, OutingState, ReactionKind } from '@burrow/core/ledger';
import { methodOf, type Method } from '@burrow/core/methods';
import { clamp, depthText, metresPerDepthUnit, tempText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { change, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { newId } from '@/data/ids';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import type { MarkDid } from '@burrow/core/coach';
import { reactionWords } from '@/features/entries/kinds';
import { marksDid } from './reading/useReading';
import { SchoolField } from './SchoolField';
import { Signals } from './Signals';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
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
  onReact: (kind: ReactionKind) => void;
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

/** Where setting a temperature, °C, and a clarity, m, begin. */
const [startC, startSecchiM] = [4, 3];

const others: ReactionKind[] = ['stalled', 'followed', 'chased', 'ignored', 'nipped', 'robbed', 'fled', 'lost'];

/** What is wanted less often at a hole: other answers, the line, a thermometer drop, other holes, the log. */
export function MoreSheet({ open, onClose, outing, hole, method, zone, line, jigM, onReact, shown, onSheet, onKeep, isByEye, onByEye, onDid, log }: Props) {
  const { units, presentation, presentations } = usePreferences();
  const { ledger } = useLedger();
  const router = useRouter();
  const [tempC, setTempC] = useState<number | null>(null);
  const [secchiM, setSecchi] = useState<number | null>(null);
  const scope = { id: outing.id, zone };
  // A jig that is not in the water is at no depth.
  const atM = line ? jigM : null;
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
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {marksDid
            .filter((d) => d.icon === null)
            .map((d) => (
              <Action
                key={d.id}
                height={64}
                label={d.label}
                spoken={`Reading: ${d.label.toLowerCase()}`}
                onPress={() => {
                  onDid(d.id);
                  onClose();
                }}
              />
            ))}
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {method.isOnIce ? <Action grow height={64} label="Tip-ups" onPress={() => onSheet('tip-ups')} /> : null}
        <Action grow height={64} label="What they told us" onPress={() => onSheet('responses')} />
      </View>
      <SchoolField outing={outing.id} station={hole.id} zone={zone} onLogged={onClose} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {others.map((kind) => (
          <Action
            key={kind}
            height={64}
            label={reactionWords[kind]}
            onPress={() => {
              onReact(kind);
              onClose();
            }}
          />
        ))}
      </View>
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
      <View style={{ gap: 8 }}>
        <Stepper
          label="Water at the jig"
          text={tempC === null ? null : tempText(tempC, units)}
          onStep={(d) => setTempC((t) => (t === null ? startC : clamp(t + d * (units.temp === 'F' ? 1 / 1.8 : 0.5), 0, 20)))}
          onClear={() => setTempC(null)}
          hint="Read off a thermometer; it sets the pauses, and makes depths true."
        />
        {atM === null ? <Text size="small">Lower the line first: a temperature is logged with the depth of the jig it was read at.</Text> : null}
        {shown}
        <Action
          label="Log this temperature"
          disabled={atM === null || tempC === null}
          onPress={() => close(ledger.write(scope, 'temperature-measured', { station: hole.id, depthM: atM!, tempC: tempC! }))}
        />
      </View>
      <View style={{ gap: 8 }}>
        <Stepper
          label="Clarity"
          text={secchiM === null ? null : depthText(secchiM, units)}
          onStep={(d) => setSecchi((m) => (m === null ? startSecchiM : clamp(m + d * metresPerDepthUnit(units) * 0.5, 0.15, 30)))}
          onClear={() => setSecchi(null)}
          hint="Where a white disc, or the jig, is lost from sight. It sets how deep light reaches."
        />
        <Action label="Log this clarity" disabled={secchiM === null} onPress={() => close(ledger.write(scope, 'clarity-measured', { station: hole.id, secchiM: secchiM! }))} />
      </View>
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
