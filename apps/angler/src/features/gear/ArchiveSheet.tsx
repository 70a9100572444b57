import { useMutation, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { syncSettings } from '@/data/account-settings';
import { api } from '@/data/api';
import { chooseFile } from '@/data/files';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

/** All of the account in one file, and such a file brought in. */
export function ArchiveSheet({ onClose }: { onClose: () => void }) {
  const { ledger, unsent } = useLedger();
  const client = useQueryClient();
  // What waits on this phone goes first, so that the file has it.
  const saving = useMutation({
    mutationFn: async () => {
      await ledger.sync();
      await syncSettings();
      const link = document.createElement('a');
      link.href = api.archiveUrl;
      link.download = 'vivid-burrow.zip';
      link.click();
    },
  });
  const bringing = useMutation({
    mutationFn: async () => {
      const file = await chooseFile('.zip,application/zip');
      if (!file) return null;
      const taken = await api.bringArchive(file);
      await Promise.all([ledger.sync(), syncSettings(), client.invalidateQueries({ queryKey: ['waters'] })]);
      return taken;
    },
  });
  const taken = bringing.data;
  const problem = saving.error ?? bringing.error;
  return (
    <Sheet title="All in one file" open onClose={onClose}>
      <Text>The log, waters, weather that you brought, tackle and settings, in open formats, in one zip file.</Text>
      {unsent > 0 ? <Text tone="second">{`${unsent} ${unsent === 1 ? 'entry is' : 'entries are'} sent first.`}</Text> : null}
      <Action kind="main" icon="download" label="Save the file" disabled={saving.isPending} onPress={() => saving.mutate()} />
      <Action label="Bring such a file in" disabled={bringing.isPending} onPress={() => bringing.mutate()} />
      <Text size="small" tone="second">
        From another account or server. What is here stays; brought in twice, nothing is doubled.
      </Text>
      <View aria-live="polite" style={{ gap: 4 }}>
        {bringing.isPending ? <Text tone="second">Reading and checking it.</Text> : null}
        {taken ? <Text>{`Brought in: ${taken.events} entries, ${taken.waters} ${taken.waters === 1 ? 'water' : 'waters'}.`}</Text> : null}
        {taken?.left.map((line) => (
          <Text key={line} size="small" tone="straw">
            {line}
          </Text>
        ))}
        {problem ? <Text tone="straw">{problem.message}</Text> : null}
      </View>
    </Sheet>
  );
}
