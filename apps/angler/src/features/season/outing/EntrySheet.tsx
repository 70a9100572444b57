import { anyFish, longestRulerMm, speciesOf } from '@burrow/core/fish';
import { reactionKinds, type EventBodies, type EventKind, type LedgerEvent, type LogEntry, type OutingState, type StationState } from '@burrow/core/ledger';
import { methodOf } from '@burrow/core/methods';
import { clamp, clockText, depthText, depthStepM, minuteMs, type UnitPreference } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { stepped } from '@/features/entries/figures';
import { draftOf, isBedDepth, isReady, lastMsOf, lateKinds, madeOf, textLabelOf, type Draft } from '@/features/entries/draft';
import { figuresOf, reactionWords } from '@/features/entries/kinds';
import { LengthRuler } from '@/features/station/LengthRuler';
import { correct } from '@/data/corrections';
import { useLedger } from '@/data/session';
import { useSpecies } from '@/data/species';
import { useWaterDetail } from '@/data/water';
import { FishDetails } from '@/features/fish/FishDetails';
import { SpeciesPills } from '@/features/fish/SpeciesPills';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { PlaceField } from './PlaceField';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

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

/** Adds an entry late, or corrects one: the same few fields either way. */
export function EntrySheet({ outing, zone, units, entry, onClose, onDone }: Props) {
  const { ledger, events } = useLedger();
  const [draft, setDraft] = useState<Draft>(() => draftOf(entry, outing, events));
  const [says, setSays] = useState<string | null>(null);
  const put = (part: Partial<Draft>) => setDraft((before) => ({ ...before, ...part }));
  const { kind, atMs, station, depthM } = draft;
  const place = outing.stations.find((s) => s.id === station);
  const scope = { id: outing.id, zone };
  const detail = useWaterDetail(outing.water);
  const textLabel = textLabelOf(kind);
  /** The depth of a place: corrected where one stands, else written as of its opening. */
  const sounded = async (): Promise<LedgerEvent[]> => {
    const all = events.filter((e) => e.kind === 'depth-sounded' && e.outing === outing.id && e.body.station === station);
    const standing = all.findLast((e) => !events.some((u) => u.kind === 'undone' && u.body.target === e.id));
    const body = { station, depthM: depthM!, source: 'entered' as const };
    return standing
      ? correct(ledger, scope, events, standing.id, body, Date.parse(standing.at))
      : ledger.writeAll(scope, [{ kind: 'depth-sounded', body }], (place?.openedMs ?? atMs) + 1000);
  };
  const written = async (): Promise<LedgerEvent[]> => {
    const made = madeOf(draft, entry, outing, events);
    const first = entry ? await correct(ledger, scope, events, entry.id, made.body, atMs) : await ledger.writeAll(scope, [made], atMs);
    const before = entry ? outing.fish.find((f) => f.eventId === entry.id)?.fate : null;
    if (kind !== 'fish-landed' || draft.fate === null || draft.fate === before) return first;
    return [...first, ...(await ledger.writeAll(scope, [{ kind: `fish-${draft.fate}`, body: { fish: (made.body as { fish: string }).fish } }], atMs))];
  };
  /** A place by where it lies and how deep: each written only where it was said or moved. */
  const placed = async (): Promise<LedgerEvent[]> => {
    const before = entry ? place : undefined;
    const made = madeOf(draft, entry, outing, events);
    const isMoved = entry === null || before?.at[0] !== draft.at?.[0] || before?.at[1] !== draft.at?.[1];
    const isSounded = depthM !== null && depthM !== (before?.depthM ?? null);
    if (entry) return [...(isMoved ? await correct(ledger, scope, events, entry.id, made.body, entry.ms) : []), ...(isSounded ? await sounded() : [])];
    const bed = { kind: 'depth-sounded' as const, body: { station: (made.body as EventBodies['station-opened']).station, depthM: depthM!, source: 'entered' as const } };
    return ledger.writeAll(scope, [made, ...(isSounded ? [bed] : [])], atMs);
  };
  const save = async () => {
    try {
      if (kind === 'station-opened') onDone(entry ? 'Place corrected' : 'Place added', await placed());
      else if (isBedDepth(kind)) onDone('Depth corrected', await sounded());
      else onDone(entry ? 'Entry corrected' : 'Entry added', await written());
    } catch (error) {
      setSays((error as Error).message);
    }
  };
  const moveTime = (byMs: number) => put({ atMs: clamp(atMs + byMs, outing.startedMs, lastMsOf(outing)) });
  return (
    <Sheet
      title={entry ? 'Correct this entry' : 'Add what was not logged'}
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label={entry ? 'Save the correction' : 'Add it'} disabled={!isReady(draft, entry === null)} onPress={() => void save()} />}
    >
      {isBedDepth(kind) && (entry || kind !== 'station-opened') ? null : (
        <Stepper label="When" text={clockText(atMs, zone)} onStep={(d) => moveTime(d * minuteMs)} big={{ text: '15 min', onStep: (d) => moveTime(15 * d * minuteMs) }} />
      )}
      {entry ? <MovedChoice outing={outing} draft={draft} put={put} /> : <LateChoice outing={outing} draft={draft} put={put} />}
      {kind === 'station-opened' ? <PlaceField outing={outing} water={detail.data?.value} at={draft.at} onPlace={(at) => put({ at })} /> : null}
      {kind === 'fish-landed' ? <FishFields outing={outing} draft={draft} units={units} put={put} /> : null}
      {kind === 'reaction' ? (
        <Choice
          label="What it did"
          options={reactionKinds.map((id) => ({ id, label: reactionWords[id] }))}
          value={draft.reaction}
          onChange={(reaction) => put({ reaction })}
          wrap
        />
      ) : null}
      {isBedDepth(kind) || kind === 'fish-landed' || kind === 'reaction' ? <DepthField place={place} draft={draft} units={units} put={put} /> : null}
      <FigureFields draft={draft} units={units} put={put} />
      {textLabel ? (
        <Suspense fallback={null}>
          <Field label={textLabel} value={draft.text} onChangeText={(text) => put({ text })} maxLength={kind === 'note' ? 500 : 120} multiline={kind === 'note'} />
        </Suspense>
      ) : null}
      {says ? <Text tone="straw">{says}</Text> : null}
      <Text size="small" tone="second">
        What was first written stays in the ledger beside its correction.
      </Text>
    </Sheet>
  );
}

interface Fields {
  draft: Draft;
  put: (part: Partial<Draft>) => void;
}

const placesOf = (outing: OutingState) => outing.stations.map((s) => ({ id: s.id, label: `${methodOf(s.method)?.station ?? 'Place'} ${s.label}` }));

/** Kinds that may have been logged at another place than where they happened. */
const movable: readonly EventKind[] = ['fish-landed', 'reaction', 'note', 'temperature-measured', 'ice-measured'];

/** Where an entry belongs, where it may be another place than was written. */
function MovedChoice({ outing, draft, put }: Fields & { outing: OutingState }) {
  if (!movable.includes(draft.kind) || outing.stations.length < 2) return null;
  return <Choice label="Where" options={placesOf(outing)} value={draft.station} onChange={(station) => put({ station })} wrap />;
}

/** Where something happened that was not logged, and what. */
function LateChoice({ outing, draft, put }: Fields & { outing: OutingState }) {
  const { kind, station, atMs } = draft;
  const method = methodOf(outing.methods.findLast((m) => m.ms <= atMs)?.method ?? outing.method);
  const kindsAt = (id: string) => lateKinds(outing.stations.find((s) => s.id === id)?.kind, method);
  // A figure of one kind is none of another.
  const choose = (id: EventKind) => put({ kind: id, figures: {} });
  return (
    <>
      {outing.stations.length > 0 && kind !== 'station-opened' ? (
        <Choice
          label="Where"
          options={placesOf(outing)}
          value={station}
          onChange={(id) => {
            put({ station: id });
            if (!kindsAt(id).some((l) => l.id === kind)) choose('fish-landed');
          }}
          wrap
        />
      ) : null}
      <Choice label="What to add" options={kindsAt(station)} value={kind} onChange={choose} wrap />
    </>
  );
}

/** Which fish, how long, and what became of it. */
function FishFields({ outing, draft, units, put }: Fields & { outing: OutingState; units: UnitPreference }) {
  const detail = useWaterDetail(outing.water);
  const { offered, place } = useSpecies(detail.data?.value.file, outing.water);
  const { species, lengthMm, fate } = draft;
  const [first] = useState(species);
  const [showsDetails, setShowsDetails] = useState(draft.weightG !== null || draft.girthMm !== null || draft.note !== '' || draft.photo !== null);
  const likely = [...new Set([...(first === null ? [] : [first]), ...outing.fish.map((f) => f.species), ...outing.species, ...offered.map((s) => s.id as string)])].filter(
    (id) => id !== anyFish,
  );
  const ruler = species === null ? null : speciesOf(species).ruler;
  return (
    <>
      <SpeciesPills value={species} likely={likely} place={place} onChange={(id) => put({ species: id })} />
      {ruler ? (
        <LengthRuler lengthMm={lengthMm} startMm={ruler.usualMm} fromMm={ruler.fromMm} toMm={longestRulerMm} units={units} onChange={(mm) => put({ lengthMm: mm })} />
      ) : null}
      <Text align="center" tone="second">
        {lengthMm === null ? 'Not measured. Drag the ruler to its length, or leave it.' : 'Measured.'}
      </Text>
      {lengthMm === null ? null : <Action kind="bare" label="It was not measured" onPress={() => put({ lengthMm: null })} />}
      {showsDetails ? <FishDetails figures={draft} units={units} put={put} /> : <Action kind="bare" label="Weight, girth, photo, note" onPress={() => setShowsDetails(true)} />}
      <Choice
        label="Kept or released"
        options={[
          { id: 'released', label: 'Released' },
          { id: 'kept', label: 'Kept' },
        ]}
        value={fate ?? ('' as 'kept')}
        onChange={(id) => put({ fate: id })}
        wrap
      />
    </>
  );
}

/** How deep the bed lies, or how deep something came; of the latter nobody need know. */
function DepthField({ place, draft, units, put }: Fields & { place: StationState | undefined; units: UnitPreference }) {
  const { kind, depthM } = draft;
  const isBed = isBedDepth(kind);
  const stepM = depthStepM(units);
  const startM = place?.depthM ?? place?.mapDepthM ?? 3;
  const move = (byM: number) => clamp((depthM ?? place?.depthM ?? 3) + byM, stepM, 300);
  return (
    <Stepper
      label={isBed ? 'Depth of the bed' : 'Depth it came at'}
      text={depthM === null ? null : depthText(depthM, units)}
      empty={isBed ? 'not sounded' : 'not known'}
      onStep={(d) => put({ depthM: depthM === null ? startM : move(d * stepM) })}
      onClear={isBed ? undefined : () => put({ depthM: null })}
      big={{ text: depthText(10 * stepM, units), onStep: (d) => put({ depthM: move(10 * d * stepM) }) }}
    />
  );
}

/** The figures of a kind that is nothing but figures. */
function FigureFields({ draft, units, put }: Fields & { units: UnitPreference }) {
  const { figures } = draft;
  return figuresOf(draft.kind, units).map((f) => {
    const value = figures[f.field] ?? null;
    const step = (d: 1 | -1, isBig: boolean) => put({ figures: { ...figures, [f.field]: stepped(f, value, d, isBig) } });
    return (
      <Stepper
        key={f.field}
        label={f.label}
        text={value === null ? null : f.text(value)}
        empty="not known"
        onStep={(d) => step(d, false)}
        big={f.bigBy === undefined ? undefined : { text: f.bigText ?? f.text(f.bigBy), onStep: (d) => step(d, true) }}
      />
    );
  });
}
