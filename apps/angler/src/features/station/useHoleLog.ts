import type { LostAt, LineState, OutingState, ReactionKind, StationState } from '@burrow/core/ledger';
import { saveFile } from '@/data/files';
import { newId } from '@/data/ids';
import { builtTube, tied, unsaidBait, useOnTheLine } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { reactionWords } from '@/features/entries/kinds';
import { marksDid } from './reading/useReading';
import type { Listener } from './useListener';
import { useLogged, type Thing } from './useLogged';

interface HoleLogSetting {
  outing: OutingState;
  hole: StationState;
  zone: string;
  line: LineState | undefined;
  listener: Listener;
  /** The line that a fish is being logged from, where it is another than the rod's: a tip-up. */
  fishOn: LineState | undefined;
  onClose: () => void;
}

/** How far the jig of a reading may lie from the line's last depth before it is written anew, m. */
const sameDepthM = 0.05;

/** What can be logged at a hole, each with what is known of it and no more. */
export function useHoleLog({ outing, hole, zone, line, listener, fishOn, onClose }: HoleLogSetting) {
  const { ledger } = useLedger();
  const piece = useOnTheLine(hole.method);
  const { flasher, reading, advice, jigM, bottomM, lineM } = listener;
  const scope = { id: outing.id, zone };
  const { said, setSaid, undo, log } = useLogged(scope);
  const bait = piece?.name ?? unsaidBait;
  const lowered = (depthM: number | null): Thing & { kind: 'line-down' } => ({
    kind: 'line-down',
    body: { line: newId(), station: hole.id, rod: 'rod 1', ...tied(piece), ...builtTube(piece), ...(depthM === null ? {} : { depthM }) },
  });
  const react = async (reaction: ReactionKind, atM = jigM, lostAt?: LostAt, isSame?: true) => {
    const body = {
      station: hole.id,
      reaction,
      ...(line ? { line: line.id } : {}),
      ...(atM === null ? {} : { depthM: atM }),
      ...(bottomM === null ? {} : { bottomM }),
      ...(advice ? { cadence: advice.cadence.id } : {}),
      ...(lostAt ? { lostAt } : {}),
      ...(isSame ? { isSame } : {}),
    };
    await log(`${reactionWords[reaction]} logged`, [{ kind: 'reaction', body }]);
    flasher.reacted(reaction);
    if (reaction === 'bite') await flasher.strike();
  };
  /** What the sounder shows in the hole before a line goes in. */
  const looked = (saw: 'school' | 'empty', topM: number | null) =>
    log(saw === 'school' ? 'Marks in this hole' : 'Nothing in this hole', [
      {
        kind: 'felt',
        body: { station: hole.id, what: saw, bearingDeg: 0, outM: 0, by: 'eye', ...(topM === null ? {} : { topM }), ...(bottomM === null ? {} : { bottomM }) },
      },
    ]);
  const lowerLine = () => log(`Line down: ${bait}`, [lowered(jigM)]);
  /** The jig goes to a depth. */
  const setJig = (depthM: number, handMs?: number | null) => {
    flasher.setLine(depthM, handMs);
    reading.moved(depthM);
    if (line) void ledger.write(scope, 'depth-set', { line: line.id, depthM });
  };
  /** A reading by eye: the coach answers it, where the jig hung is logged, and what the mark did. */
  const takeReading = (did: Parameters<typeof reading.take>[0]) => {
    const taken = reading.take(did);
    if (!taken) return;
    const { reaction } = marksDid.find((m) => m.id === did)!;
    if (line) {
      if (lineM === null || Math.abs(taken.jigM - lineM) > sameDepthM) void ledger.write(scope, 'depth-set', { line: line.id, depthM: taken.jigM });
      if (reaction) void react(reaction, taken.jigM);
      return;
    }
    // Who reads a jig has it in the water.
    const down = lowered(taken.jigM);
    const answer = { station: hole.id, line: down.body.line, depthM: taken.jigM, bottomM: taken.bottomM };
    void log(`Line down: ${bait}`, [down, ...(reaction ? [{ kind: 'reaction' as const, body: { ...answer, reaction } }] : [])]);
  };
  const keepEchoes = async () => {
    const text = await flasher.log();
    if (text !== null) saveFile(`hole-${hole.label}.echo.ndjson`, 'application/x-ndjson', text);
    onClose();
  };
  const landed = (id: string, text: string) => {
    setSaid({ text, undo: [id] });
    if (fishOn) void ledger.write(scope, 'line-up', { line: fishOn.id });
    else flasher.reacted('landed');
    onClose();
  };
  return { said, setSaid, undo, bait, react, looked, lowerLine, setJig, takeReading, keepEchoes, landed };
}
