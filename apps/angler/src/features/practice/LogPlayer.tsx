import { adviceWords } from '@burrow/core/coach';
import { depthStepM, type UnitPreference } from '@burrow/core/units';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { openFile } from '@/data/files';
import { useFlasher } from '@/data/flasher';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { WaterColumnView } from '@/features/station/shaft/WaterColumnView';
import { Text } from '@/ui/Text';
import { Scrubber } from './Scrubber';

const speeds = [
  { id: '0.5', label: 'Half' },
  { id: '1', label: 'As it was' },
  { id: '4', label: '4 times' },
  { id: '16', label: '16 times' },
] as const;
type Speed = (typeof speeds)[number]['id'];

/** Plays an echo log: scrub, speed, and what the coach would have said at each moment. */
export function LogPlayer({ speciesId, waterTempC, units }: { speciesId: string; waterTempC: number; units: UnitPreference }) {
  const palette = usePalette();
  const flasher = useFlasher({ mode: 'local', speciesId, waterTempC, stepM: depthStepM(units), sceneId: 'empty', seed: 1 }, true);
  const [log, setLog] = useState<{ name: string; lengthMs: number } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [speed, setSpeed] = useState<Speed>('1');
  const [isPlaying, setPlaying] = useState(false);
  const [firstT, setFirstT] = useState<number | null>(null);
  const { frame, play } = flasher;
  const nowMs = frame && firstT !== null ? Math.max(0, frame.state.t - firstT) : 0;
  const isAtEnd = log !== null && nowMs >= log.lengthMs - 200;
  const runs = isPlaying && !isAtEnd;
  useEffect(() => {
    play(runs ? Number(speed) : 0);
  }, [runs, speed, play]);
  if (frame && firstT === null && log) setFirstT(frame.state.t);

  const open = async () => {
    const file = await openFile('.ndjson,.jsonl,application/x-ndjson,text/plain');
    if (!file) return;
    setPlaying(false);
    setFirstT(null);
    try {
      const lengthMs = await flasher.open(file.text);
      setLog({ name: file.name, lengthMs });
      setWrong(null);
    } catch (error) {
      setLog(null);
      setWrong(`${file.name} is not played. ${(error as Error).message}`);
    }
  };
  const start = () => {
    if (isAtEnd) flasher.seek(0);
    setPlaying(!runs);
  };
  const words = frame?.advice && adviceWords(frame.advice, units);
  return (
    <View style={{ flex: 1 }}>
      <View style={{ padding: 16, gap: 8 }}>
        <View aria-live="polite" style={{ minHeight: 84, gap: 2 }}>
          <Text heading={1} size="title">
            {log ? (words?.instruction ?? 'Nothing to say yet') : 'Play an echo log'}
          </Text>
          <Text tone="second">
            {log
              ? words
                ? `${words.reason} ${words.then}`
                : log.name
              : 'A log that a sounder or this app has kept. It is read on this phone by the same reader and coach as a live flasher.'}
          </Text>
        </View>
        {wrong ? <Caution headline="This log cannot be played">{wrong}</Caution> : null}
      </View>
      {log ? <WaterColumnView flasher={flasher} units={units} iceM={null} adviceM={frame?.advice?.jigM ?? null} onJig={null} /> : <View style={{ flex: 1 }} />}
      <View style={{ padding: 12, gap: 10, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.ground }}>
        {log ? <Scrubber nowMs={nowMs} lengthMs={log.lengthMs} onSeek={flasher.seek} /> : null}
        {log ? <Choice label="Speed" options={speeds} value={speed} onChange={setSpeed} /> : null}
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Action grow height={64} label={log ? 'Open another' : 'Open a log'} kind={log ? 'plain' : 'main'} onPress={() => void open()} />
          {log ? <Action grow height={64} kind="main" label={runs ? 'Pause' : 'Play'} onPress={start} /> : null}
        </View>
      </View>
    </View>
  );
}
