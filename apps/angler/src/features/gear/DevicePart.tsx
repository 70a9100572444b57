import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { openFile } from '@/data/files';
import { change, type Device } from '@/data/preferences';
import { useAccount } from '@/data/session';
import { deviceLogKey, useChosenDevice } from '@/features/station/useDevice';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

const hints: Record<Device['kind'], string> = {
  none: 'The Hole is read by eye: you say where bottom, jig and mark are.',
  stream: 'A device of yours, or a small program that bridges one, answers pings by address: the formats are in docs/formats.md.',
  log: 'An echo log plays as if it stood by the hole, and says so.',
  simulation: 'Made-up fish, said to be so wherever they show. For the demo alone.',
};

/** Whether a page that came by https would be kept from an address; its own machine is the exception that browsers make. */
function isBlocked(url: string): boolean {
  if (globalThis.location?.protocol !== 'https:' || !URL.canParse(url)) return false;
  const { protocol, hostname } = new URL(url);
  return protocol === 'http:' && !/^(localhost|127(\.\d+){3}|\[::1\])$/.test(hostname);
}

/** Which flasher the Hole listens to. */
export function DevicePart() {
  const { isDemo, store } = useAccount();
  const device = useChosenDevice();
  const [url, setUrl] = useState(device.kind === 'stream' ? device.url : '');
  const [says, setSays] = useState<string | null>(null);
  const kinds: { id: Device['kind']; label: string }[] = [
    { id: 'none', label: 'None: read by eye' },
    { id: 'stream', label: 'A stream by address' },
    { id: 'log', label: 'A recorded log' },
    ...(isDemo ? [{ id: 'simulation' as const, label: 'Simulation' }] : []),
  ];
  const choose = async (kind: Device['kind']) => {
    setSays(null);
    if (kind !== 'log') return change({ device: kind === 'stream' ? { kind, url: url.trim() } : { kind } });
    const file = await openFile('.ndjson,.log,application/x-ndjson');
    if (!file) return;
    const { EchoLogReader } = await import('@burrow/contract/formats/echo-log');
    const log = new EchoLogReader();
    try {
      let pings = 0;
      for (const line of file.text.split('\n')) if (log.push(line)?.type === 'ping') pings++;
      if (pings === 0) throw new Error('expected an echo-log header and pings, found none');
    } catch (error) {
      setSays(`${file.name}: ${(error as Error).message}`);
      return;
    }
    await store.keep(deviceLogKey, file.text);
    change({ device: { kind, name: file.name } });
  };
  const typed = url.trim();
  const isAddress = typed === '' || /^https?:\/\/[^\s/]+/.test(typed);
  return (
    <View style={{ gap: 8 }}>
      <Choice label="Flasher" options={kinds} value={device.kind} onChange={(kind) => void choose(kind)} wrap />
      <Text tone="second">{hints[device.kind]}</Text>
      {device.kind === 'stream' ? (
        <>
          <Suspense fallback={null}>
            <Field label="Address, such as http://192.0.2.7:8080/stream" value={url} onChangeText={setUrl} autoCapitalize="none" maxLength={300} />
          </Suspense>
          {isAddress ? null : <Text tone="straw">Expected an address that begins with http:// or https://.</Text>}
          {isAddress && isBlocked(typed) ? (
            <Text tone="straw">
              This page came by https, and browsers let such a page listen to https addresses only. Give the device or its bridge a certificate, or open Vivid Burrow by http within
              your own network.
            </Text>
          ) : null}
          <Text size="small" tone="second">
            {device.url === '' ? 'Without an address, the flasher of this server is listened to, if it has one.' : `In use: ${device.url}`}
          </Text>
          <Action label="Listen to it" disabled={!isAddress || typed === device.url} onPress={() => change({ device: { kind: 'stream', url: typed } })} />
        </>
      ) : null}
      {device.kind === 'log' ? <Text size="small" tone="second">{`Plays ${device.name}. Choose it again for another.`}</Text> : null}
      {says ? <Text tone="straw">{says}</Text> : null}
    </View>
  );
}
