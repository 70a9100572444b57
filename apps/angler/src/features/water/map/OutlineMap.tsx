import type { LonLat } from '@burrow/core/ground';
import Feature from 'ol/Feature';
import OlMap from 'ol/Map';
import View from 'ol/View';
import Collection from 'ol/Collection';
import { defaults as defaultControls } from 'ol/control/defaults';
import ScaleLine from 'ol/control/ScaleLine';
import LineString from 'ol/geom/LineString';
import MultiPoint from 'ol/geom/MultiPoint';
import Polygon from 'ol/geom/Polygon';
import Modify from 'ol/interaction/Modify';
import Snap from 'ol/interaction/Snap';
import VectorLayer from 'ol/layer/Vector';
import VectorSource from 'ol/source/Vector';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import { useEffect, useRef } from 'react';
import type { Palette } from '@/theme/palette';
import { at, placeAt } from './pen';
import { positionFeature } from './places';

interface Props {
  corners: readonly LonLat[];
  /** Corners after one was added by a tap or moved by a drag. */
  onCorners: (corners: LonLat[]) => void;
  soundings: readonly LonLat[];
  /** Where the angler says that the water lies. */
  place: LonLat | null;
  /** Whether the chart lies anywhere: without that a tap would mean nothing. */
  isSomewhere: boolean;
  /** What to look at: the view goes to all of it when it changes. */
  look: readonly LonLat[] | null;
  /** Where to look first; changing it moves the view. */
  centre: LonLat | null;
  palette: Palette;
  scale: 'metric' | 'imperial';
}

/** A blank chart to draw a shore on: tap to add a corner, drag a corner or an edge to move it. */
export default function OutlineMap({ corners, onCorners, soundings, place, isSomewhere, look, centre, palette, scale }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const map = useRef<OlMap | null>(null);
  const shore = useRef(new Collection<Feature>());
  const dots = useRef(new VectorSource());
  const stand = useRef(new VectorSource());
  const change = useRef({ corners, onCorners, isSomewhere });
  useEffect(() => {
    change.current = { corners, onCorners, isSomewhere };
  }, [corners, onCorners, isSomewhere]);

  useEffect(() => {
    const modify = new Modify({ features: shore.current, pixelTolerance: 22 });
    modify.on('modifyend', () => {
      const geometry = shore.current.item(0).getGeometry();
      const ring = geometry instanceof Polygon ? geometry.getCoordinates()[0].slice(0, -1) : (geometry as LineString).getCoordinates();
      change.current.onCorners(ring.map(placeAt));
    });
    const made = new OlMap({
      target: host.current!,
      controls: defaultControls({ zoom: false, rotate: false, attribution: false }).extend([new ScaleLine({ minWidth: 70, units: scale })]),
      layers: [new VectorLayer({ source: dots.current }), new VectorLayer({ source: new VectorSource({ features: shore.current }) }), new VectorLayer({ source: stand.current })],
      view: new View({ maxZoom: 20, enableRotation: false, center: [0, 0], resolution: 2.5 }),
    });
    made.addInteraction(modify);
    made.addInteraction(new Snap({ features: shore.current, pixelTolerance: 14 }));
    made.on('singleclick', (event) => {
      if (change.current.isSomewhere) change.current.onCorners([...change.current.corners, placeAt(event.coordinate)]);
    });
    map.current = made;
    return () => made.setTarget(undefined);
  }, [scale]);

  useEffect(() => {
    if (centre) map.current?.getView().setCenter(at(centre));
  }, [centre]);

  useEffect(() => {
    stand.current.clear();
    if (place) stand.current.addFeature(positionFeature(place, palette, 'here'));
  }, [place, palette]);

  useEffect(() => {
    if (look && look.length > 1) map.current?.getView().fit(new MultiPoint(look.map(at)), { padding: [48, 40, 48, 40], maxZoom: 18 });
  }, [look]);

  useEffect(() => {
    dots.current.clear();
    if (soundings.length === 0) return;
    const feature = new Feature(new MultiPoint(soundings.map(at)));
    feature.setStyle(new Style({ image: new CircleStyle({ radius: 2.5, fill: new Fill({ color: palette.plum }) }) }));
    dots.current.addFeature(feature);
    // The shore that is there already stays in sight.
    map.current?.getView().fit(new MultiPoint([...soundings, ...change.current.corners].map(at)), { padding: [48, 40, 48, 40], maxZoom: 18 });
  }, [soundings, palette]);

  useEffect(() => {
    shore.current.clear();
    if (corners.length === 0) return;
    const points = corners.map(at);
    const feature = new Feature(points.length > 2 ? new Polygon([[...points, points[0]]]) : new LineString(points.length === 1 ? [points[0], points[0]] : points));
    feature.setStyle([
      new Style({ fill: new Fill({ color: `${palette.depths[3]}88` }), stroke: new Stroke({ color: palette.ink, width: 3 }) }),
      new Style({
        geometry: new MultiPoint(points),
        image: new CircleStyle({ radius: 8, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ember, width: 3 }) }),
      }),
    ]);
    shore.current.push(feature);
  }, [corners, palette]);

  return (
    <div
      ref={host}
      role="application"
      aria-label="Chart to draw on. Tap to add a corner of the shore, drag a corner to move it."
      tabIndex={0}
      style={{ position: 'absolute', inset: 0, background: palette.ground, color: palette.ink }}
    />
  );
}
