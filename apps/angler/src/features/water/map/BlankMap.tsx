import type { LonLat } from '@burrow/core/ground';
import Feature from 'ol/Feature';
import OlMap from 'ol/Map';
import View from 'ol/View';
import { defaults as defaultControls } from 'ol/control/defaults';
import ScaleLine from 'ol/control/ScaleLine';
import Point from 'ol/geom/Point';
import Polygon from 'ol/geom/Polygon';
import VectorLayer from 'ol/layer/Vector';
import VectorSource from 'ol/source/Vector';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import Text from 'ol/style/Text';
import { useEffect, useRef } from 'react';
import type { Palette } from '@/theme/palette';
import { at, font, halo, placeAt } from './pen';
import { candidateFeature, holeFeature, positionFeature, type MapHole } from './places';

interface Props {
  /** Null while nobody has drawn it. */
  shore: readonly LonLat[] | null;
  /** Where the water lies. */
  middle: LonLat;
  holes: readonly MapHole[];
  /** Depths measured, as they stand on the map. */
  depths: readonly { at: LonLat; text: string }[];
  candidate: LonLat | null;
  position: LonLat | null;
  palette: Palette;
  scale: 'metric' | 'imperial';
  onTap: (at: LonLat) => void;
}

/** Ground that the view spans where there is no shore to fit it to, m a pixel. */
const firstResolution = 1.2;

/** A water of which no map can be drawn yet: its shore if it has one, the holes with their depths, and where one stands. */
export default function BlankMap({ shore, middle, holes, depths, candidate, position, palette, scale, onTap }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const map = useRef<OlMap | null>(null);
  const things = useRef(new VectorSource());
  const tap = useRef(onTap);
  useEffect(() => {
    tap.current = onTap;
  }, [onTap]);
  const first = useRef({ shore, middle });

  useEffect(() => {
    const view = new View({ maxZoom: 21, enableRotation: false, center: at(first.current.middle), resolution: firstResolution });
    const made = new OlMap({
      target: host.current!,
      controls: defaultControls({ zoom: false, rotate: false, attribution: false }).extend([new ScaleLine({ minWidth: 70, units: scale })]),
      layers: [new VectorLayer({ source: things.current })],
      view,
    });
    if (first.current.shore) view.fit(new Polygon([first.current.shore.map(at)]), { padding: [40, 30, 44, 30], size: made.getSize() });
    made.on('singleclick', (event) => tap.current(placeAt(event.coordinate)));
    map.current = made;
    return () => made.setTarget(undefined);
  }, [scale]);

  useEffect(() => {
    things.current.clear();
    if (shore) {
      const edge = new Feature(new Polygon([shore.map(at)]));
      edge.setStyle(new Style({ fill: new Fill({ color: palette.depths[1] }), stroke: new Stroke({ color: palette.second, width: 2.5 }) }));
      things.current.addFeature(edge);
    } else {
      const place = new Feature(new Point(at(middle)));
      place.setStyle(
        new Style({
          image: new CircleStyle({ radius: 60, fill: new Fill({ color: palette.depths[1] }), stroke: new Stroke({ color: palette.second, width: 2, lineDash: [4, 8] }) }),
        }),
      );
      things.current.addFeature(place);
    }
    for (const depth of depths) {
      const label = new Feature(new Point(at(depth.at)));
      label.setStyle(new Style({ zIndex: 225, text: new Text({ text: depth.text, font: font(16), offsetY: 26, fill: new Fill({ color: palette.plum }), stroke: halo(palette) }) }));
      things.current.addFeature(label);
    }
    things.current.addFeatures([
      ...holes.map((h) => holeFeature(h, palette)),
      ...(candidate ? [candidateFeature(candidate, palette)] : []),
      ...(position ? [positionFeature(position, palette)] : []),
    ]);
  }, [shore, middle, holes, depths, candidate, position, palette]);

  useEffect(() => {
    if (position) map.current?.getView().animate({ center: at(position), duration: 200 });
  }, [position]);

  return (
    <div
      ref={host}
      role="application"
      aria-label="The water without depths. Tap where you are. Arrow keys move it, plus and minus zoom."
      tabIndex={0}
      style={{ position: 'absolute', inset: 0, background: palette.ground, color: palette.ink }}
    />
  );
}
