import { viewpointLine } from '@burrow/core/casting';
import { feedContents, feedParticleIds, type FeedContent, type FeedWay } from '@burrow/core/ledger';
import { feedParticles, feedPicture, squeezes, swimName, type Ball } from '@burrow/core/pole';
import { clamp, depthText, liftText, metresPerDepthUnit } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { setPole, usePreferences } from '@/data/preferences';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';
import type { PegControl } from './usePeg';

const wayOptions = [
  { id: 'cup', label: 'Cup' },
  { id: 'throw', label: 'Thrown' },
  { id: 'catapult', label: 'Catapult' },
  { id: 'loose', label: 'Loose, by hand' },
] as const;
const contentNames: Readonly<Record<FeedContent, string>> = {
  crumb: 'Crumb',
  bread: 'Bread',
  soil: 'Soil',
  hemp: 'Hemp',
  casters: 'Casters',
  pinkies: 'Pinkies',
  maggots: 'Maggots',
  pellet: 'Pellet',
};

/** Mixes by their density, g/cm³: assumed until one has seen one's own break. */
const mixes = [
  { id: '1.1', label: 'Light' },
  { id: '1.2', label: 'Usual' },
  { id: '1.35', label: 'With gravel' },
] as const;

/** What is fed, how hard it is squeezed, and where it is dropped; and where its food then lies. */
export function FeedSheet({ control }: { control: PegControl }) {
  const { pole, own, sheets, advice } = control;
  const { peg, here, depth, flow, feedPicture: feed } = advice;
  const depthM = depth.m;
  const flowMs = flow.ms;
  const [ownBall, setBall] = useState<Partial<Ball>>({});
  const { kit, units } = usePreferences();
  const [swimId, setSwim] = useState(sheets.feedFor ?? here.id);
  const swim = peg.swims.find((s) => s.id === swimId) ?? here;
  const [ownDrop, setDrop] = useState<number | null>(null);
  const isHere = swim.id === here.id;
  const picture = isHere ? feed : feedPicture(swim, swim.depthM ?? depthM, flowMs, pole.runM, pole.ball, units);
  // The sheet opens on what is advised; what is set by hand goes before.
  const ball: Ball = { ...picture.next.ball, ...ownBall };
  const dropM = ownDrop ?? picture.next.dropM;
  const at = feedPicture(
    { alongM: [], feedsNow: [{ ms: 0, station: swim.id, what: ball.particle, massG: null, alongM: dropM, ball }] },
    swim.depthM ?? depthM,
    flowMs,
    pole.runM,
    ball,
    units,
  );
  const { advice: told } = picture;
  const [ownBalls, setBalls] = useState<number | null>(null);
  const balls = ownBalls ?? Math.max(1, told.balls);
  const [grains, setGrains] = useState(6);
  const [ownWay, setWay] = useState<FeedWay | null>(null);
  const way = ownWay ?? told.way;
  const isLoose = way === 'loose';
  const [contents, setContents] = useState<FeedContent[]>([]);
  const toggled = (id: FeedContent) => setContents(contents.includes(id) ? contents.filter((c) => c !== id) : [...contents, id]);
  const set = (part: Partial<Ball>) => setBall({ ...ownBall, ...part });
  const logIt = () => {
    setPole({ ball });
    void control.log.fed(swim, ball, dropM, {
      ...(isLoose ? { grains } : { balls }),
      ...(contents.length > 0 ? { contents } : {}),
      way,
    });
  };
  const placed = peg.swims.filter((s) => s.outM !== null);
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 0.5 : 0.2);
  return (
    <Sheet title={advice.feed.label} open onClose={sheets.close} footer={<Action kind="main" height={64} label={`Fed ${swimName(swim, units)}: log it`} onPress={logIt} />}>
      <Text>{advice.feed.reason}</Text>
      {advice.feed.viewpoint ? <Text tone="second">{viewpointLine(advice.feed.viewpoint)}</Text> : null}
      {placed.length > 1 ? <Choice label="Which swim" wrap options={placed.map((s) => ({ id: s.id, label: swimName(s, units) }))} value={swim.id} onChange={setSwim} /> : null}
      <Text strong>{picture.headline}</Text>
      <Text tone="second">{picture.advice.why}</Text>
      {own.ball === null ? (
        <Text tone="straw">{`Nobody has said what the ball is: ${liftText(ball.cm / 100, units)}, the usual mix, squeezed as marked below is assumed. Set it once; from then on a tap on Fed logs it.`}</Text>
      ) : null}
      <View style={{ gap: 6 }}>
        <Text strong>How it gets there</Text>
        <Choice label="How it gets there" wrap options={wayOptions} value={way} onChange={setWay} />
      </View>
      {isLoose ? (
        <Stepper
          label="Grains"
          text={String(grains)}
          onStep={(d) => setGrains(clamp(grains + d, 1, 500))}
          big={{ text: '10', onStep: (d) => setGrains(clamp(grains + 10 * d, 1, 500)) }}
        />
      ) : (
        <Stepper label="Balls" text={String(balls)} onStep={(d) => setBalls(clamp(balls + d, 1, 20))} />
      )}
      <View style={{ gap: 6 }}>
        <Text strong>What it holds</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {feedContents.map((id) => (
            <Action key={id} height={48} selected={contents.includes(id)} label={contentNames[id]} onPress={() => toggled(id)} />
          ))}
        </View>
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>How hard it is squeezed</Text>
        <Choice label="How hard it is squeezed" wrap options={squeezes.map((s) => ({ id: s.id, label: s.label }))} value={ball.breaks} onChange={(breaks) => set({ breaks })} />
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>What sinks from it</Text>
        <Choice
          label="What sinks from it"
          wrap
          options={feedParticleIds.map((p) => ({ id: p, label: feedParticles[p].name }))}
          value={ball.particle}
          onChange={(particle) => set({ particle })}
        />
      </View>
      {kit.feed.length > 0 ? (
        <View style={{ gap: 6 }}>
          <Text strong>Which of your feeds</Text>
          <Choice
            label="Which of your feeds"
            wrap
            options={[...kit.feed.map((f) => ({ id: f.id, label: f.name })), { id: '', label: 'Not said' }]}
            value={kit.feed.some((f) => f.id === pole.feed) ? pole.feed! : ''}
            onChange={(id) => setPole({ feed: id === '' ? null : id })}
          />
        </View>
      ) : null}
      <View style={{ gap: 6 }}>
        <Text strong>The mix</Text>
        <Choice label="The mix" wrap options={mixes} value={String(ball.gcc) as (typeof mixes)[number]['id']} onChange={(gcc) => set({ gcc: Number(gcc) })} />
      </View>
      <Stepper label="Size of the ball" text={liftText(ball.cm / 100, units)} onStep={(d) => set({ cm: clamp(ball.cm + d * 0.5, 2, 10) })} />
      <Stepper
        label="Where it is dropped"
        text={Math.abs(dropM) < 0.05 ? 'where the float goes in' : `${depthText(Math.abs(dropM), units)} ${dropM > 0 ? 'right' : 'left'} of it`}
        onStep={(d) => setDrop(clamp(Math.round((dropM + d * stepM) * 100) / 100, -8, 8))}
      />
      {at.last ? (
        <Text tone="second">
          {flowMs === null
            ? 'The flow is not timed: on still water it lies where it falls.'
            : `Its food then lies ${depthText(Math.abs(at.last.span.fromM), units)} to ${depthText(Math.abs(at.last.span.toM), units)} along, ${Math.round(at.last.sinkS)} s after it is dropped. Speeds of sinking food are rules of thumb: watch one ball at the margin.`}
        </Text>
      ) : null}
    </Sheet>
  );
}
