import { useEffect } from 'react';
import { useFlasher, type FlasherControl } from '@/data/flasher';
import { usePreferences, type Device } from '@/data/preferences';
import { useAccount } from '@/data/session';
import type { SessionConfig } from '@/workers/frame';

/** The stream of a flasher that this server has. */
const serverStream = '/api/flasher/stream';
/** Under which a recorded log that stands for a device is kept on the phone. */
export const deviceLogKey = 'device-log';

/** The device in use: the one chosen in Gear, else the simulation in the demo's account and none in any other. */
export function useChosenDevice(): Device {
  const { isDemo } = useAccount();
  const { device } = usePreferences();
  const usual: Device = { kind: isDemo ? 'simulation' : 'none' };
  // What is simulated is for the demo's account alone, whatever was chosen on this phone before.
  return device === null || (device.kind === 'simulation' && !isDemo) ? usual : device;
}

/** Listens to the device in use. `hasFlasher` is false where there is none. */
export function useDevice(setting: Omit<SessionConfig, 'mode' | 'url'>): { flasher: FlasherControl; device: Device; hasFlasher: boolean } {
  const device = useChosenDevice();
  const { store } = useAccount();
  const isLog = device.kind === 'log';
  const { bottomM } = setting;
  const config: SessionConfig | null =
    device.kind === 'none'
      ? null
      : device.kind === 'stream'
        ? { ...setting, mode: 'device', url: device.url === '' ? `${serverStream}${bottomM === undefined ? '' : `?bottomM=${bottomM}`}` : device.url }
        : { ...setting, mode: 'live' };
  const flasher = useFlasher(config, isLog);
  const { open, play } = flasher;
  useEffect(() => {
    if (!isLog) return;
    void store.setting<string>(deviceLogKey).then(async (text) => {
      if (text === undefined) return;
      await open(text);
      play(1);
    });
  }, [isLog, store, open, play]);
  return { flasher, device, hasFlasher: device.kind !== 'none' };
}
