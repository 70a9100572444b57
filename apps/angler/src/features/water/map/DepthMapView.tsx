import type { LonLat } from '@burrow/core/ground';
import type { outingPlaces } from '@burrow/core/season';
import type { UnitPreference } from '@burrow/core/units';
import OlMap from 'ol/Map';
import View from 'ol/View';
import { defaults as defaultControls } from 'ol/control/defaults';
import ScaleLine from 'ol/control/ScaleLine';
import LineString from 'ol/geom/LineString';
import MultiPoint from 'ol/geom/MultiPoint';
import Polygon from 'ol/geom/Polygon';
import ImageLayer from 'ol/layer/Image';
import VectorLayer from 'ol/layer/Vector';
import ImageStatic from 'ol/source/ImageStatic';
import VectorSource from 'ol/source/Vector';
import { useEffect, useRef } from 'react';
import type { Palette } from '@/theme/palette';
import type { Ground } from '@/workers/ground.api';
import { bedFeatures } from './bed';
import { markFeatures, markNames, type WaterMarks } from './marks';
import { drawOverlay, type Overlay } from './overlay';
import { at, placeAt } from './pen';
import { candidateFeature, holeFeature, measureFeatures, outingFeatures, positionFeature, roomAbout, structureFeature, walkedFeatures, walkFeatures, type MapHole } from './places';

export interface DepthMapProps {
  ground: Ground;
  marks?: WaterMarks;
  /** Whether the water moves: an inflow is then no caution for ice. */
  isFlowing?: boolean;
  holes: readonly MapHole[];
  /** Where the next hole would go. */
  candidate: LonLat | null;
  position: LonLat | null;
  /** Holes laid out and not drilled yet, in walking order, with their number in the plan. */
  planned?: readonly { at: LonLat; number: number }[];
  /** Where the walk over them goes on from. */
  from?: LonLat | null;
  /** Whether they are places to choose from rather than a walk. */
  isLoose?: boolean;
  /** A way that was gone, place by place; the view opens on it. */
  walked?: readonly LonLat[];
  /** Casts and bites of an outing. */
  fished?: ReturnType<typeof outingPlaces>;
  /** A way being measured. */
  measured?: readonly LonLat[];
  /** Whether structure is named. */
  showStructure?: boolean;
  overlay?: Overlay;
  palette: Palette;
  units: UnitPreference;
  /** Place to stand close over; without it the whole water is shown. */
  focus?: LonLat;
  onTap: (at: LonLat) => void;
  zoomRef?: (zoom: (by: number) => void) => void;
}

/** The map with its layers, bottom to top, made once in its element. */
function useLayeredMap(onTap: (at: LonLat) => void, scaleUnits: 'metric' | 'imperial', zoomRef: DepthMapProps['zoomRef']) {
  const host = useRef<HTMLDivElement>(null);
  const map = useRef<OlMap | null>(null);
  const bed = useRef(new VectorSource());
  const marks = useRef(new VectorSource());
  const names = useRef(new VectorSource());
  const room = useRef(new VectorSource());
  const own = useRef(new VectorSource());
  const drawn = useRef(new ImageLayer());
  const tap = useRef(onTap);
  useEffect(() => {
    tap.current = onTap;
  }, [onTap]);
  useEffect(() => {
    const made = new OlMap({
      target: host.current!,
      controls: defaultControls({ zoom: false, rotate: false, attribution: false }).extend([new ScaleLine({ minWidth: 70, units: scaleUnits })]),
      layers: [
        // Figures on contours give way to names.
        new VectorLayer({ source: bed.current, updateWhileAnimating: true, declutter: true }),
        drawn.current,
        new VectorLayer({ source: marks.current, declutter: false }),
        new VectorLayer({ source: names.current, declutter: true }),
        // Over the names, so that it is placed before them.
        new VectorLayer({ source: room.current, declutter: true }),
        // What the angler does lies over all else.
        new VectorLayer({ source: own.current }),
      ],
      view: new View({ maxZoom: 20, constrainRotation: 1, enableRotation: false }),
    });
    made.on('singleclick', (event) => tap.current(placeAt(event.coordinate)));
    map.current = made;
    zoomRef?.((by) => made.getView().animate({ zoom: (made.getView().getZoom() ?? 15) + by, duration: 150 }));
    return () => made.setTarget(undefined);
    // What changes is put into its sources.
  }, [scaleUnits, zoomRef]);
  return { host, map, bed, marks, names, room, own, drawn };
}

type Layers = ReturnType<typeof useLayeredMap>;

/** Opens the view on a place, on a way that was gone, or on the whole water; afterwards it is the angler's. */
function openView(map: OlMap, ground: Ground, focus: LonLat | undefined, walked: readonly LonLat[], fished: ReturnType<typeof outingPlaces>): void {
  const view = map.getView();
  const size = map.getSize();
  if (focus) {
    view.setCenter(at(focus));
    view.setResolution(1.3);
  } else if (view.getZoom() !== undefined) return;
  else if (walked.length > 0) {
    const maxZoom = fished.casts.length > 0 ? 19.5 : 18;
    view.fit(new MultiPoint([...walked, ...fished.casts.map((c) => c.to)].map(at)), { padding: [44, 60, 56, 44], maxZoom, size });
  } else view.fit(new Polygon([ground.ring.map(at)]), { padding: sideOf(map), size });
}

/** The bed, and where the view opens. */
function useBed({ map, bed }: Layers, { ground, palette, units, focus, walked = unmeasured, fished = unfished }: DepthMapProps): void {
  useEffect(() => {
    bed.current.clear();
    bed.current.addFeatures(bedFeatures(ground, palette, units));
    if (map.current) openView(map.current, ground, focus, walked, fished);
  }, [map, bed, ground, palette, units, focus, walked, fished]);
}

/** A new plan is shown as a whole; while it is walked the view is the angler's. */
function usePlanInView({ map }: Layers, planned: readonly { at: LonLat; number: number }[], position: LonLat | null): void {
  const planKey = planned.map((h) => h.number).join();
  const laidOut = useRef('');
  useEffect(() => {
    const isNew = planned.length > 1 && !laidOut.current.endsWith(planKey);
    laidOut.current = planKey;
    if (!isNew) return;
    const way = new LineString([...(position ? [position] : []), ...planned.map((h) => h.at)].map(at));
    map.current?.getView().fit(way, { padding: [56, 90, 64, 40], maxZoom: 18, duration: 250 });
  }, [map, planKey, planned, position]);
}

/** Keys stand over the lower corners of the map: how wide at its right and its left, and how high, with the half of a ring, px. */
const keysPx = { right: 92, left: 132, high: 204 } as const;

/** Moves the view aside where a key of the map lies on the ring. */
function useRingInSight({ map }: Layers, candidate: LonLat | null): void {
  useEffect(() => {
    const view = map.current?.getView();
    const [centre, resolution, size] = [view?.getCenter(), view?.getResolution(), map.current?.getSize()];
    if (!view || !centre || !resolution || !size || !candidate) return;
    const [x, y] = at(candidate);
    const [px, py] = [size[0] / 2 + (x - centre[0]) / resolution, size[1] / 2 - (y - centre[1]) / resolution];
    if (py < size[1] - keysPx.high || py > size[1] || px < 0 || px > size[0]) return;
    const asidePx = Math.max(0, px - (size[0] - keysPx.right)) || Math.min(0, px - keysPx.left);
    if (asidePx !== 0) view.setCenter([centre[0] + asidePx * resolution, centre[1]]);
  }, [map, candidate]);
}

/** The lake from above: shaded depths, labelled contours, holes. Pan, zoom, tap. */
export default function DepthMapView(props: DepthMapProps) {
  const { ground, palette, units, holes, candidate, position } = props;
  const { marks: marked = unmarked, walked = unmeasured, measured = unmeasured, fished = unfished, planned = none, overlay = bare } = props;
  const { isFlowing = false, isLoose = false, from = null, showStructure = false } = props;
  const layers = useLayeredMap(props.onTap, units.distance === 'm' ? 'metric' : 'imperial', props.zoomRef);
  const { host, marks, names, room, own, drawn } = layers;
  useBed(layers, props);
  usePlanInView(layers, planned, position);
  useRingInSight(layers, candidate);

  useEffect(() => {
    const picture = drawOverlay(ground, overlay, palette);
    drawn.current.setSource(picture ? new ImageStatic({ url: picture.url, imageExtent: picture.extent, interpolate: true }) : null);
    drawn.current.setOpacity(0.55);
  }, [drawn, ground, overlay, palette]);

  useEffect(() => {
    names.current.clear();
    names.current.addFeatures(markNames(marked, palette, isFlowing));
    if (showStructure) names.current.addFeatures(ground.features.map((f) => structureFeature(f, palette, units)));
  }, [names, ground, showStructure, marked, isFlowing, palette, units]);

  useEffect(() => {
    marks.current.clear();
    marks.current.addFeatures([
      ...markFeatures(marked, palette, isFlowing),
      ...walkedFeatures(walked, palette),
      ...outingFeatures(fished, palette),
      ...walkFeatures(planned, from, palette, isLoose),
      ...holes.map((h) => holeFeature(h, palette)),
    ]);
  }, [marks, marked, isFlowing, isLoose, holes, planned, walked, fished, from, palette]);

  useEffect(() => {
    room.current.clear();
    room.current.addFeatures([candidate, position].flatMap((place) => (place ? [roomAbout(place)] : [])));
    own.current.clear();
    own.current.addFeatures([
      ...measureFeatures(measured, palette),
      ...(candidate ? [candidateFeature(candidate, palette)] : []),
      ...(position ? [positionFeature(position, palette)] : []),
    ]);
  }, [room, own, measured, candidate, position, palette]);

  return (
    <div
      ref={host}
      role="application"
      aria-label="Depth map. Arrow keys move it, plus and minus zoom."
      tabIndex={0}
      style={{ position: 'absolute', inset: 0, color: palette.ink }}
    />
  );
}

/** Room about the water: names at its ends want more of it where there is some. */
const sideOf = (map: OlMap) => ((map.getSize()?.[0] ?? 0) > 600 ? [36, 76, 44, 76] : [36, 28, 44, 16]);

const none: readonly { at: LonLat; number: number }[] = [];
const bare: Overlay = { kind: 'none' };
const unmarked: WaterMarks = { places: [], lines: [] };
const unmeasured: readonly LonLat[] = [];
const unfished: ReturnType<typeof outingPlaces> = { casts: [], bites: [] };
