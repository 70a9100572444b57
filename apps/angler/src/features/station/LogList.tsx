import { bearingText, castText, feltWords } from '@burrow/core/casting';
import { speciesOf, speciesTable } from '@burrow/core/fish';
import type { LogEntry, OutingState, StationState } from '@burrow/core/ledger';
import { methodOf } from '@burrow/core/methods';
import { changeRules, quietRules } from '@burrow/core/pole';
import { clockText, currentText, depthFine, depthText, fishLengthText, iceText, tempText, weightText, type UnitPreference } from '@burrow/core/units';
import { View } from 'react-native';
import { unsaidBait } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

export const reactionWords: Record<string, string> = {
  looked: 'Looked',
  stalled: 'Stalled',
  followed: 'Followed',
  refused: 'Refused',
  fled: 'Fled',
  nipped: 'Nipped',
  bite: 'Bite',
  missed: 'Missed',
  hooked: 'Hooked',
  lost: 'Lost',
};

/** What was logged, latest first, each with its undo. */
export function LogList({
  outing,
  entries,
  units,
  timeZone,
  onUndo,
  onCorrect,
  isCorrectable,
}: {
  outing: OutingState;
  entries: readonly LogEntry[];
  units: UnitPreference;
  timeZone: string;
  onUndo: (id: string) => void;
  /** Opens an entry whose figures can be put right. */
  onCorrect?: (entry: LogEntry) => void;
  isCorrectable?: (entry: LogEntry) => boolean;
}) {
  const palette = usePalette();
  if (entries.length === 0) return <Text tone="second">Nothing logged yet.</Text>;
  return (
    <View>
      {[...entries].reverse().map((entry) => {
        const { what, detail, isFish } = wordsOf(entry, outing, units);
        return (
          <View key={entry.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48, borderTopWidth: 1, borderTopColor: palette.line }}>
            <Text size="small" tone="second">
              {clockText(entry.ms, timeZone)}
            </Text>
            <Text size="small" strong tone={isFish ? 'kelp' : 'ink'} style={{ width: 78 }}>
              {what}
            </Text>
            <Text size="small" tone="second" style={{ flex: 1 }}>
              {detail}
            </Text>
            {onCorrect && isCorrectable?.(entry) ? (
              <Action kind="bare" label="" icon="edit" spoken={`Correct ${what} ${clockText(entry.ms, timeZone)}`} height={48} onPress={() => onCorrect(entry)} />
            ) : null}
            <Action kind="bare" label="Undo" spoken={`Undo ${what} ${clockText(entry.ms, timeZone)}`} height={48} onPress={() => onUndo(entry.id)} />
          </View>
        );
      })}
    </View>
  );
}

const sizeWords = (fish: OutingState['fish'][number], units: UnitPreference) =>
  fish.lengthMm !== null ? ` ${fishLengthText(fish.lengthMm, units)}` : fish.classMm !== null ? ` about ${fishLengthText(fish.classMm, units)}` : ', not measured';

/** A place in words: a swim by its distance, any other by its label. */
const placeWords = (station: StationState, units: UnitPreference) =>
  station.outM === null ? `${(methodOf(station.method)?.station ?? 'place').toLowerCase()} ${station.label}` : depthText(station.outM, units);

function wordsOf(entry: LogEntry, outing: OutingState, units: UnitPreference): { what: string; detail: string; isFish?: boolean } {
  const hole = outing.stations.find((h) => h.id === entry.station);
  if (entry.kind === 'reaction') {
    const reaction = outing.reactions.find((r) => r.id === entry.id);
    const along = reaction?.alongM == null ? '' : `, ${depthText(Math.abs(reaction.alongM), units)} along`;
    const out = reaction?.outM != null ? `${castText(reaction.outM, units)} out` : hole?.outM != null ? `${depthText(hole.outM, units)}${along}` : '';
    const what = reactionWords[entry.text ?? ''] ?? 'Reaction';
    if (reaction?.depthM == null) return { what, detail: out };
    const line = outing.lines.find((l) => l.id === reaction.line);
    // Lines trail: which of them tells more than the word for what hangs under a rod.
    return { what, detail: `${line && hole && methodOf(hole.method)?.picture === 'lane' ? `${line.rod},` : 'jig'} ${depthText(reaction.depthM, units)}` };
  }
  if (entry.kind === 'fish-landed') {
    const fish = outing.fish.find((f) => f.eventId === entry.id);
    const name = fish && speciesTable.some((s) => s.id === fish.species) ? speciesOf(fish.species).short : (fish?.species ?? '');
    return {
      what: 'Fish',
      detail: fish
        ? `${name}${sizeWords(fish, units)}, ${fish.fate ?? (hole?.kind === 'swim' ? 'in the net' : 'in hand')}${hole?.outM == null ? '' : `, ${depthText(hole.outM, units)}`}`
        : '',
      isFish: true,
    };
  }
  if (entry.kind === 'joined') return { what: 'Joined', detail: 'an outing that another phone had begun' };
  if (entry.kind === 'method-changed') return { what: 'Now', detail: methodOf(entry.text ?? '')?.offer ?? entry.text ?? '' };
  if (entry.kind === 'station-opened')
    return {
      what: methodOf(hole?.method ?? '')?.isOnIce ? 'Drilled' : hole?.kind === 'stand' ? 'Stood' : hole?.kind === 'swim' ? 'Swim' : hole?.kind === 'pass' ? 'Pass' : 'Stopped',
      detail: hole?.outM != null ? `at ${depthText(hole.outM, units)}` : hole?.depthM == null ? '' : `bottom ${depthText(hole.depthM, units)}`,
    };
  if (entry.kind === 'cast') {
    const cast = outing.casts.find((c) => c.eventId === entry.id);
    return { what: 'Cast', detail: cast ? `${bearingText(cast.bearingDeg)}, ${castText(cast.distanceM, units)}` : '' };
  }
  if (entry.kind === 'felt') {
    const felt = outing.felt.find((f) => f.id === entry.id);
    return { what: feltWords[felt?.what ?? 'hard'], detail: felt ? `${bearingText(felt.bearingDeg)}, ${castText(felt.outM, units)} out` : '' };
  }
  if (entry.kind === 'level-measured') {
    const level = outing.levels.find((l) => l.ms === entry.ms)?.levelM ?? 0;
    return { what: 'Level', detail: `${depthText(Math.abs(level), units)} ${level < 0 ? 'lower' : 'higher'}` };
  }
  if (entry.kind === 'pass-ended') return { what: 'Pass', detail: hole ? `${hole.label} ended` : 'ended' };
  if (entry.kind === 'plumbed') {
    const plumbed = outing.plumbed.find((p) => p.id === entry.id);
    return { what: 'Plumbed', detail: plumbed ? `${depthFine(plumbed.depthM, units)} at ${depthText(plumbed.outM, units)}` : '' };
  }
  if (entry.kind === 'flow-timed') {
    const flow = outing.flows.find((f) => f.id === entry.id);
    return {
      what: 'Flow',
      detail: flow
        ? flow.alongM === 0
          ? 'stands still'
          : `${currentText(Math.abs(flow.alongM) / flow.seconds, units)} at the surface, to the ${flow.alongM > 0 ? 'right' : 'left'}`
        : '',
    };
  }
  if (entry.kind === 'fed') return { what: 'Fed', detail: [entry.text, hole?.outM == null ? '' : `at ${depthText(hole.outM, units)}`].filter(Boolean).join(' ') };
  if (entry.kind === 'changed') return { what: 'Change', detail: changeRules.find((r) => r.id === entry.text)?.label ?? '' };
  if (entry.kind === 'quiet-seen') return { what: 'Seen', detail: quietRules.find((r) => r.id === entry.text)?.label ?? '' };
  if (entry.kind === 'bag-weighed') {
    const weighed = outing.weighed.find((w) => w.ms === entry.ms);
    return { what: 'Weighed', detail: weighed ? `${weighed.count} together, ${weightText(weighed.massG, units)}` : '' };
  }
  if (entry.kind === 'rested') return { what: 'Rested', detail: hole ? placeWords(hole, units) : '' };
  if (entry.kind === 'ice-measured') {
    const ice = outing.ice.find((i) => i.ms === entry.ms);
    return { what: 'Ice', detail: ice ? `${iceText(ice.clearM, units)} clear, ${iceText(ice.whiteM, units)} white` : '' };
  }
  if (entry.kind === 'line-down') return { what: 'Line down', detail: entry.text ?? unsaidBait.toLowerCase() };
  if (entry.kind === 'flag-up') return { what: 'Flag', detail: entry.text ?? '' };
  if (entry.kind === 'moved') return { what: 'Moved', detail: hole ? `to ${placeWords(hole, units)}` : '' };
  if (entry.kind === 'clarity-measured') {
    const clarity = outing.clarity.find((c) => c.ms === entry.ms);
    return { what: 'Clarity', detail: clarity ? `disc lost at ${depthText(clarity.secchiM, units)}` : '' };
  }
  if (entry.kind === 'temperature-measured') {
    const read = outing.temperatures.find((t) => t.ms === entry.ms && t.station === entry.station);
    return { what: 'Water', detail: read ? `${tempText(read.tempC, units)} at ${depthText(read.depthM, units)}` : 'temperature' };
  }
  return { what: entry.kind === 'note' ? 'Note' : 'Outing', detail: entry.text ?? 'ended' };
}
