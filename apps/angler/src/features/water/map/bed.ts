import { innerLines } from '@burrow/core/ground';
import { depthFigure, type UnitPreference } from '@burrow/core/units';
import Feature from 'ol/Feature';
import LineString from 'ol/geom/LineString';
import Polygon from 'ol/geom/Polygon';
import Fill from 'ol/style/Fill';
import Stroke from 'ol/style/Stroke';
import Style from 'ol/style/Style';
import Text from 'ol/style/Text';
import type { Palette } from '@/theme/palette';
import type { Ground } from '@/workers/ground.api';
import { at, font, halo } from './pen';

/** The shore, or dashed where the map ends without one, the shaded depths and their labelled lines. */
export function bedFeatures(ground: Ground, palette: Palette, units: UnitPreference): Feature[] {
  const shore = new Feature(new Polygon([ground.ring, ...ground.islands].map((ring) => ring.map(at))));
  // Drawn down, what lies between the shore and the water's edge is dry.
  const isLow = ground.levelM < 0;
  shore.setStyle(
    new Style({
      fill: new Fill({ color: isLow ? palette.line : palette.depths[0] }),
      stroke: new Stroke({ color: palette.second, width: 2.5, ...(ground.isShore ? {} : { lineDash: [4, 8] }) }),
    }),
  );
  const features: Feature[] = [shore];
  ground.contours.forEach((contour, i) => {
    const shade = palette.depths[Math.min(palette.depths.length - 1, Math.round(((i + (isLow ? 0 : 1)) / ground.contours.length) * (palette.depths.length - 1)))];
    const area = new Feature(new Polygon(contour.rings.map((r) => r.map(at))));
    // Without a shore the lines are drawn by themselves: along the map's edge there is no depth line.
    area.setStyle(new Style({ fill: new Fill({ color: shade }), ...(ground.isShore ? { stroke: new Stroke({ color: palette.second, width: 1 }) } : {}), zIndex: i }));
    features.push(area);
  });
  const lines = ground.isShore ? ground.contours.flatMap(({ depthM, rings }) => rings.map((line) => ({ depthM, line }))) : innerLines(ground.map, ground.contours);
  for (const { depthM, line } of lines) {
    const label = new Feature(new LineString(line.map(at)));
    label.setStyle(
      new Style({
        zIndex: 100,
        ...(ground.isShore ? {} : { stroke: new Stroke({ color: palette.second, width: 1 }) }),
        ...(line.length > 24 && depthM > 0.05
          ? {
              text: new Text({
                text: depthFigure(depthM, units),
                placement: 'line',
                font: font(14),
                maxAngle: 0.4,
                repeat: 260,
                overflow: false,
                fill: new Fill({ color: palette.ink }),
                stroke: halo(palette),
              }),
            }
          : {}),
      }),
    );
    features.push(label);
  }
  return features;
}
