import type { LineMark, PlaceMark } from '@burrow/contract/formats/water-marks';
import Feature from 'ol/Feature';
import LineString from 'ol/geom/LineString';
import Point from 'ol/geom/Point';
import CircleStyle from 'ol/style/Circle';
import Fill from 'ol/style/Fill';
import RegularShape from 'ol/style/RegularShape';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import Text from 'ol/style/Text';
import type { Palette } from '@/theme/palette';
import { markText } from './mark-text';
import { at, font, halo } from './pen';

export interface WaterMarks {
  places: readonly PlaceMark[];
  lines: readonly LineMark[];
}

/** What is marked on a water, each kind by a shape of its own. Cautions carry their words with them. */
export function markFeatures({ places, lines }: WaterMarks, palette: Palette, isFlowing: boolean): Feature[] {
  return [...lines.map((l) => lineFeature(l, palette)), ...places.map((p) => placeFeature(p, palette, isFlowing))];
}

/** The names of marks, for a layer that leaves out what would lie over another. */
export function markNames({ places, lines }: WaterMarks, palette: Palette, isFlowing: boolean): Feature[] {
  const words = (text: string, colour: string, zIndex: number, more: object) =>
    new Style({ zIndex, text: new Text({ text, font: font(14), fill: new Fill({ color: colour }), stroke: halo(palette), ...more }) });
  const named = (geometry: Point | LineString, style: Style) => {
    const feature = new Feature(geometry);
    feature.setStyle(style);
    return feature;
  };
  return [
    ...places
      .filter((m) => !isCaution(m, isFlowing))
      .map((m) => named(new Point(at(m.at)), words(markText(m, isFlowing), m.role === 'spot' ? palette.kelp : palette.plum, 2000, { offsetY: 20 }))),
    ...lines.filter((l) => l.role === 'seam').map((l) => named(new LineString(l.line.map(at)), words(l.name ?? 'seam', palette.kelp, 1900, { placement: 'line', offsetY: -11 }))),
  ];
}

/** Where a creek runs in or out of standing water the ice is thin first. */
const isCaution = ({ role }: PlaceMark, isFlowing: boolean) => !isFlowing && (role === 'inflow' || role === 'outflow');

const steepnessPx = { flat: 2, sloping: 3, steep: 5, wall: 7 } as const;

function lineFeature({ line, role, steepness, index }: LineMark, palette: Palette): Feature {
  const feature = new Feature({ geometry: new LineString(line.map(at)), mark: index });
  const isSeam = role === 'seam';
  feature.setStyle([
    new Style({ zIndex: 190, stroke: new Stroke({ color: palette.card, width: isSeam ? 5 : steepnessPx[steepness ?? 'sloping'] + 3 }) }),
    new Style({
      zIndex: 191,
      stroke: isSeam
        ? new Stroke({ color: palette.kelp, width: 2.5, lineDash: [3, 7], lineCap: 'round' })
        : new Stroke({ color: palette.plum, width: steepnessPx[steepness ?? 'sloping'] }),
    }),
  ]);
  return feature;
}

function placeFeature(mark: PlaceMark, palette: Palette, isFlowing: boolean): Feature {
  const feature = new Feature({ geometry: new Point(at(mark.at)), mark: mark.index });
  const warns = isCaution(mark, isFlowing);
  const fill = new Fill({ color: warns ? palette.strawGround : palette.card });
  const stroke = new Stroke({ color: warns ? palette.straw : mark.role === 'spot' ? palette.kelp : palette.plum, width: 2.5 });
  const image = {
    inflow: () => new RegularShape({ points: 3, radius: 10, fill, stroke }),
    outflow: () => new RegularShape({ points: 3, radius: 10, rotation: Math.PI, fill, stroke }),
    cover: () => new RegularShape({ points: 6, radius: 8, radius2: 3.5, fill, stroke }),
    hard: () => new RegularShape({ points: 4, radius: 8, radius2: 0, fill, stroke }),
    spot: () => new CircleStyle({ radius: 7, fill, stroke }),
  }[mark.role];
  feature.setStyle(
    new Style({
      zIndex: 200,
      image: image(),
      ...(warns ? { text: new Text({ text: markText(mark, isFlowing), font: font(14), offsetY: 20, fill: new Fill({ color: palette.straw }), stroke: halo(palette) }) } : {}),
    }),
  );
  return feature;
}
