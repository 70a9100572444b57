import { dayText } from '@burrow/core/units';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { api, OfflineError } from '@/data/api';
import { handOver } from '@/data/brought-file';
import { openFile } from '@/data/files';
import { change } from '@/data/preferences';
import { useWater } from '@/data/water';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { WaterSheet } from './WaterSheet';

/** Whether a file says of itself that it is a water. */
const isWaterFile = (text: string): boolean => /"water"\s*:/.test(text);

/** A water that comes from a file, and one that comes back after it was deleted. */
function useComings(says: (text: string) => void, onBack: () => void) {
  const client = useQueryClient();
  const adding = useMutation({
    mutationFn: async (file: { name: string; text: string }) => {
      const { parseWaterFile } = await import('@burrow/contract/formats/water-geojson');
      const read = parseWaterFile(file.text);
      return { ...(await api.addWater(read)), name: read.water.name };
    },
    onSuccess: async ({ id, name }) => {
      await client.invalidateQueries();
      change({ water: id });
      says(`${name} is here.`);
    },
    onError: (error, file) => says(error instanceof OfflineError ? 'No signal: adding a water needs the server once.' : `${file.name}: ${error.message}`),
  });
  const restoring = useMutation({
    mutationFn: (water: { id: string; name: string }) => api.restoreWater(water.id),
    onSuccess: async (_, { id, name }) => {
      onBack();
      await client.invalidateQueries();
      change({ water: id });
      says(`${name} is back.`);
    },
    onError: (error) => says(error.message),
  });
  return { adding, restoring };
}

/** The waters of the account: which is in use, new ones, and what is changed on one. */
export function Waters() {
  const { waters, water, detail } = useWater();
  const router = useRouter();
  const [says, setSays] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(false);
  const [gone, setGone] = useState<{ id: string; name: string } | null>(null);
  const deleted = useQuery({ queryKey: ['deleted-waters'], queryFn: api.deletedWaters, retry: false });
  const { adding, restoring } = useComings(setSays, () => setGone(null));
  const add = async () => {
    const file = await openFile('.geojson,.json,.gpx,.kml,application/geo+json');
    if (!file) return;
    if (isWaterFile(file.text)) return adding.mutate(file);
    // A shore alone is no water yet: its name and kind are asked where one is drawn.
    handOver(file);
    router.navigate('/new-water');
  };
  return (
    <View style={{ gap: 8 }}>
      {(waters.data?.value.length ?? 0) > 0 ? (
        <Choice
          label="Water in use"
          options={waters.data!.value.map((w) => ({ id: w.id, label: `${w.name}, ${w.kind}` }))}
          value={water?.id ?? ''}
          onChange={(id) => change({ water: id })}
          wrap
        />
      ) : null}
      {water && detail.data ? <Action icon="edit" label={`Change ${water.name}`} onPress={() => setOpen(true)} /> : null}
      <Action icon="plus" label="A new water" onPress={() => router.navigate('/new-water')} />
      <Action icon="upload" label="Add a water from a file" disabled={adding.isPending} onPress={() => void add()} />
      <View aria-live="polite" style={{ gap: 8 }}>
        {says ? <Text>{says}</Text> : null}
        {gone ? <Action icon="undo" label={`Bring ${gone.name} back`} disabled={restoring.isPending} onPress={() => restoring.mutate(gone)} /> : null}
        {(deleted.data ?? [])
          .filter((d) => d.id !== gone?.id)
          .map((d) => (
            <Action
              key={d.id}
              kind="bare"
              icon="undo"
              label={`Bring ${d.name} back, until ${dayText(d.untilMs, 'UTC')}`}
              disabled={restoring.isPending}
              onPress={() => restoring.mutate(d)}
            />
          ))}
      </View>
      {isOpen && detail.data ? (
        <WaterSheet
          water={detail.data.value}
          onClose={() => setOpen(false)}
          onSaid={(text, deleted) => {
            setOpen(false);
            setSays(text);
            setGone(deleted ?? null);
          }}
        />
      ) : null}
    </View>
  );
}
