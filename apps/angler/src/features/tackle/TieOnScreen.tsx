import { speciesOf } from '@burrow/core/fish';
import { hookProblems } from '@burrow/core/law';
import { methodOf, usualMethod } from '@burrow/core/methods';
import { familyOf } from '@burrow/core/tackle';
import { forages, goals, leaderKg, zoneOf, type Forage } from '@burrow/core/tie-on';
import { depthText, fishLengthText, inOwnUnits, lureText, tempText, weightText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { newId } from '@/data/ids';
import { change, usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Caution } from '@/ui/Caution';
import { Choice } from '@/ui/Choice';
import { Text } from '@/ui/Text';
import { FallChart } from './FallChart';
import { PieceDrawing } from './PieceDrawing';
import { useTieOn } from './useTieOn';
import { pieceText } from './words';

const goalNames = { numbers: 'Numbers', size: 'Size', supper: 'Supper' } as const;
const zoneNames = { middle: 'For the middle of the water', 'near bottom': 'For just over the bottom', bottom: 'For the bottom itself' } as const;
const forageNames: Readonly<Record<Forage, string>> = { perch: 'Young perch', minnow: 'Minnows', shad: 'Shad', crayfish: 'Crayfish', insects: 'Insects, worms' };
const changes = { size: 'size before colour; schools differ', colour: 'another colour; schools differ whether that comes first', bait: 'another bait' } as const;

const metIn = { middle: 'They are met in the middle of the water.', 'near bottom': 'They are met just over the bottom.', bottom: 'They are met on the bottom.' } as const;

type Answer = ReturnType<typeof useTieOn>;

/** What to tie on now: the first choice of the box with its reasons, how it falls, what to change to, and what comes next. */
export function TieOnScreen() {
  const palette = usePalette();
  const router = useRouter();
  const { presentations, presentation, goal } = usePreferences();
  const answer = useTieOn();
  const tie = useTie(answer);
  const { choices, box, byZone, forage, eats, unsaid } = answer;
  const [first] = choices;
  const piece = first && box.find((p) => p.piece === first.piece);
  return (
    <View style={{ flex: 1 }}>
      <ScrollView contentContainerStyle={{ paddingVertical: 16, gap: 14, maxWidth: 720, width: '100%', alignSelf: 'center' }}>
        <FirstChoice answer={answer} />
        <View style={{ paddingHorizontal: 16 }}>
          <Choice label="What for" options={goals.map((id) => ({ id, label: goalNames[id] }))} value={goal} onChange={(id) => change({ goal: id })} wrap />
        </View>
        {piece ? <ChosenPiece answer={answer} piece={piece} /> : null}
        {first
          ? byZone
              .filter(({ pick }) => pick?.piece !== first.piece)
              .map(({ zone: part, pick }) => (
                <Row key={part} over={zoneNames[part]} what={pick?.piece ?? 'Nothing in your box works there'} under={pick?.why.slice(1, 3).join(' ') ?? ''} />
              ))
          : null}
        <View style={{ paddingHorizontal: 16, gap: 6 }}>
          <Text strong>{forage === null ? 'What do they eat here? Asked once a water' : 'They eat here'}</Text>
          <Choice label="What they eat here" options={forages.map((id) => ({ id, label: forageNames[id] }))} value={forage} onChange={eats} wrap />
        </View>
        {unsaid.length > 0 ? (
          <View style={{ paddingHorizontal: 16 }}>
            <Text size="small" tone="straw">{`Left out, for nobody said what they are: ${unsaid.map((p) => p.name).join(', ')}. Gear asks once.`}</Text>
          </View>
        ) : null}
      </ScrollView>
      <View style={{ flexDirection: 'row', gap: 8, padding: 12, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
        <Action grow height={64} label="Rig cards" onPress={() => router.navigate('/rig-card')} />
        {first ? (
          <Action
            grow
            kind="main"
            height={64}
            label={presentations.find((p) => p.id === presentation)?.name === first.piece ? 'It is on the line' : 'On the line'}
            onPress={() => void tie()}
          />
        ) : (
          <Action grow kind="main" height={64} label="To the box" onPress={() => router.navigate('/gear')} />
        )}
      </View>
    </View>
  );
}

/** Ties the first choice on: the line in the water is lifted and lowered again with it, as deep as it hung. */
function useTie({ choices, outing, station }: Answer) {
  const router = useRouter();
  const { presentations } = usePreferences();
  const { ledger } = useLedger();
  const { detail } = useWater();
  return async () => {
    const chosen = presentations.find((p) => p.name === choices[0]?.piece);
    if (!chosen) return;
    change({ presentation: chosen.id });
    const line = outing?.lines.findLast((l) => l.station === station?.id && l.upMs === null && l.rod === 'rod 1');
    const depth = line?.depths.at(-1);
    if (outing && station && line && line.presentation !== chosen.name)
      await ledger.writeAll({ id: outing.id, zone: detail.data?.value.file.water.timezone ?? 'UTC' }, [
        { kind: 'line-up', body: { line: line.id } },
        { kind: 'line-down', body: { line: newId(), station: station.id, rod: line.rod, presentation: chosen.name, ...(depth ? { depthM: depth.depthM } : {}) } },
      ]);
    router.navigate(outing?.currentStation ? '/hole' : '/gear');
  };
}

/** What the answer rests on, the first choice, and its reasons; with an empty box what to get first. */
function FirstChoice({ answer: { query, temp, secchi, box, choices, buy } }: { answer: Answer }) {
  const { units, goal } = usePreferences();
  const [first] = choices;
  const rests = [
    speciesOf(query.speciesId).short,
    goalNames[goal].toLowerCase(),
    (methodOf(query.method) ?? usualMethod).by,
    query.depthM === null ? 'depth not known' : depthText(query.depthM, units),
    `${tempText(query.tempC, units)} ${temp.by}`,
    `sight ${depthText(query.secchiM, units)} ${secchi.by}`,
    `${choices.length} in your box fit`,
  ].join(', ');
  return (
    <View style={{ paddingHorizontal: 16, gap: 6 }} aria-live="polite">
      <Text size="small" tone="second">
        {rests}
      </Text>
      <Text heading={1} size="title">
        {first ? `Tie on: ${first.piece}` : box.length === 0 ? 'Your box is empty' : 'Nothing in your box is for this'}
      </Text>
      {first ? (
        <Text>{inOwnUnits(first.why.join(' '), units)}</Text>
      ) : buy ? (
        <Text>{`First a ${buy.family.name.toLowerCase()}, about ${lureText(buy.massG, units)} and ${fishLengthText(buy.sizeMm, units)}, ${buy.colour}. ${buy.why.slice(0, 2).join(' ')}`}</Text>
      ) : null}
      {first?.viewpoint ? <Text size="small" tone="second">{`Schools differ on colour: this is the side of ${first.viewpoint}.`}</Text> : null}
    </View>
  );
}

/** The chosen piece: what the rule card says of its hooks, its picture, how it falls, and what comes after it. */
function ChosenPiece({ answer: { query, choices, next }, piece }: { answer: Answer; piece: Answer['box'][number] }) {
  const { units } = usePreferences();
  const { detail } = useWater();
  const [first, second] = choices;
  const leader = leaderKg(query.speciesId);
  const card = detail.data?.value.file.water.rules;
  const against = card ? hookProblems(card, piece) : [];
  return (
    <>
      {against.length > 0 ? (
        <View style={{ paddingHorizontal: 16 }}>
          <Caution headline="By your rule card">{against.join(' ')}</Caution>
        </View>
      ) : null}
      <PieceDrawing piece={piece} units={units} />
      <View style={{ paddingHorizontal: 16 }}>
        <Text size="small" tone="second">
          {`${pieceText({ tackle: piece }, units)}. Leader of ${weightText(1000 * leader.fromKg, units)} to ${weightText(1000 * leader.toKg, units)}, loop knot so that it hangs free. ${metIn[zoneOf(query.speciesId, query.method)]}`}
        </Text>
        {first.isMassSaid ? null : <Text size="small" tone="straw">{`Its mass is not said: ${lureText(first.massG, units)} would fall in time.`}</Text>}
      </View>
      {query.depthM === null ? null : <FallChart family={familyOf(piece.family)} massG={first.massG} depthM={query.depthM} lineMm={query.lineMm} units={units} />}
      {next ? <Row over="Two refusals alike: change the beat, then" what={next.piece} under={changes[next.what]} /> : null}
      {second ? <Row over="Runner-up" what={second.piece} under={second.why.slice(0, 2).join(' ')} /> : null}
    </>
  );
}

function Row({ over, what, under }: { over: string; what: string; under: string }) {
  const palette = usePalette();
  return (
    <View style={{ paddingHorizontal: 16, paddingTop: 10, borderTopWidth: 1, borderTopColor: palette.line, gap: 2 }}>
      <Text size="small" tone="second">
        {over}
      </Text>
      <Text strong>{what}</Text>
      <Text size="small" tone="second">
        {under}
      </Text>
    </View>
  );
}
