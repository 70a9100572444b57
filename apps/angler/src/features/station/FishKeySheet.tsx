import { keyed, keysOf, speciesOf, type FishKey, type KeyDrawing } from '@burrow/core/fish';
import { ruleCardText, type RuleCard } from '@burrow/core/law';
import type { UnitPreference } from '@burrow/core/units';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Ellipse, G, Line, Path } from 'react-native-svg';
import type { Palette } from '@/theme/palette';
import { radius, usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';

interface Props {
  species: string;
  card: RuleCard | undefined;
  units: UnitPreference;
  onClose: () => void;
  onFish: (species: string) => void;
}

/** Which of the fish that are taken for each other is it? Two or three things to look at, each drawn, and what they say together. */
export function FishKeySheet({ species, card, units, onClose, onFish }: Props) {
  const palette = usePalette();
  const keys = keysOf(species);
  const [id, setId] = useState(keys[0].id);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const key: FishKey = keys.find((k) => k.id === id) ?? keys[0];
  const { shares, is } = keyed(key, answers);
  const isAnswered = Object.keys(answers).length > 0;
  const rule = is && card?.fish.find((f) => f.species === is);
  return (
    <Sheet
      title="Which fish is it?"
      open
      onClose={onClose}
      footer={<Action kind="main" height={64} label={is ? `${speciesOf(is).name}: take it` : 'Not sure yet'} disabled={!is} onPress={() => onFish(is!)} />}
    >
      {keys.length > 1 ? (
        <Choice
          label="Look-alikes"
          options={keys.map((k) => ({ id: k.id, label: k.name }))}
          value={id}
          onChange={(next) => {
            setId(next);
            setAnswers({});
          }}
          wrap
        />
      ) : null}
      <View aria-live="polite">
        <Text strong>{!isAnswered ? key.name : shares.map((s) => `${speciesOf(s.species).short} ${Math.round(100 * s.share)} in 100`).join(', ')}</Text>
        {rule && card ? (
          <Text size="small" tone="second">
            {ruleCardText({ fish: [rule], seenOn: card.seenOn }, (s) => speciesOf(s).short, units).join('. ')}
          </Text>
        ) : null}
      </View>
      {key.questions.map((q) => (
        <View key={q.id} style={{ gap: 8 }}>
          <Text strong>{q.ask}</Text>
          <View role="radiogroup" aria-label={q.ask} style={{ flexDirection: 'row', gap: 8 }}>
            {q.answers.map((a, k) => {
              const isChosen = answers[q.id] === a.id;
              return (
                <Pressable
                  key={a.id}
                  role="radio"
                  aria-checked={isChosen}
                  onPress={() => setAnswers((all) => ({ ...all, [q.id]: a.id }))}
                  style={{
                    flex: 1,
                    minHeight: 132,
                    padding: 8,
                    gap: 6,
                    alignItems: 'center',
                    borderRadius: radius,
                    borderWidth: isChosen ? 3 : 1,
                    borderColor: isChosen ? palette.kelp : palette.line,
                    backgroundColor: palette.card,
                  }}
                >
                  <KeySign drawing={q.drawing} second={k === 1} palette={palette} />
                  <Text size="small" strong align="center">
                    {a.text}
                  </Text>
                </Pressable>
              );
            })}
          </View>
        </View>
      ))}
      <Text size="small" tone="second">
        Where it stays open, treat it as the one with the stricter rule.
      </Text>
    </Sheet>
  );
}

/** A fish in outline with what the question looks at; the first or the second answer. */
function KeySign({ drawing, second, palette }: { drawing: KeyDrawing; second: boolean; palette: Palette }) {
  const ink = { stroke: palette.ink, strokeWidth: 2.5, fill: 'none', strokeLinecap: 'round' as const };
  const mark = { stroke: palette.ember, strokeWidth: 4, fill: 'none', strokeLinecap: 'round' as const };
  const body = <Path d="M8 48C30 22 84 20 112 44l18 -14v36l-18 -14C84 76 30 74 8 48Z" fill={palette.depths[1]} stroke={palette.ink} strokeWidth={2.5} />;
  const eye = <Circle cx={24} cy={43} r={3.5} fill={palette.ink} />;
  const spines = (n: number) =>
    Array.from({ length: n }, (_, k) => <Line key={k} x1={44 + 7 * k} x2={40 + 7 * k} y1={28} y2={8 + Math.abs(n / 2 - k)} {...mark} strokeWidth={3} />);
  const upright = [40, 52, 64, 76, 88, 100].map((x) => <Line key={x} x1={x} x2={x} y1={32} y2={60} {...mark} strokeWidth={5} />);
  const specks = [[42, 36], [54, 50], [60, 34], [70, 56], [76, 40], [88, 50], [96, 40], [50, 60]] as const; // prettier-ignore
  const part: Record<KeyDrawing, [React.ReactNode, React.ReactNode]> = {
    'dorsal-spines': [spines(8), spines(6)],
    bars: [specks.map(([x, y]) => <Circle key={`${x} ${y}`} cx={x} cy={y} r={3.5} fill={palette.ember} />), upright],
    'bars-or-none': [upright, null],
    'fin-blotch': [
      <G key="b">
        <Path d="M42 28C46 10 62 10 66 27" {...ink} />
        <Circle cx={61} cy={22} r={5} fill={palette.ember} />
      </G>,
      <Path key="b" d="M42 28C46 10 62 10 66 27" {...ink} />,
    ],
    jaw: [<Path key="j" d="M10 52H36" {...mark} />, <Path key="j" d="M10 52H24" {...mark} />],
    side: [<Path key="s" d="M34 47H108" {...mark} strokeDasharray="10 4" strokeWidth={6} />, upright],
    'dorsal-dip': [
      <G key="d">
        <Path d="M42 28C46 10 58 10 62 27" {...mark} />
        <Path d="M74 28C80 12 92 14 96 32" {...mark} />
      </G>,
      <Path key="d" d="M42 28C46 10 58 10 66 22C74 12 90 12 96 32" {...mark} />,
    ],
    'tail-fork': [<Path key="t" d="M130 30L114 48L130 66" {...mark} />, <Path key="t" d="M130 30L127 48L130 66" {...mark} />],
    spots: [
      <G key="p">
        <Ellipse cx={64} cy={48} rx={42} ry={18} fill={palette.second} />
        {specks.map(([x, y]) => (
          <Circle key={`${x} ${y}`} cx={x} cy={y} r={3.5} fill={palette.card} />
        ))}
      </G>,
      specks.map(([x, y]) => <Circle key={`${x} ${y}`} cx={x} cy={y} r={3.5} fill={palette.ink} />),
    ],
    stripes: [[38, 46, 54].map((y) => <Line key={y} x1={36} x2={106} y1={y} y2={y} {...mark} strokeWidth={3} strokeDasharray="14 4" />), null],
    tongue: [
      <G key="g">
        <Path d="M20 60C24 84 60 84 64 60" {...ink} />
        <Ellipse cx={42} cy={66} rx={9} ry={6} fill={palette.ember} />
      </G>,
      <Path key="g" d="M20 60C24 84 60 84 64 60" {...ink} />,
    ],
  };
  return (
    <Svg width={138} height={88} viewBox="0 0 138 88" aria-hidden>
      {body}
      {eye}
      {part[drawing][second ? 1 : 0]}
    </Svg>
  );
}
