import type { LonLat } from '@burrow/core/ground';
import type { UnitPreference } from '@burrow/core/units';
import type { Coordinate } from 'ol/coordinate';
import Feature from 'ol/Feature';
import OlMap from 'ol/Map';
import View from 'ol/View';
import { defaults as defaultControls } from 'ol/control/defaults';
import ScaleLine from 'ol/control/ScaleLine';
import LineString from 'ol/geom/LineString';
import MultiPoint from 'ol/geom/MultiPoint';
import Polygon from 'ol/geom/Polygon';
import Modify from 'ol/interaction/Modify';
import VectorLayer from 'ol/layer/Vector';
import VectorSource from 'ol/source/Vector';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import { useEffect, useRef, type RefObject } from 'react';
import type { Palette } from '@/theme/palette';
import type { Ground } from '@/workers/ground.api';
import { bedFeatures } from './bed';
import { markFeatures, markNames, type WaterMarks } from './marks';
import { at, placeAt } from './pen';

interface Props {
  /** Null while no map can be drawn. */
  ground: Ground | null;
  /** The shore; null while nobody has drawn it. */
  outline: readonly LonLat[] | null;
  /** Where the water lies. */
  middle: LonLat;
  marks: WaterMarks;
  isFlowing: boolean;
  /** Corners of a line being drawn. */
  drawn: readonly LonLat[];
  /** Whether a tap near the shore goes to it. */
  snapsToShore: boolean;
  palette: Palette;
  units: UnitPreference;
  /** Given while the shore may be moved: its corners after a drag. */
  onShore: ((ring: LonLat[]) => void) | null;
  /** A tap: where, and the mark under it. */
  onTap: (place: LonLat, mark: number | null) => void;
}

/** A thumb in a glove hits within this, px. */
const reachPx = 24;

/** The shore with its corners, to drag while it may be moved; null while it may not. */
function useShoreCorners(map: RefObject<OlMap | null>, outline: readonly LonLat[] | null, palette: Palette, onMoved: (ring: LonLat[]) => void): void {
  const moved = useRef(onMoved);
  useEffect(() => {
    moved.current = onMoved;
  });
  useEffect(() => {
    const chart = map.current;
    if (!outline || !chart) return;
    const feature = new Feature(new Polygon([outline.map(at)]));
    feature.setStyle(cornerStyle(outline.map(at), palette, { radius: 5, width: 2.5 }));
    const layer = new VectorLayer({ source: new VectorSource({ features: [feature] }) });
    const modify = new Modify({ source: layer.getSource()!, pixelTolerance: reachPx });
    modify.on('modifyend', () => {
      const [ring] = feature.getGeometry()!.getCoordinates();
      moved.current(ring.map((c) => placeAt(c)));
    });
    chart.addLayer(layer);
    chart.addInteraction(modify);
    return () => {
      chart.removeInteraction(modify);
      chart.removeLayer(layer);
    };
  }, [map, outline, palette]);
}

/** A line with a ring at each of its corners. */
const cornerStyle = (points: Coordinate[], palette: Palette, ring: { radius: number; width: number }) => [
  new Style({ stroke: new Stroke({ color: palette.ember, width: 3.5 }) }),
  new Style({
    geometry: new MultiPoint(points),
    image: new CircleStyle({ radius: ring.radius, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ember, width: ring.width }) }),
  }),
];

/** The line that is being drawn: of one corner, that corner alone. */
function drawnLine(points: Coordinate[], palette: Palette): Feature {
  const feature = new Feature<LineString | MultiPoint>(points.length > 1 ? new LineString(points) : new MultiPoint(points));
  feature.setStyle(cornerStyle(points, palette, { radius: 7, width: 3 }));
  return feature;
}

/** The water with its marks, to tap new ones on. */
export default function MarkMap({ ground, outline, middle, marks, isFlowing, drawn, snapsToShore, palette, units, onShore, onTap }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const map = useRef<OlMap | null>(null);
  const bed = useRef(new VectorSource());
  const marked = useRef(new VectorSource());
  const names = useRef(new VectorSource());
  const line = useRef(new VectorSource());
  const tap = useRef({ onTap, onShore, snapsToShore, outline, ring: outline ?? ground?.ring, middle });
  useEffect(() => {
    tap.current = { onTap, onShore, snapsToShore, outline, ring: outline ?? ground?.ring, middle };
  }, [onTap, onShore, snapsToShore, outline, ground, middle]);
  const movesShore = onShore !== null;
  const scale = units.distance === 'm' ? 'metric' : 'imperial';

  useEffect(() => {
    const markLayer = new VectorLayer({ source: marked.current });
    const made = new OlMap({
      target: host.current!,
      controls: defaultControls({ zoom: false, rotate: false, attribution: false }).extend([new ScaleLine({ minWidth: 70, units: scale })]),
      layers: [new VectorLayer({ source: bed.current }), markLayer, new VectorLayer({ source: names.current, declutter: true }), new VectorLayer({ source: line.current })],
      view: new View({ maxZoom: 21, enableRotation: false, center: at(tap.current.middle), resolution: 1.5 }),
    });
    made.on('singleclick', ({ coordinate, pixel }) => {
      const under = made.forEachFeatureAtPixel(pixel, (f) => f.get('mark') as number | undefined, { hitTolerance: reachPx, layerFilter: (l) => l === markLayer });
      const { outline: shore, snapsToShore: snaps } = tap.current;
      const onShore = snaps && shore ? new LineString(shore.map(at)).getClosestPoint(coordinate) : null;
      const isNear = onShore !== null && Math.hypot(onShore[0] - coordinate[0], onShore[1] - coordinate[1]) < reachPx * made.getView().getResolution()!;
      const place = placeAt(isNear ? onShore : coordinate);
      tap.current.onTap(place, under ?? null);
    });
    if (tap.current.ring) made.getView().fit(new Polygon([tap.current.ring.map(at)]), { padding: [30, 24, 40, 24], size: made.getSize() });
    map.current = made;
    return () => made.setTarget(undefined);
  }, [scale]);

  useShoreCorners(map, movesShore ? outline : null, palette, (ring) => tap.current.onShore?.(ring));

  useEffect(() => {
    bed.current.clear();
    if (ground) bed.current.addFeatures(bedFeatures(ground, palette, units));
  }, [ground, palette, units]);

  useEffect(() => {
    marked.current.clear();
    marked.current.addFeatures(markFeatures(marks, palette, isFlowing));
    names.current.clear();
    names.current.addFeatures(markNames(marks, palette, isFlowing));
  }, [marks, palette, isFlowing]);

  useEffect(() => {
    line.current.clear();
    if (drawn.length > 0) line.current.addFeature(drawnLine(drawn.map(at), palette));
  }, [drawn, palette]);

  return (
    <div
      ref={host}
      role="application"
      aria-label="The water, to mark on. Tap where the mark belongs; tap a mark to take it away."
      tabIndex={0}
      style={{ position: 'absolute', inset: 0, background: palette.ground, color: palette.ink }}
    />
  );
}
