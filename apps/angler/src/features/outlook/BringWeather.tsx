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
  const own = useOwnWeather(waterId);
  const pick = async () => {
    own.bring.reset();
    setSays(null);
    setRead(await pickWeather());
  };
  return (
    <View style={{ gap: 8 }}>
      <Action icon="upload" label="Bring weather from a file" onPress={() => void pick()} />
      {brought === undefined ? null : <Action label="Forget the weather you brought" kind="bare" onPress={() => setForgetting(true)} />}
      <View aria-live="polite">{says === null ? null : <Text tone="second">{says}</Text>}</View>
      <FoundSheet
        read={read}
        zone={zone}
        own={own}
        onPick={() => void pick()}
        onRead={setRead}
        onTaken={(name) => {
          setSays(`${name} is taken in.`);
          setRead(null);
        }}
      />
      <ForgetSheet
        open={forgetting}
        brought={brought}
        own={own}
        onClose={() => setForgetting(false)}
        onForgotten={() => {
          setForgetting(false);
          setSays('Forgotten. The file is still yours to bring again.');
        }}
      />
    </View>
  );
}

type OwnWeather = ReturnType<typeof useOwnWeather>;

/** Why the server took nothing in or forgot nothing. */
function Refused({ own: { bring, forget } }: { own: OwnWeather }) {
  const refused = whyNot(bring.error ?? forget.error);
  return refused === null ? null : <Text tone="straw">{refused}</Text>;
}

interface FoundProps {
  read: ReadWeather | null;
  zone: string;
  own: OwnWeather;
  onPick: () => void;
  onRead: (read: ReadWeather | null) => void;
  onTaken: (name: string) => void;
}

/** What was found in the file, before it is taken in. */
function FoundSheet({ read, zone, own, onPick, onRead, onTaken }: FoundProps) {
  const { bring } = own;
  const file = read?.file ?? null;
  const takeIn = () => {
    if (read && file) bring.mutate({ name: read.name, file }, { onSuccess: () => onTaken(read.name) });
  };
  return (
    <Sheet
      title="Weather from a file"
      open={read !== null}
      onClose={() => onRead(null)}
      footer={
        file ? (
          <Action kind="main" height={64} label={bring.isPending ? 'Taking it in' : 'Take it in'} disabled={bring.isPending} onPress={takeIn} />
        ) : (
          <Action label="Choose another file" onPress={onPick} />
        )
      }
    >
      {read === null ? null : file === null ? <NotRead read={read} onRead={onRead} /> : <Found name={read.name} file={file} zone={zone} />}
      <Refused own={own} />
    </Sheet>
  );
}

/** Why nothing could be read; a file of several stations asks which of them is meant. */
function NotRead({ read, onRead }: { read: ReadWeather; onRead: (read: ReadWeather) => void }) {
  return (
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
            onChange={(station) => void ofStation(read, station).then(onRead)}
          />
        </>
      ) : null}
    </>
  );
}

type FoundFile = NonNullable<ReadWeather['file']>;

/** The rows and quantities of a file that can be read, and what of it cannot. */
function Found({ name, file, zone }: { name: string; file: FoundFile; zone: string }) {
  const { water } = useWater();
  // With its year: a file may be of another winter.
  const when = (ms: number) => `${dayText(ms, zone)} ${localTime(ms, zone).year} ${clockText(ms, zone)}`;
  const last = file.series[file.series.length - 1];
  return (
    <>
      <Text>{`${name}: ${counted(file.series.length, 'row')}, ${when(file.series[0].atMs)} to ${when(last.atMs)}.`}</Text>
      <Text>{columnWords(file.series)}</Text>
      {/* A winter begins half a year apart on either side of the equator. */}
      {last.atMs < columnSeasonStart(nowMs(), water?.lat ?? 0) ? (
        <Text tone="straw">None of it is of this winter: it fills in the past, and says nothing of today. It can be forgotten again.</Text>
      ) : null}
      {file.monthTaken === null ? null : <Text tone="straw">{`Such reports name no month: they are taken to begin in ${file.monthTaken}. Look at the dates above.`}</Text>}
      {file.leftOut.length === 0 ? null : <Text tone="straw">{leftOutWords(file.leftOut)}</Text>}
      <Text tone="second">It is this water’s weather for its hours, before a service’s. A row of the same time that you brought before gives way.</Text>
    </>
  );
}

function leftOutWords(leftOut: FoundFile['leftOut']): string {
  const head = leftOut.length === 1 ? '1 group cannot be read and stays unknown:' : `${leftOut.length} groups cannot be read and stay unknown:`;
  const rest = leftOut.length > shownLeftOut ? [`and ${leftOut.length - shownLeftOut} more`] : [];
  return [head, ...leftOut.slice(0, shownLeftOut).map((l) => `${l.where}: ${l.why}`), ...rest].join('\n');
}

interface ForgetProps {
  open: boolean;
  brought: string | undefined;
  own: OwnWeather;
  onClose: () => void;
  onForgotten: () => void;
}

/** Asks before what was brought is forgotten. */
function ForgetSheet({ open, brought, own, onClose, onForgotten }: ForgetProps) {
  const { forget } = own;
  return (
    <Sheet
      title="Forget the weather you brought"
      open={open}
      onClose={onClose}
      footer={<Action kind="main" height={64} label="Forget it" disabled={forget.isPending} onPress={() => forget.mutate(undefined, { onSuccess: onForgotten })} />}
    >
      <Text>{`From ${brought}. The Outlook goes back to a service’s weather, or to none.`}</Text>
      <Refused own={own} />
    </Sheet>
  );
}
