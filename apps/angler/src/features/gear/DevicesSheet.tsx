import type { SignedInDevice } from '@burrow/contract/api';
import { clockText, dayText } from '@burrow/core/units';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '@/data/api';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

const zone = () => Intl.DateTimeFormat().resolvedOptions().timeZone;
const when = (ms: number) => `${dayText(ms, zone())}, ${clockText(ms, zone())}`;

/** Where the account is signed in, each to be ended alone or all but this one. */
export function DevicesSheet({ onClose }: { onClose: () => void }) {
  const palette = usePalette();
  const client = useQueryClient();
  const devices = useQuery({ queryKey: ['devices'], queryFn: api.devices, staleTime: 0, retry: 1 });
  const ending = useMutation({
    mutationFn: (device: SignedInDevice | null) => (device ? api.endDevice(device.id) : api.endOtherDevices()),
    onSuccess: () => client.invalidateQueries({ queryKey: ['devices'] }),
  });
  const list = devices.data ?? [];
  const problem = devices.error ?? ending.error;
  return (
    <Sheet title="Where you are signed in" open onClose={onClose}>
      {devices.isPending ? <Text tone="second">Asking the server.</Text> : null}
      {problem ? <Text tone="straw">{problem.message}</Text> : null}
      {list.map((device) => (
        <View key={device.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8, borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 8 }}>
          <View style={{ flex: 1 }}>
            <Text strong>{device.isThis ? 'This one' : browserName(device.browser)}</Text>
            <Text size="small" tone="second">
              {`${device.sinceMs === null ? '' : `Since ${when(device.sinceMs)}. `}Last used ${when(device.seenMs)}.`}
            </Text>
          </View>
          {device.isThis ? null : <Action label="Sign out" disabled={ending.isPending} onPress={() => ending.mutate(device)} />}
        </View>
      ))}
      {list.length > 1 ? <Action label="Sign out everywhere else" disabled={ending.isPending} onPress={() => ending.mutate(null)} /> : null}
      <Text size="small" tone="second">
        A phone that is signed out sends and fetches nothing more. What it had kept stays on it.
      </Text>
    </Sheet>
  );
}

/** The part of what a browser calls itself that a person knows it by. */
function browserName(agent: string): string {
  const browser = /(Firefox|Edg|OPR|Chrome|Safari)\/\d+/.exec(agent)?.[1] ?? 'Browser';
  const system = /(Android|iPhone|iPad|Windows|Macintosh|Linux)/.exec(agent)?.[1];
  return system ? `${browser} on ${system}` : agent.slice(0, 40);
}
