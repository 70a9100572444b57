import type { StationState, LineState, LostAt, OutingState, ReactionKind } from '@burrow/core/ledger';
import { methodOf, sheltered, type Method } from '@burrow/core/methods';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { builtTube, change, preferences, useOnTheLine, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { newId } from '@/data/ids';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import type { MarkDid } from '@burrow/core/coach';
import { CrossedLines } from './CrossedLines';
import { LineMeasures } from './LineMeasures';
import { MoreAnswers, MoreReadings } from './MoreAnswers';
import { SchoolField } from './SchoolField';
import { Signals } from './Signals';
import { TornBait } from './TornBait';
import { TubeField } from './TubeField';
import { TurnBackNote } from './TurnBackNote';
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
  onReact: (kind: ReactionKind, lostAt?: LostAt, isSame?: true) => void;
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

/** What changes the line or the place: another presentation, back to casting, another station, leaving. Each lifts the line first. */
function useMoves({ outing, hole, zone, line, jigM }: Pick<Props, 'outing' | 'hole' | 'zone' | 'line' | 'jigM'>) {
  const { ledger } = useLedger();
  const router = useRouter();
  const scope = { id: outing.id, zone };
  const lifted = line ? [{ kind: 'line-up' as const, body: { line: line.id } }] : [];
  // A school under the boat was followed straight down: the stand it was cast at is still there.
  const lastStand = outing.stations.findLast((s) => s.method !== hole.method && methodOf(s.method)?.picture === 'fan');
  return {
    scope,
    changeTo: async (id: string) => {
      change({ presentation: id });
      const piece = preferences.get().presentations.find((p) => p.id === id);
      if (!line || !piece || piece.name === line.presentation) return;
      await ledger.writeAll(scope, [
        ...lifted,
        { kind: 'line-down', body: { line: newId(), station: hole.id, rod: line.rod, presentation: piece.name, ...builtTube(piece), ...(jigM === null ? {} : { depthM: jigM }) } },
      ]);
    },
    lift: line ? () => ledger.writeAll(scope, lifted) : null,
    backToCasting: lastStand
      ? () =>
          ledger.writeAll(scope, [
            ...lifted,
            { kind: 'method-changed', body: { method: lastStand.method } },
            { kind: 'moved', body: { fromStation: hole.id, station: lastStand.id } },
          ])
      : null,
    goTo: (station: string) => ledger.writeAll(scope, [...lifted, { kind: 'moved', body: { fromStation: hole.id, station } }]),
    leave: async () => {
      if (lifted.length > 0) await ledger.writeAll(scope, lifted);
      router.navigate('/water');
    },
  };
}

/** What is wanted less often at a hole: other answers, the line, a thermometer drop, other holes, the log. */
export function MoreSheet(props: Props) {
  const { open, onClose, outing, hole, method, zone, line, jigM, onReact, shown, onSheet, onKeep, log } = props;
  const { presentation, presentations } = usePreferences();
  const router = useRouter();
  const { ledger } = useLedger();
  const moves = useMoves(props);
  const piece = useOnTheLine(hole.method);
  const close = (then: Promise<unknown>) => void then.then(onClose);
  const linesHere = outing.lines.filter((l) => l.station === hole.id && l.upMs === null).length;
  const others = outing.stations.filter((h) => h.id !== hole.id);
  const { lift, backToCasting } = moves;
  return (
    <Sheet title={`${method.station} ${hole.label}`} open={open} onClose={onClose}>
      <ByEye {...props} />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {method.isOnIce ? <Action grow height={64} label="Tip-ups" onPress={() => onSheet('tip-ups')} /> : null}
        <Action grow height={64} label="What they told us" onPress={() => onSheet('responses')} />
      </View>
      {method.isOnIce ? <Shelter /> : <Afloat outing={outing} at={hole.at} zone={zone} />}
      {method.isOnIce ? <PinchOfFeed outing={outing} hole={hole} onFed={() => close(ledger.write(moves.scope, 'fed', { station: hole.id, what: 'pinch of feed' }))} /> : null}
      <SchoolField outing={outing} station={hole.id} zone={zone} onLogged={onClose} />
      <MoreAnswers
        isOnIce={method.isOnIce}
        onReact={(kind, lostAt, isSame) => {
          onReact(kind, lostAt, isSame);
          onClose();
        }}
      />
      <TornBait outing={outing} station={hole.id} zone={zone} onLogged={onClose} />
      <Action height={64} label="Snagged" onPress={() => close(ledger.write(moves.scope, 'felt', { station: hole.id, what: 'snag', bearingDeg: 0, outM: 0, by: 'eye' }))} />
      {linesHere > 1 ? <CrossedLines outing={outing} station={hole.id} zone={zone} onLogged={onClose} /> : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {lift ? <Action grow height={64} label="Line up" onPress={() => close(lift())} /> : null}
        {backToCasting ? <Action grow height={64} icon="cast" label="Back to casting" onPress={() => close(backToCasting())} /> : null}
        <Action grow height={64} icon="walk" label={`Leave this ${method.station.toLowerCase()}`} onPress={() => close(moves.leave())} />
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>On the line</Text>
        {presentations.length === 0 ? (
          <Action height={64} label="Nobody has said: fill the tackle box" onPress={() => router.navigate('/gear')} />
        ) : (
          <Choice label="Presentation" wrap options={presentations.map((p) => ({ id: p.id, label: p.name }))} value={presentation} onChange={(id) => void moves.changeTo(id)} />
        )}
      </View>
      {piece?.tackle?.family === 'tube' ? <TubeField key={piece.id} piece={piece} onBuilt={(id) => close(moves.changeTo(id))} /> : null}
      {/* A jig that is not in the water is at no depth. */}
      <LineMeasures scope={moves.scope} station={hole.id} atM={line ? jigM : null} shown={shown} onLogged={onClose} />
      {method.isOnIce ? <RoundSwitch /> : null}
      <Signals />
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow height={64} label="What to tie on" onPress={() => router.navigate('/tie-on')} />
        <Action grow height={64} label="Rig on the spot" onPress={() => onSheet('rig')} />
        {onKeep ? <Action grow height={64} icon="download" label="Keep as echo log" onPress={onKeep} /> : null}
      </View>
      {others.length > 0 ? (
        <View style={{ gap: 6 }}>
          <Text strong>Go back to</Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {others.map((h) => (
              <Action key={h.id} label={`${method.station} ${h.label}`} onPress={() => close(moves.goTo(h.id))} />
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

/** Reading the flasher by eye instead of by the picture, and what its row of keys has no room for. */
function ByEye({ isByEye, onByEye, onDid, onClose }: Props) {
  return (
    <>
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
    </>
  );
}

/** What the cold and a craft ask for, in one tap. */
function Afloat({ outing, at, zone }: { outing: OutingState; at: StationState['at']; zone: string }) {
  return (
    <View style={{ gap: 4 }}>
      <Text strong>Line in the propeller: engine off first.</Text>
      <TurnBackNote outing={outing} at={at} zone={zone} />
    </View>
  );
}

const rounds = [
  { id: 'by-fish', label: 'By the fish' },
  { id: 'round', label: 'Look into all first' },
  { id: 'two-holes', label: 'Two holes, and wait' },
] as const;

/** Where good anglers differ: a round of looks first, or two holes that are waited at. */
function RoundSwitch() {
  const { holeRound } = usePreferences();
  return (
    <View style={{ gap: 6 }}>
      <Text strong>Several holes</Text>
      <Choice label="Several holes" wrap options={rounds} value={holeRound} onChange={(side) => change({ holeRound: side })} />
    </View>
  );
}

/** Whether one sits in a shelter, and the caution that goes with it. */
function Shelter() {
  const { isSheltered } = usePreferences();
  return (
    <>
      <Action height={64} label="I sit in a shelter" selected={isSheltered} onPress={() => change({ isSheltered: !isSheltered })} />
      {isSheltered ? <Caution headline={sheltered.headline}>{sheltered.text}</Caution> : null}
    </>
  );
}

/** One pinch of feed down the hole, where the law allows it and one stays: a second one feeds them. */
function PinchOfFeed({ outing, hole, onFed }: { outing: OutingState; hole: StationState; onFed: () => void }) {
  const isFed = outing.feeds.some((f) => f.station === hole.id);
  return (
    <View style={{ gap: 4 }}>
      <Action height={64} label={isFed ? 'Another pinch of feed' : 'A pinch of feed'} onPress={onFed} />
      <Text size="small" tone={isFed ? 'straw' : 'second'}>
        {isFed ? 'Fed here already: with a second pinch they eat that, not the jig.' : 'Where your rules allow feed, and only if you stay: one pinch, no more.'}
      </Text>
    </View>
  );
}
