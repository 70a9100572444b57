import type { GroundFeature, LonLat } from '@burrow/core/ground';
import { featureNames } from '@burrow/core/holes';
import type { outingPlaces } from '@burrow/core/season';
import { depthFigure, type UnitPreference } from '@burrow/core/units';
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
import { at, font, halo } from './pen';

export interface MapHole {
  id: string;
  label: string;
  at: LonLat;
  fish: number;
  /** Drilled on the outing under way. */
  current: boolean;
}

/** Seen from far off a hole is a dot, close by a square with what it gave; those of today carry their number. */
const closeM = 1.1;

export function holeFeature(hole: MapHole, palette: Palette): Feature {
  const feature = new Feature(new Point(at(hole.at)));
  const worked = hole.fish > 0;
  if (hole.current) {
    const image = new CircleStyle({ radius: 13, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ember, width: 3 }) });
    const number = new Style({ image, zIndex: 220, text: new Text({ text: hole.label, font: font(14), fill: new Fill({ color: palette.ember }), offsetY: 1 }) });
    const caught = new Style({
      zIndex: 221,
      image: new RegularShape({
        points: 4,
        angle: Math.PI / 4,
        radius: 12,
        displacement: [0, 23],
        fill: new Fill({ color: palette.kelp }),
        stroke: new Stroke({ color: palette.card, width: 1.5 }),
      }),
      text: new Text({ text: String(hole.fish), font: font(14), fill: new Fill({ color: palette.onKelp }), offsetY: -22 }),
    });
    feature.setStyle(worked ? [number, caught] : number);
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

export function candidateFeature(place: LonLat, palette: Palette): Feature {
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

/** Room that names on the bed leave about a place, so that what is drawn there hides none of them. */
export function roomAbout(place: LonLat): Feature {
  const feature = new Feature(new Point(at(place)));
  feature.setStyle(new Style({ zIndex: 1e6, image: new CircleStyle({ radius: 20, fill: new Fill({ color: 'rgba(0, 0, 0, 0)' }), declutterMode: 'obstacle' }) }));
  return feature;
}

export function positionFeature(place: LonLat, palette: Palette, name = 'you'): Feature {
  const feature = new Feature(new Point(at(place)));
  feature.setStyle(
    new Style({
      zIndex: 240,
      image: new CircleStyle({ radius: 8, fill: new Fill({ color: palette.ink }), stroke: new Stroke({ color: palette.card, width: 3 }) }),
      text: new Text({ text: name, font: font(16), offsetY: -19, fill: new Fill({ color: palette.ink }), stroke: halo(palette) }),
    }),
  );
  return feature;
}

/** A name on the bed: a short bar under what rises, over what falls, and the word. */
export function structureFeature(f: GroundFeature, palette: Palette, units: UnitPreference): Feature {
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
export function walkFeatures(planned: readonly { at: LonLat; number: number }[], from: LonLat | null, palette: Palette, isLoose: boolean): Feature[] {
  const radius = isLoose ? 13 : 17;
  if (planned.length === 0) return [];
  const way = new Feature(new LineString([...(from ? [from] : []), ...planned.map((h) => h.at)].map(at)));
  way.setStyle([
    new Style({ zIndex: 206, stroke: new Stroke({ color: palette.card, width: 5 }) }),
    new Style({ zIndex: 207, stroke: new Stroke({ color: palette.ink, width: 2, lineDash: [7, 6] }) }),
  ]);
  return [
    ...(isLoose ? [] : [way]),
    ...planned.map((hole) => {
      const feature = new Feature(new Point(at(hole.at)));
      feature.setStyle(
        new Style({
          zIndex: 215,
          image: new RegularShape({ points: 4, angle: 0, radius, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ink, width: 2 }) }),
          text: new Text({ text: String(hole.number), font: font(14), fill: new Fill({ color: palette.ink }), offsetY: 1 }),
        }),
      );
      return feature;
    }),
  ];
}

/** A way that is being measured: its corners and the line between. */
export function measureFeatures(places: readonly LonLat[], palette: Palette): Feature[] {
  if (places.length === 0) return [];
  const line = new Feature(new LineString(places.map(at)));
  line.setStyle([
    new Style({ zIndex: 235, stroke: new Stroke({ color: palette.card, width: 6 }) }),
    new Style({ zIndex: 236, stroke: new Stroke({ color: palette.ember, width: 3 }) }),
  ]);
  const corners = places.map((p) => {
    const corner = new Feature(new Point(at(p)));
    corner.setStyle(
      new Style({ zIndex: 237, image: new CircleStyle({ radius: 7, fill: new Fill({ color: palette.card }), stroke: new Stroke({ color: palette.ember, width: 3 }) }) }),
    );
    return corner;
  });
  return [...(places.length > 1 ? [line] : []), ...corners];
}

/** The way gone from place to place. */
export function walkedFeatures(places: readonly LonLat[], palette: Palette): Feature[] {
  if (places.length < 2) return [];
  const line = new Feature(new LineString(places.map(at)));
  line.setStyle([
    new Style({ zIndex: 206, stroke: new Stroke({ color: palette.card, width: 6 }) }),
    new Style({ zIndex: 207, stroke: new Stroke({ color: palette.ink, width: 2.5, lineDash: [8, 7] }) }),
  ]);
  return [line];
}

/** Casts of an outing, those that a fish answered drawn fully, and where fish bit and were landed. */
export function outingFeatures({ casts, bites }: ReturnType<typeof outingPlaces>, palette: Palette): Feature[] {
  const lines = casts.map((cast) => {
    const line = new Feature(new LineString([at(cast.from), at(cast.to)]));
    line.setStyle(
      new Style({ zIndex: cast.isAnswered ? 209 : 208, stroke: new Stroke({ color: cast.isAnswered ? palette.ember : palette.second, width: cast.isAnswered ? 2.5 : 1.5 }) }),
    );
    return line;
  });
  const places = bites.map(({ at: place, isFish }) => {
    const feature = new Feature(new Point(at(place)));
    const image = new RegularShape({
      points: 4,
      radius: isFish ? 9 : 7,
      fill: new Fill({ color: isFish ? palette.kelp : palette.card }),
      stroke: new Stroke({ color: isFish ? palette.card : palette.kelp, width: 2.5 }),
    });
    feature.setStyle(new Style({ zIndex: isFish ? 231 : 230, image }));
    return feature;
  });
  return [...lines, ...places];
}
