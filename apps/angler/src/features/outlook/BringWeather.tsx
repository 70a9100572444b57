import { columnSeasonStart } from '@burrow/core/outlook';
import { clockText, counted, dayText, localTime } from '@burrow/core/units';
import { weatherColumns, type WeatherHour } from '@burrow/core/weather';
import { useState } from 'react';
import { View } from 'react-native';
import { nowMs } from '@/data/clock';
import { ofStation, pickWeather, useOwnWeather, whyNot, type ReadWeather } from '@/data/own-weather';
import { useWater } from '@/data/water';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface Props {
  waterId: string;
  zone: string;
  /** Files whose weather stands now. */
  brought?: string;
}

const names: Record<(typeof weatherColumns)[number], string> = {
  airC: 'temperature',
  pressureHpa: 'pressure',
  windMs: 'wind',
  windFromDeg: 'wind direction',
  cloud: 'cloud',
  precipMm: 'rain and snow',
  snowCm: 'snow depth',
};

/** Which quantities a series has, and which it lacks. */
function columnWords(series: readonly WeatherHour[]): string {
  const has = weatherColumns.filter((c) => series.some((row) => row[c] !== null));
  const lacks = weatherColumns.filter((c) => !has.includes(c));
  return `With ${has.map((c) => names[c]).join(', ') || 'nothing measured'}.${lacks.length > 0 ? ` Without ${lacks.map((c) => names[c]).join(', ')}.` : ''}`;
}

const shownLeftOut = 5;

/** Weather of one's own from a file: looked at first, then taken in; what was brought may be forgotten. */
export function BringWeather({ waterId, zone, brought }: Props) {
  const [read, setRead] = useState<ReadWeather | null>(null);
  const [forgetting, setForgetting] = useState(false);
  const [says, setSays] = useState<string | null>(null);
  const { bring, forget } = useOwnWeather(waterId);
  const pick = async () => {
    bring.reset();
    setSays(null);
    setRead(await pickWeather());
  };
  // With its year: a file may be of another winter.
  const when = (ms: number) => `${dayText(ms, zone)} ${localTime(ms, zone).year} ${clockText(ms, zone)}`;
  const file = read?.file ?? null;
  // A winter begins half a year apart on either side of the equator.
  const { water } = useWater();
  const seasonStartMs = columnSeasonStart(nowMs(), water?.lat ?? 0);
  const refused = whyNot(bring.error ?? forget.error);
  return (
    <View style={{ gap: 8 }}>
      <Action icon="upload" label="Bring weather from a file" onPress={() => void pick()} />
      {brought === undefined ? null : <Action label="Forget the weather you brought" kind="bare" onPress={() => setForgetting(true)} />}
      <View aria-live="polite">{says === null ? null : <Text tone="second">{says}</Text>}</View>
      <Sheet
        title="Weather from a file"
        open={read !== null}
        onClose={() => setRead(null)}
        footer={
          file ? (
            <Action
              kind="main"
              height={64}
              label={bring.isPending ? 'Taking it in' : 'Take it in'}
              disabled={bring.isPending}
              onPress={() =>
                bring.mutate(
                  { name: read!.name, file },
                  {
                    onSuccess: () => {
                      setSays(`${read!.name} is taken in.`);
                      setRead(null);
                    },
                  },
                )
              }
            />
          ) : (
            <Action label="Choose another file" onPress={() => void pick()} />
          )
        }
      >
        {read === null ? null : file === null ? (
          <>
            <Text tone="straw">{`${read.name}: ${read.why}`}</Text>
            {read.stations ? (
              <>
                <Text strong>Whose reports are of this water?</Text>
                <Choice
                  label="Station"
                  wrap
                  options={read.stations.map((s) => ({ id: s.station, label: `${s.station}, ${counted(s.reports, 'report')}` }))}
                  value={null}
                  onChange={(station) => void ofStation(read, station).then(setRead)}
                />
              </>
            ) : null}
          </>
        ) : (
          <>
            <Text>{`${read.name}: ${file.series.length} ${file.series.length === 1 ? 'row' : 'rows'}, ${when(file.series[0].atMs)} to ${when(file.series.at(-1)!.atMs)}.`}</Text>
            <Text>{columnWords(file.series)}</Text>
            {file.series.at(-1)!.atMs < seasonStartMs ? (
              <Text tone="straw">None of it is of this winter: it fills in the past, and says nothing of today. It can be forgotten again.</Text>
            ) : null}
            {file.monthTaken === null ? null : <Text tone="straw">{`Such reports name no month: they are taken to begin in ${file.monthTaken}. Look at the dates above.`}</Text>}
            {file.leftOut.length === 0 ? null : (
              <Text tone="straw">
                {`${file.leftOut.length === 1 ? '1 group' : `${file.leftOut.length} groups`} cannot be read and ${file.leftOut.length === 1 ? 'stays' : 'stay'} unknown:\n${file.leftOut
                  .slice(0, shownLeftOut)
                  .map((l) => `${l.where}: ${l.why}`)
                  .join('\n')}${file.leftOut.length > shownLeftOut ? `\nand ${file.leftOut.length - shownLeftOut} more` : ''}`}
              </Text>
            )}
            <Text tone="second">It is this water’s weather for its hours, before a service’s. A row of the same time that you brought before gives way.</Text>
          </>
        )}
        {refused === null ? null : <Text tone="straw">{refused}</Text>}
      </Sheet>
      <Sheet
        title="Forget the weather you brought"
        open={forgetting}
        onClose={() => setForgetting(false)}
        footer={
          <Action
            kind="main"
            height={64}
            label="Forget it"
            disabled={forget.isPending}
            onPress={() =>
              forget.mutate(undefined, {
                onSuccess: () => {
                  setForgetting(false);
                  setSays('Forgotten. The file is still yours to bring again.');
                },
              })
            }
          />
        }
      >
        <Text>{`From ${brought}. The Outlook goes back to a service’s weather, or to none.`}</Text>
        {refused === null ? null : <Text tone="straw">{refused}</Text>}
      </Sheet>
    </View>
  );
}
