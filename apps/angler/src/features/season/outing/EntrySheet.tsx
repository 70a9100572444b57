import { speciesOf, speciesTable } from '@burrow/core/fish';
import { asItStands, reactionKinds, type EventBodies, type EventKind, type LedgerEvent, type LogEntry, type OutingState, type ReactionKind } from '@burrow/core/ledger';
import { methodOf } from '@burrow/core/methods';
import { clamp, clockText, depthText, depthStepM, minuteMs, type UnitPreference } from '@burrow/core/units';
import { lazy, Suspense, useState } from 'react';
import { LengthRuler } from '@/features/station/LengthRuler';
import { reactionWords } from '@/features/station/LogList';
import { bodyOf, correct } from '@/data/corrections';
import { newId } from '@/data/ids';
import { useLedger } from '@/data/session';
import { useSpecies } from '@/data/species';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { figuresOf, isFigureKind, stepped } from './figures';

const Field = lazy(() => import('@/features/with-paper').then((m) => ({ default: m.Field })));

interface Props {
  outing: OutingState;
  zone: string;
  units: UnitPreference;
  /** The entry to correct; null for one that is added late. */
  entry: LogEntry | null;
  onClose: () => void;
  /** What was done, and the entries that did it. */
  onDone: (text: string, events: LedgerEvent[]) => void;
}

/** Species offered before asking for more. */
const atHand = 4;

/** What can be added after the fact at a place of this kind. */
const lateAt = (place: string | undefined) => [
  { id: 'fish-landed', label: 'A fish' },
  { id: 'reaction', label: place === 'swim' || place === 'pass' ? 'A bite' : 'A bite or look' },
  ...(place === 'swim'
    ? [
        { id: 'fed', label: 'Feed' },
        { id: 'plumbed', label: 'A depth plumbed' },
        { id: 'bag-weighed', label: 'Fish weighed' },
      ]
    : place === 'pass'
      ? []
      : [{ id: 'depth-sounded', label: 'A depth' }]),
  ...(place === 'stand' ? [{ id: 'cast', label: 'A cast' }] : []),
  ...(place === undefined ? [] : [{ id: 'temperature-measured', label: 'Water temperature' }]),
  { id: 'note', label: 'A note' },
];

/** Whether something in an entry can be corrected. */
export function isCorrectable({ kind, station }: LogEntry, outing: OutingState): boolean {
  if (kind === 'station-opened') return !['swim', 'pass'].includes(outing.stations.find((s) => s.id === station)?.kind ?? '');
  return ['fish-landed', 'reaction', 'note', 'line-down'].includes(kind) || isFigureKind(kind);
}

/** Plumbing, flow and weighing belong to the peg, not to one of its swims. */
const ofPeg: readonly string[] = ['plumbed', 'flow-timed', 'bag-weighed'];

/** What is written in words, by kind. */
const textLabels: Record<string, string | undefined> = { note: 'Note', 'line-down': 'What was on the line', fed: 'What was fed' };

/** Adds an entry late, or corrects one: the same few fields either way. */
export function EntrySheet({ outing, zone, units, entry, onClose, onDone }: Props) {
  const { ledger, events } = useLedger();
  const { offered } = useSpecies(undefined, outing.water);
  const [kind, setKind] = useState<string>(entry?.kind ?? 'fish-landed');
  const lastMs = outing.endedMs ?? outing.entries.at(-1)?.ms ?? outing.startedMs;
  const [atMs, setAtMs] = useState(entry?.ms ?? lastMs);
  const [station, setStation] = useState(entry?.station ?? outing.stations.at(-1)?.id ?? '');
  const place = outing.stations.find((s) => s.id === station);
  const fish = entry?.kind === 'fish-landed' ? outing.fish.find((f) => f.eventId === entry.id) : undefined;
  const reaction = entry?.kind === 'reaction' ? outing.reactions.find((r) => r.id === entry.id) : undefined;
  const [species, setSpecies] = useState<string>(fish?.species ?? outing.species[0]);
  const [lengthMm, setLength] = useState<number | null>(fish?.lengthMm ?? null);
  const [fate, setFate] = useState<'kept' | 'released' | null>(fish?.fate ?? null);
  const [showsAll, setShowsAll] = useState(false);
  const [said, setSaid] = useState<ReactionKind>(reaction?.kind ?? 'bite');
  // The bed's depth is that of a place alone: a fish or a bite whose depth nobody knew keeps it so.
  const [depthM, setDepth] = useState<number | null>(fish || reaction ? (fish ?? reaction)!.depthM : entry?.kind === 'station-opened' ? (place?.depthM ?? null) : null);
  const [figures, setFigures] = useState<Record<string, number | null>>(() => {
    const before: Record<string, unknown> = entry && isFigureKind(entry.kind) ? (asItStands(events, entry.id)?.body ?? {}) : {};
    return Object.fromEntries(Object.entries(before).filter((e): e is [string, number] => typeof e[1] === 'number'));
  });
  const [text, setText] = useState(entry && textLabels[entry.kind] ? (entry.text ?? '') : '');
  const [says, setSays] = useState<string | null>(null);
  const scope = { id: outing.id, zone };
  const depthStep = depthStepM(units);
  const fields = isFigureKind(kind) ? figuresOf(kind, units) : [];
  const textLabel = textLabels[kind];
  const isFish = kind === 'fish-landed';
  const isDepth = kind === 'depth-sounded' || kind === 'station-opened';
  const hasJig = isFish || kind === 'reaction';

  const likely = [...new Set([...(fish ? [fish.species] : []), ...outing.species, ...outing.fish.map((f) => f.species)])];
  const others = [...offered, ...speciesTable].map((s) => s.id as string).filter((id) => !likely.includes(id));
  const known = showsAll ? [...likely, ...new Set(others)] : [...likely, ...others.slice(0, Math.max(0, atHand - likely.length))];
  const nameOf = (id: string) => (speciesTable.some((s) => s.id === id) ? speciesOf(id).short : id);
  const body = (): { kind: EventKind; body: EventBodies[EventKind] } => {
    const depth = depthM === null ? {} : { depthM };
    const old = entry ? bodyOf(events, entry.id) : {};
    if (isFish) {
      const { lengthMm: _, depthM: __, ...rest } = old as EventBodies['fish-landed'];
      return { kind: 'fish-landed', body: { ...rest, fish: fish?.id ?? newId(), station, species, ...(lengthMm === null ? {} : { lengthMm: Math.round(lengthMm) }), ...depth } };
    }
    if (kind === 'reaction') {
      const { depthM: _, ...rest } = old as EventBodies['reaction'];
      return { kind: 'reaction', body: { ...rest, station, reaction: said, ...depth } };
    }
    if (isFigureKind(kind)) {
      const known = Object.fromEntries(fields.flatMap(({ field }) => (figures[field] == null ? [] : [[field, figures[field]]])));
      const at = kind === 'level-measured' ? {} : { station: ofPeg.includes(kind) ? (place?.peg ?? station) : station };
      const said = { ...(kind === 'fed' ? { what: text.trim() } : {}), ...(kind === 'cast' && !entry ? { cast: newId() } : {}) };
      return { kind, body: { ...at, ...old, ...known, ...said } as EventBodies[typeof kind] };
    }
    if (kind === 'line-down') return { kind, body: { ...(old as EventBodies['line-down']), presentation: text.trim() } };
    return { kind: 'note', body: { ...old, text: text.trim(), ...(station === '' ? {} : { station }) } };
  };
  const save = async () => {
    try {
      if (isDepth) {
        const sounded = events.filter((e) => e.kind === 'depth-sounded' && e.outing === outing.id && e.body.station === station);
        const standing = sounded.findLast((e) => !events.some((u) => u.kind === 'undone' && u.body.target === e.id));
        const of = { station, depthM: depthM!, source: 'entered' as const };
        onDone(
          'Depth corrected',
          standing
            ? await correct(ledger, scope, events, standing.id, of, Date.parse(standing.at))
            : await ledger.writeAll(scope, [{ kind: 'depth-sounded', body: of }], (place?.openedMs ?? atMs) + 1000),
        );
        return;
      }
      const made = body();
      const written = entry ? await correct(ledger, scope, events, entry.id, made.body, atMs) : await ledger.writeAll(scope, [made], atMs);
      const fishId = (made.body as { fish?: string }).fish;
      const fated = isFish && fate !== null && fate !== fish?.fate ? await ledger.writeAll(scope, [{ kind: `fish-${fate}`, body: { fish: fishId! } }], atMs) : [];
      onDone(entry ? 'Entry corrected' : 'Entry added', [...written, ...fated]);
    } catch (error) {
      setSays((error as Error).message);
    }
  };
  const choose = (id: string) => {
    setKind(id);
    // A figure of one kind is none of another.
    setFigures({});
  };
  const offeredLate = lateAt(place?.kind);
  const isReady =
    (isDepth ? depthM !== null : true) &&
    (textLabel ? text.trim() !== '' : true) &&
    fields.every((f) => f.isOptional || figures[f.field] != null) &&
    (station !== '' || kind === 'note' || entry !== null);
  return (
    <Sheet
      title={entry ? 'Correct this entry' : 'Add what was not logged'}
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label={entry ? 'Save the correction' : 'Add it'} disabled={!isReady} onPress={() => void save()} />}
    >
      {isDepth ? null : (
        <Stepper
          label="When"
          text={clockText(atMs, zone)}
          onStep={(d) => setAtMs((ms) => clamp(ms + d * minuteMs, outing.startedMs, lastMs))}
          big={{ text: '15 min', onStep: (d) => setAtMs((ms) => clamp(ms + d * 15 * minuteMs, outing.startedMs, lastMs)) }}
        />
      )}
      {entry === null && outing.stations.length > 0 ? (
        <Choice
          label="Where"
          options={outing.stations.map((s) => ({ id: s.id, label: `${methodOf(s.method)?.station ?? 'Place'} ${s.label}` }))}
          value={station}
          onChange={(id) => {
            setStation(id);
            if (!lateAt(outing.stations.find((s) => s.id === id)?.kind).some((l) => l.id === kind)) choose('fish-landed');
          }}
          wrap
        />
      ) : null}
      {entry ? null : <Choice label="What to add" options={offeredLate} value={kind} onChange={choose} wrap />}
      {isFish ? (
        <>
          <Choice label="Species" options={known.map((id) => ({ id, label: nameOf(id) }))} value={species} onChange={setSpecies} wrap />
          {showsAll ? null : <Action kind="bare" label="Another fish" onPress={() => setShowsAll(true)} />}
          {speciesTable.some((s) => s.id === species) ? (
            <LengthRuler
              lengthMm={lengthMm}
              startMm={speciesOf(species).ruler.usualMm}
              fromMm={speciesOf(species).ruler.fromMm}
              toMm={speciesOf(species).ruler.toMm}
              units={units}
              onChange={setLength}
            />
          ) : null}
          <Text align="center" tone="second">
            {lengthMm === null ? 'Not measured. Drag the ruler to its length, or leave it.' : 'Measured.'}
          </Text>
          {lengthMm === null ? null : <Action kind="bare" label="It was not measured" onPress={() => setLength(null)} />}
          <Choice
            label="Kept or released"
            options={[
              { id: 'released', label: 'Released' },
              { id: 'kept', label: 'Kept' },
            ]}
            value={fate ?? ('' as 'kept')}
            onChange={setFate}
            wrap
          />
        </>
      ) : null}
      {kind === 'reaction' ? <Choice label="What it did" options={reactionKinds.map((id) => ({ id, label: reactionWords[id] }))} value={said} onChange={setSaid} wrap /> : null}
      {isDepth || hasJig ? (
        <Stepper
          label={isDepth ? 'Depth of the bed' : 'Depth it came at'}
          text={depthM === null ? null : depthText(depthM, units)}
          empty={isDepth ? 'not sounded' : 'not known'}
          onStep={(d) => setDepth((m) => (m === null ? (place?.depthM ?? place?.mapDepthM ?? 3) : clamp(m + d * depthStep, 0.3, 300)))}
          onClear={isDepth ? undefined : () => setDepth(null)}
          big={{ text: depthText(10 * depthStep, units), onStep: (d) => setDepth((m) => clamp((m ?? place?.depthM ?? 3) + d * 10 * depthStep, 0.3, 300)) }}
        />
      ) : null}
      {fields.map((f) => (
        <Stepper
          key={f.field}
          label={f.label}
          text={figures[f.field] == null ? null : f.text(figures[f.field]!)}
          empty="not known"
          onStep={(d) => setFigures((all) => ({ ...all, [f.field]: stepped(f, all[f.field] ?? null, d) }))}
          big={
            f.bigBy === undefined
              ? undefined
              : { text: f.bigText ?? f.text(f.bigBy), onStep: (d) => setFigures((all) => ({ ...all, [f.field]: stepped(f, all[f.field] ?? null, d, true) })) }
          }
        />
      ))}
      {textLabel ? (
        <Suspense fallback={null}>
          <Field label={textLabel} value={text} onChangeText={setText} maxLength={kind === 'note' ? 500 : 120} multiline={kind === 'note'} />
        </Suspense>
      ) : null}
      {says ? <Text tone="straw">{says}</Text> : null}
      <Text size="small" tone="second">
        What was first written stays in the ledger beside its correction.
      </Text>
    </Sheet>
  );
}
