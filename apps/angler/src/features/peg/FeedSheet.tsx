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

/** Grains that are thrown by hand where nobody said how many. */
const usualGrains = 6;

/** Mixes by their density, g/cm³: assumed until one has seen one's own break. */
const mixes = [
  { id: '1.1', label: 'Light' },
  { id: '1.2', label: 'Usual' },
  { id: '1.35', label: 'With gravel' },
] as const;

/** A feed while it is set: as it is advised until one sets it by hand, for any swim of the peg. */
function useFeedDraft({ pole, sheets, advice, log }: PegControl) {
  const { peg, here, depth, flow } = advice;
  const { units } = usePreferences();
  const [own, setOwn] = useState<{ ball: Partial<Ball>; dropM?: number; balls?: number; way?: FeedWay }>({ ball: {} });
  const [swimId, setSwim] = useState(sheets.feedFor ?? here.id);
  const [grains, setGrains] = useState(usualGrains);
  const [contents, setContents] = useState<FeedContent[]>([]);
  const swim = peg.swims.find((s) => s.id === swimId) ?? here;
  const picture = advice.feedOf(swim);
  const ball: Ball = { ...picture.next.ball, ...own.ball };
  const dropM = own.dropM ?? picture.next.dropM;
  const balls = own.balls ?? Math.max(1, picture.advice.balls);
  const way = own.way ?? picture.advice.way;
  const isLoose = way === 'loose';
  const dropped = { alongM: [], feedsNow: [{ ms: 0, station: swim.id, what: ball.particle, massG: null, alongM: dropM, ball }] };
  return {
    swim,
    picture,
    ball,
    dropM,
    balls,
    way,
    isLoose,
    grains,
    contents,
    /** Where the food of it comes to lie. */
    lies: feedPicture(dropped, swim.depthM ?? depth.m, flow.ms, pole.runM, ball, units).last,
    set: {
      swim: setSwim,
      grains: setGrains,
      own: (part: Partial<typeof own>) => setOwn({ ...own, ...part }),
      ball: (part: Partial<Ball>) => setOwn({ ...own, ball: { ...own.ball, ...part } }),
    },
    toggle: (id: FeedContent) => setContents(contents.includes(id) ? contents.filter((c) => c !== id) : [...contents, id]),
    logIt: () => {
      setPole({ ball });
      void log.fed(swim, ball, dropM, { ...(isLoose ? { grains } : { balls }), ...(contents.length > 0 ? { contents } : {}), way });
    },
  };
}

/** What is fed, how hard it is squeezed, and where it is dropped; and where its food then lies. */
export function FeedSheet({ control }: { control: PegControl }) {
  const { own, sheets, advice } = control;
  const { peg, flow } = advice;
  const { units } = usePreferences();
  const draft = useFeedDraft(control);
  const { swim, picture, ball, dropM, balls, way, isLoose, grains, contents, lies, set } = draft;
  const placed = peg.swims.filter((s) => s.outM !== null);
  const stepM = metresPerDepthUnit(units) * (units.depth === 'ft' ? 0.5 : 0.2);
  return (
    <Sheet title={advice.feed.label} open onClose={sheets.close} footer={<Action kind="main" height={64} label={`Fed ${swimName(swim, units)}: log it`} onPress={draft.logIt} />}>
      <Text>{advice.feed.reason}</Text>
      {advice.feed.viewpoint ? <Text tone="second">{viewpointLine(advice.feed.viewpoint)}</Text> : null}
      {placed.length > 1 ? <Choice label="Which swim" wrap options={placed.map((s) => ({ id: s.id, label: swimName(s, units) }))} value={swim.id} onChange={set.swim} /> : null}
      <Text strong>{picture.headline}</Text>
      <Text tone="second">{picture.advice.why}</Text>
      {own.ball === null ? (
        <Text tone="straw">{`Nobody has said what the ball is: ${liftText(ball.cm / 100, units)}, the usual mix, squeezed as marked below is assumed. Set it once; from then on a tap on Fed logs it.`}</Text>
      ) : null}
      <View style={{ gap: 6 }}>
        <Text strong>How it gets there</Text>
        <Choice label="How it gets there" wrap options={wayOptions} value={way} onChange={(id) => set.own({ way: id })} />
      </View>
      {isLoose ? (
        <Stepper
          label="Grains"
          text={String(grains)}
          onStep={(d) => set.grains(clamp(grains + d, 1, 500))}
          big={{ text: '10', onStep: (d) => set.grains(clamp(grains + 10 * d, 1, 500)) }}
        />
      ) : (
        <Stepper label="Balls" text={String(balls)} onStep={(d) => set.own({ balls: clamp(balls + d, 1, 20) })} />
      )}
      <View style={{ gap: 6 }}>
        <Text strong>What it holds</Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {feedContents.map((id) => (
            <Action key={id} height={48} selected={contents.includes(id)} label={contentNames[id]} onPress={() => draft.toggle(id)} />
          ))}
        </View>
      </View>
      <BallMade draft={draft} />
      <Stepper label="Size of the ball" text={liftText(ball.cm / 100, units)} onStep={(d) => set.ball({ cm: clamp(ball.cm + d * 0.5, 2, 10) })} />
      <Stepper
        label="Where it is dropped"
        text={Math.abs(dropM) < 0.05 ? 'where the float goes in' : `${depthText(Math.abs(dropM), units)} ${dropM > 0 ? 'right' : 'left'} of it`}
        onStep={(d) => set.own({ dropM: clamp(Math.round((dropM + d * stepM) * 100) / 100, -8, 8) })}
      />
      {lies ? (
        <Text tone="second">
          {flow.ms === null
            ? 'The flow is not timed: on still water it lies where it falls.'
            : `Its food then lies ${depthText(Math.abs(lies.span.fromM), units)} to ${depthText(Math.abs(lies.span.toM), units)} along, ${Math.round(lies.sinkS)} s after it is dropped. Speeds of sinking food are rules of thumb: watch one ball at the margin.`}
        </Text>
      ) : null}
    </Sheet>
  );
}

/** What a ball is made of and how hard it is squeezed. */
function BallMade({ draft: { ball, set } }: { draft: ReturnType<typeof useFeedDraft> }) {
  const { kit, pole } = usePreferences();
  return (
    <>
      <View style={{ gap: 6 }}>
        <Text strong>How hard it is squeezed</Text>
        <Choice
          label="How hard it is squeezed"
          wrap
          options={squeezes.map((s) => ({ id: s.id, label: s.label }))}
          value={ball.breaks}
          onChange={(breaks) => set.ball({ breaks })}
        />
      </View>
      <View style={{ gap: 6 }}>
        <Text strong>What sinks from it</Text>
        <Choice
          label="What sinks from it"
          wrap
          options={feedParticleIds.map((p) => ({ id: p, label: feedParticles[p].name }))}
          value={ball.particle}
          onChange={(particle) => set.ball({ particle })}
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
        <Choice label="The mix" wrap options={mixes} value={String(ball.gcc) as (typeof mixes)[number]['id']} onChange={(gcc) => set.ball({ gcc: Number(gcc) })} />
      </View>
    </>
  );
}
