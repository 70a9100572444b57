import type { OutingState, SurfaceSeen } from '@burrow/core/ledger';
import { arrivalRows, arrivalWords, type Situation } from '@burrow/core/situation';
import { useState } from 'react';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import type { Thing } from '@/features/station/useLogged';
import { useLedger } from '@/data/session';
import { clarityFigures, flowFigures, levelFigures, temperatureFigures, type Figure } from '@/features/entries/figures';
import { FigureStepper } from '@/features/entries/FigureStepper';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { noWind, windBody, WindField, type WindByEye } from './WindField';

const surfaces: { id: SurfaceSeen; label: string }[] = [
  { id: 'open', label: 'Open water' },
  { id: 'skin', label: 'A skin of ice' },
  { id: 'ice', label: 'Ice to stand on' },
];

const sides = [
  { id: 'right', label: 'To my right' },
  { id: 'left', label: 'To my left' },
] as const;

/** A thermometer is held so deep on arrival, m, and a float is timed over so much, m. Convention. */
const [surfaceM, floatM] = [0.3, 2] as const;

interface Found {
  surface: SurfaceSeen | null;
  wind: WindByEye;
  tempC: number | null;
  secchiM: number | null;
  levelM: number | null;
  seconds: number | null;
  /** Which way the float went, to one who faces the water. */
  side: 'right' | 'left';
}

const nothing: Found = { surface: null, wind: noWind, tempC: null, secchiM: null, levelM: null, seconds: null, side: 'right' };

/** Entries of what was found; nothing of what was passed over. */
function thingsOf({ surface, wind, tempC, secchiM, levelM, seconds, side }: Found): Thing[] {
  const said = windBody(wind);
  return [
    ...(surface === null ? [] : [{ kind: 'surface-seen' as const, body: { surface } }]),
    ...(Object.keys(said).length === 0 ? [] : [{ kind: 'weather-seen' as const, body: said }]),
    ...(tempC === null ? [] : [{ kind: 'temperature-measured' as const, body: { depthM: surfaceM, tempC } }]),
    ...(secchiM === null ? [] : [{ kind: 'clarity-measured' as const, body: { secchiM } }]),
    ...(levelM === null ? [] : [{ kind: 'level-measured' as const, body: { levelM, by: 'mark' as const } }]),
    ...(seconds === null ? [] : [{ kind: 'flow-timed' as const, body: { alongM: side === 'right' ? floatM : -floatM, seconds } }]),
  ];
}

/** Is it as planned? What one finds on arrival, each beside what the plan took it for; what differs changes the advice at once, and is told. */
export function ArrivalSheet({ outing, zone, situation, onClose }: { outing: OutingState; zone: string; situation: Situation; onClose: () => void }) {
  const { units } = usePreferences();
  const { ledger } = useLedger();
  const [found, setFound] = useState<Found>(nothing);
  // What the plan took it for stays as it was while the log already says more.
  const [before] = useState(situation);
  const [isLogged, setLogged] = useState(false);
  const put = (part: Partial<Found>) => setFound((f) => ({ ...f, ...part }));
  const planned = new Map(arrivalRows(before, units).map((row) => [row.what, `Planned for: ${row.planned}`]));
  const things = thingsOf(found);
  const log = async () => {
    await ledger.writeAll({ id: outing.id, zone }, things);
    setLogged(true);
  };
  const begins = (figure: Figure, at: number): Figure => ({ ...figure, start: at });
  if (isLogged) return <Told zone={zone} before={before} after={situation} onClose={onClose} />;
  return (
    <Sheet
      title="Is it as planned?"
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label="Log what I found" disabled={things.length === 0} onPress={() => void log()} />}
    >
      {planned.has('surface') ? (
        <View style={{ gap: 6 }}>
          <Text strong>The water lies under</Text>
          <Text size="small" tone="second">
            {planned.get('surface')}
          </Text>
          <Choice label="The water lies under" wrap options={surfaces} value={found.surface} onChange={(surface) => put({ surface })} />
        </View>
      ) : null}
      <WindField value={found.wind} onChange={(wind) => put({ wind })} planned={planned.get('wind')} />
      <FigureStepper
        figure={begins(temperatureFigures(units)[0], Math.round(before.column.profile.tempC[0]))}
        label="Water near the surface"
        value={found.tempC}
        onChange={(tempC) => put({ tempC })}
        empty="not read"
        hint={planned.get('temperature')}
      />
      <FigureStepper
        figure={begins(clarityFigures(units)[0], before.clarity.value)}
        label="A white bait is lost from sight at"
        value={found.secchiM}
        onChange={(secchiM) => put({ secchiM })}
        hint={planned.get('clarity')}
      />
      <FigureStepper
        figure={begins(levelFigures(units)[0], before.level.value)}
        label="Level of the water"
        value={found.levelM}
        onChange={(levelM) => put({ levelM })}
        hint={planned.get('level')}
      />
      {planned.has('flow') ? (
        <>
          <FigureStepper
            figure={{ ...flowFigures(units)[1], start: 10 }}
            label="A float over 2 m takes"
            value={found.seconds}
            onChange={(seconds) => put({ seconds })}
            empty="not timed"
            hint={planned.get('flow')}
          />
          <Choice label="The float went" wrap options={sides} value={found.side} onChange={(side) => put({ side })} />
        </>
      ) : null}
      <Text size="small" tone="second">
        Pass over what you did not look at: only what you set is logged.
      </Text>
    </Sheet>
  );
}

/** What differed, and what changes by it. */
function Told({ before, after, zone, onClose }: { before: Situation; after: Situation; zone: string; onClose: () => void }) {
  const { units } = usePreferences();
  const { differs, changes } = arrivalWords(before, after, units, zone);
  return (
    <Sheet title={differs.length === 0 ? 'As planned' : 'Not as planned'} open onClose={onClose} footer={<Action kind="main" height={64} label="Go on" onPress={onClose} />}>
      {differs.length === 0 ? <Text>What you found is near enough to what the plan took it for: nothing changes.</Text> : null}
      <View style={{ gap: 8 }} aria-live="polite">
        {differs.map((text) => (
          <Text key={text}>{text}</Text>
        ))}
        {changes.map((text) => (
          <Text key={text} strong>
            {text}
          </Text>
        ))}
      </View>
    </Sheet>
  );
}
