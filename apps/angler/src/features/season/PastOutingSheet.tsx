import { methodIds, methodOf } from '@burrow/core/methods';
import { dayMs, hourMs, startOfDay } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { newId } from '@/data/ids';
import { nowMs } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useSpecies } from '@/data/species';
import { useWater, useWaterDetail } from '@/data/water';
import { SpeciesPills } from '@/features/fish/SpeciesPills';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { WallClockField } from '@/ui/WallClockField';

/** When a day on the water usually begins and ends, h of the day: where the clocks stand before somebody sets them. */
const [beginsH, endsH] = [8, 12] as const;

/** An outing that was not logged while it was fished: where, when, how and for which fish; its places and fish are added in it. */
export function PastOutingSheet({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { goal } = usePreferences();
  const { ledger } = useLedger();
  const { waters, water } = useWater();
  const list = waters.data?.value ?? [];
  const [waterId, setWaterId] = useState(water?.id);
  const detail = useWaterDetail(waterId);
  const file = detail.data?.value.file;
  const { offered, place } = useSpecies(file, waterId);
  const [species, setSpecies] = useState<string | null>(null);
  const [method, setMethod] = useState<string | null>(null);
  const zone = file?.water.timezone ?? 'UTC';
  const [span, setSpan] = useState<{ fromMs: number; toMs: number } | null>(null);
  const yesterday = startOfDay(nowMs(), zone) - dayMs;
  const { fromMs, toMs } = span ?? { fromMs: yesterday + beginsH * hourMs, toMs: yesterday + endsH * hourMs };
  const problem = toMs <= fromMs ? 'It ends before it begins.' : toMs > nowMs() ? 'It ends after now.' : toMs - fromMs > 3 * dayMs ? 'It lasts longer than three days.' : null;
  const isReady = file !== undefined && species !== null && method !== null && span !== null && problem === null;
  const add = async () => {
    const outing = { id: newId(), zone };
    await ledger.writeAll(outing, [{ kind: 'outing-started', body: { water: waterId!, waterName: file!.water.name, species: [species!], goal, method: method! } }], fromMs);
    await ledger.writeAll(outing, [{ kind: 'outing-ended', body: {} }], toMs);
    onClose();
    router.navigate({ pathname: '/outing', params: { id: outing.id } });
  };
  return (
    <Sheet title="A past outing" open onClose={onClose} footer={<Action kind="main" height={64} label="Add it" disabled={!isReady} onPress={() => void add()} />}>
      <Text strong>Water</Text>
      <Choice label="Water" wrap options={list.map((w) => ({ id: w.id, label: w.name }))} value={waterId ?? null} onChange={setWaterId} />
      {waterId !== undefined && !file ? (
        <Text tone="straw">{detail.isError ? 'What is known of this water is not on this phone: open it once with a signal.' : 'Opening the water.'}</Text>
      ) : null}
      <WallClockField label="It began" atMs={fromMs} zone={zone} onChange={(ms) => setSpan({ fromMs: ms, toMs: Math.max(toMs + ms - fromMs, ms) })} />
      <WallClockField label="It ended" atMs={toMs} zone={zone} onChange={(ms) => setSpan({ fromMs, toMs: ms })} />
      {span === null ? (
        <Text size="small" tone="second">
          Set when it began; the clocks are those of the water.
        </Text>
      ) : problem ? (
        <Text tone="straw">{problem}</Text>
      ) : null}
      <Text strong>How it was fished</Text>
      <Choice label="How it was fished" wrap options={methodIds().map((id) => ({ id, label: methodOf(id)!.offer }))} value={method} onChange={setMethod} />
      <Text strong>Fished for</Text>
      <SpeciesPills label="Fished for" hasAny value={species} likely={offered.map((s) => s.id)} place={place} onChange={setSpecies} />
      <Text size="small" tone="second">
        Its holes, stands, ice, casts and fish are added in it, each at its time.
      </Text>
    </Sheet>
  );
}
