import type { GroundFeature, LonLat } from '@burrow/core/ground';
import { featureNames } from '@burrow/core/holes';
import { depthFigure, type UnitPreference } from '@burrow/core/units';
import Feature from 'ol/Feature';
import OlMap from 'ol/Map';
import View from 'ol/View';
import { defaults as defaultControls } from 'ol/control/defaults';
import ScaleLine from 'ol/control/ScaleLine';
import LineString from 'ol/geom/LineString';
import Point from 'ol/geom/Point';
import Polygon from 'ol/geom/Polygon';
import ImageLayer from 'ol/layer/Image';
import VectorLayer from 'ol/layer/Vector';
import { fromLonLat, toLonLat } from 'ol/proj';
import ImageStatic from 'ol/source/ImageStatic';
import VectorSource from 'ol/source/Vector';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import RegularShape from 'ol/style/RegularShape';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import Text from 'ol/style/Text';
import { useEffect, useRef } from 'react';
import type { Palette } from '@/theme/palette';
import { bold } from '@/theme/theme';
import type { Ground } from '@/workers/ground.api';
import { drawOverlay, type Overlay } from './overlay';

export interface MapHole {
  id: string;
  label: string;
  at: LonLat;
  fish: number;
  /** Drilled on the outing under way. */
  current: boolean;
}

export interface DepthMapProps {
  ground: Ground;
  outline: readonly LonLat[];
  inflows: readonly LonLat[];
  holes: readonly MapHole[];
  /** Where the next hole would go. */
  candidate: LonLat | null;
  position: LonLat | null;
  /** Holes laid out and not drilled yet, in walking order, with their number in the plan. */
  planned?: readonly { at: LonLat; number: number }[];
  /** Where the walk over them goes on from. */
  from?: LonLat | null;
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

const at = (p: LonLat) => fromLonLat([p[0], p[1]]);

/** The lake from above: shaded depths, labelled contours, holes. Pan, zoom, tap. */
export default function DepthMapView(props: DepthMapProps) {
  const { ground, outline, inflows, holes, candidate, position, palette, units, focus, onTap, zoomRef, planned = none, from = null, showStructure = false, overlay = bare } = props;
  const host = useRef<HTMLDivElement>(null);
  const map = useRef<OlMap | null>(null);
  const bed = useRef(new VectorSource());
  const marks = useRef(new VectorSource());
  const names = useRef(new VectorSource());
  const drawn = useRef(new ImageLayer());
  const tap = useRef(onTap);
  useEffect(() => {
    tap.current = onTap;
  }, [onTap]);
  const scaleUnits = units.distance === 'm' ? 'metric' : 'imperial';

  useEffect(() => {
    const made = new OlMap({
      target: host.current!,
      controls: defaultControls({ zoom: false, rotate: false, attribution: false }).extend([new ScaleLine({ minWidth: 70, units: scaleUnits })]),
      layers: [
        new VectorLayer({ source: bed.current, updateWhileAnimating: true }),
        drawn.current,
        new VectorLayer({ source: marks.current, declutter: false }),
        new VectorLayer({ source: names.current, declutter: true }),
      ],
      view: new View({ maxZoom: 20, constrainRotation: 1, enableRotation: false }),
    });
    made.on('singleclick', (event) => tap.current(toLonLat(event.coordinate) as unknown as LonLat));
    map.current = made;
    zoomRef?.((by) => made.getView().animate({ zoom: (made.getView().getZoom() ?? 15) + by, duration: 150 }));
    return () => made.setTarget(undefined);
    // What changes is put into its sources below.
  }, [scaleUnits, zoomRef]);

  useEffect(() => {
    bed.current.clear();
    bed.current.addFeatures(bedFeatures(ground, outline, palette, units));
    const view = map.current?.getView();
    if (focus && view) {
      view.setCenter(at(focus));
      view.setResolution(1.3);
    } else if (view && view.getZoom() === undefined) view.fit(new Polygon([outline.map(at)]), { padding: [36, 28, 44, 16], size: map.current!.getSize() });
  }, [ground, outline, palette, units, focus]);

  const planKey = planned.map((h) => h.number).join();
  const laidOut = useRef('');
  useEffect(() => {
    // A new plan is shown as a whole; while it is walked the view is the angler's.
    const isNew = planned.length > 1 && !laidOut.current.endsWith(planKey);
    laidOut.current = planKey;
    if (isNew)
      map.current?.getView().fit(new LineString([...(position ? [position] : []), ...planned.map((h) => h.at)].map(at)), { padding: [56, 90, 64, 40], maxZoom: 18, duration: 250 });
  }, [planKey, planned, position]);

  useEffect(() => {
    const picture = drawOverlay(ground, overlay, palette);
    drawn.current.setSource(picture ? new ImageStatic({ url: picture.url, imageExtent: picture.extent, interpolate: true }) : null);
    drawn.current.setOpacity(0.55);
  }, [ground, overlay, palette]);

  useEffect(() => {
    names.current.clear();
    if (showStructure) names.current.addFeatures(ground.features.map((f) => structureFeature(f, palette, units)));
  }, [ground, showStructure, palette, units]);

  useEffect(() => {
    marks.current.clear();
    marks.current.addFeatures([
      ...inflows.map((p) => cautionFeature(p, palette)),
      ...walkFeatures(planned, from, palette),
      ...holes.map((h) => holeFeature(h, palette)),
      ...(candidate ? [candidateFeature(candidate, palette)] : []),
      ...(position ? [positionFeature(position, palette)] : []),
    ]);
  }, [inflows, holes, planned, from, candidate, position, palette]);

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

const none: readonly { at: LonLat; number: number }[] = [];
const bare: Overlay = { kind: 'none' };

const halo = (palette: Palette) => new Stroke({ color: palette.card, width: 4 });
const font = (px: number) => `700 ${px}px ${bold}, sans-serif`;

function bedFeatures(ground: Ground, outline: readonly LonLat[], palette: Palette, units: UnitPreference): Feature[] {
  const shore = new Feature(new Polygon([outline.map(at)]));
  shore.setStyle(new Style({ fill: new Fill({ color: palette.depths[0] }), stroke: new Stroke({ color: palette.second, width: 2.5 }) }));
  const features: Feature[] = [shore];
  ground.contours.forEach((contour, i) => {
    const shade = palette.depths[Math.min(palette.depths.length - 1, Math.round(((i + 1) / ground.contours.length) * (palette.depths.length - 1)))];
    const area = new Feature(new Polygon(contour.rings.map((r) => r.map(at))));
    area.setStyle(new Style({ fill: new Fill({ color: shade }), stroke: new Stroke({ color: palette.second, width: 1 }), zIndex: i }));
    features.push(area);
    for (const ring of contour.rings.filter((r) => r.length > 24)) {
      const label = new Feature(new LineString(ring.map(at)));
      label.setStyle(
        new Style({
          zIndex: 100,
          text: new Text({
            text: depthFigure(contour.depthM, units),
            placement: 'line',
            font: font(14),
            maxAngle: 0.4,
            repeat: 260,
            overflow: false,
            fill: new Fill({ color: palette.ink }),
            stroke: halo(palette),
          }),
        }),
      );
      features.push(label);
    }
  });
  return features;
}

/** Seen from far off a hole is a dot, close by a square with what it gave; those of today carry their number. */
const closeM = 1.1;

function holeFeature(hole: MapHole, palette: Palette): Feature {
  const feature = new Feature(new Point(at(hole.at)));
  const worked = hole.fish > 0;
  if (hole.current) {
    const image = new CircleStyle({ radius: 13, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ember, width: 3 }) });
    feature.setStyle(new Style({ image, zIndex: 220, text: new Text({ text: hole.label, font: font(14), fill: new Fill({ color: palette.ember }), offsetY: 1 }) }));
    return feature;
  }
  const square = (radius: number) =>
    new RegularShape({
      points: 4,
      angle: Math.PI / 4,
      radius,
      fill: new Fill({ color: worked ? palette.kelp : palette.card }),
      stroke: new Stroke({ color: worked ? palette.card : palette.second, width: 1.5 }),
    });
  const near = new Style({
    image: square(worked ? 12 : 6),
    zIndex: worked ? 210 : 205,
    text: new Text({ text: worked ? String(hole.fish) : '', font: font(14), fill: new Fill({ color: palette.onKelp }), offsetY: 1 }),
  });
  const far = new Style({ image: square(worked ? 3.5 + Math.min(4, hole.fish * 0.7) : 3), zIndex: worked ? 210 : 205 });
  feature.setStyle((_, resolution) => (resolution < closeM ? near : far));
  return feature;
}

function candidateFeature(place: LonLat, palette: Palette): Feature {
  const feature = new Feature(new Point(at(place)));
  feature.setStyle([
    new Style({ image: new CircleStyle({ radius: 17, stroke: new Stroke({ color: palette.card, width: 7 }) }), zIndex: 229 }),
    new Style({
      image: new CircleStyle({ radius: 17, fill: new Fill({ color: palette.ember }), stroke: new Stroke({ color: palette.ember, width: 2 }) }),
      zIndex: 230,
      text: new Text({ text: '+', font: font(20), fill: new Fill({ color: palette.onEmber }) }),
    }),
  ]);
  return feature;
}

function positionFeature(place: LonLat, palette: Palette): Feature {
  const feature = new Feature(new Point(at(place)));
  feature.setStyle(
    new Style({
      zIndex: 240,
      image: new CircleStyle({ radius: 8, fill: new Fill({ color: palette.ink }), stroke: new Stroke({ color: palette.card, width: 3 }) }),
      text: new Text({ text: 'you', font: font(16), offsetY: -19, fill: new Fill({ color: palette.ink }), stroke: halo(palette) }),
    }),
  );
  return feature;
}

/** Where a creek runs in the ice is thin first. */
function cautionFeature(place: LonLat, palette: Palette): Feature {
  const feature = new Feature(new Point(at(place)));
  feature.setStyle(
    new Style({
      zIndex: 200,
      image: new RegularShape({ points: 3, radius: 10, fill: new Fill({ color: palette.strawGround }), stroke: new Stroke({ color: palette.straw, width: 2.5 }) }),
      text: new Text({ text: 'thin ice: inflow', font: font(14), offsetY: 20, fill: new Fill({ color: palette.straw }), stroke: halo(palette) }),
    }),
  );
  return feature;
}

/** A name on the bed: a short bar under what rises, over what falls, and the word. */
function structureFeature(f: GroundFeature, palette: Palette, units: UnitPreference): Feature {
  const feature = new Feature(new Point(at(f.at)));
  feature.setStyle(
    new Style({
      zIndex: Math.round(100 * f.reliefM),
      image: new RegularShape({ points: 4, radius: 5, angle: 0, fill: new Fill({ color: palette.plum }), stroke: new Stroke({ color: palette.card, width: 1.5 }) }),
      text: new Text({
        text: `${featureNames[f.kind]} ${depthFigure(f.depthM, units)}`,
        font: font(14),
        offsetY: -14,
        fill: new Fill({ color: palette.plum }),
        stroke: halo(palette),
      }),
    }),
  );
  return feature;
}

/** The walk over the holes of a plan, and their numbers. */
function walkFeatures(planned: readonly { at: LonLat; number: number }[], from: LonLat | null, palette: Palette): Feature[] {
  if (planned.length === 0) return [];
  const way = new Feature(new LineString([...(from ? [from] : []), ...planned.map((h) => h.at)].map(at)));
  way.setStyle([
    new Style({ zIndex: 206, stroke: new Stroke({ color: palette.card, width: 5 }) }),
    new Style({ zIndex: 207, stroke: new Stroke({ color: palette.ink, width: 2, lineDash: [7, 6] }) }),
  ]);
  return [
    way,
    ...planned.map((hole) => {
      const feature = new Feature(new Point(at(hole.at)));
      feature.setStyle(
        new Style({
          zIndex: 215,
          image: new RegularShape({ points: 4, angle: 0, radius: 17, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ink, width: 2 }) }),
          text: new Text({ text: String(hole.number), font: font(14), fill: new Fill({ color: palette.ink }), offsetY: 1 }),
        }),
      );
      return feature;
    }),
  ];
}
