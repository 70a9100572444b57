import type { Band } from '@burrow/core/outlook';
import { LocalFrame } from '@burrow/core/ground';
import { fromLonLat } from 'ol/proj';
import type { Palette } from '@/theme/palette';
import type { Ground } from '@/workers/ground.api';

/** What is laid over the depths. */
export type Overlay = { kind: 'none' } | { kind: 'band'; band: Band } | { kind: 'fish'; perHour: Float32Array };

/** Pixels along the side of a cell. */
const cellPx = 6;
/** A map that may be further off than this is hatched, m: one standard deviation. */
const doubtM = 0.5;

export interface Drawn {
  url: string;
  extent: [number, number, number, number];
}

/** Draws band, fish or doubt over the grid of a depth map, as a picture and where it lies; null where there is nothing to draw. */
export function drawOverlay({ map }: Ground, overlay: Overlay, palette: Palette): Drawn | null {
  const hasDoubt = map.sdM.some((sd) => sd > doubtM);
  if (overlay.kind === 'none' && !hasDoubt) return null;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [map.nx * cellPx, map.ny * cellPx];
  const pen = canvas.getContext('2d')!;
  const most = overlay.kind === 'fish' ? overlay.perHour.reduce((m, v) => (v > m ? v : m), 0) : 0;
  for (let c = 0; c < map.depthM.length; c++) {
    if (!(map.depthM[c] >= 0)) continue;
    const x = (c % map.nx) * cellPx;
    const y = (map.ny - 1 - Math.floor(c / map.nx)) * cellPx;
    if (overlay.kind === 'band' && map.depthM[c] >= overlay.band.fromM && map.depthM[c] <= overlay.band.toM) stripe(pen, x, y, palette.kelp);
    if (overlay.kind === 'fish') dot(pen, c, map.nx, x, y, overlay.perHour[c] / most, palette.kelp);
    if (map.sdM[c] > doubtM) hatch(pen, x, y, palette.plum);
  }
  const frame = new LocalFrame(map.lon0, map.lat0);
  const half = map.cellM / 2;
  const [west, south] = fromLonLat(frame.toLonLat(map.x0 - half, map.y0 - half));
  const [east, north] = fromLonLat(frame.toLonLat(map.x0 + (map.nx - 0.5) * map.cellM, map.y0 + (map.ny - 0.5) * map.cellM));
  return { url: canvas.toDataURL(), extent: [west, south, east, north] };
}

/** One cell of diagonal stripes that run on from cell to cell. */
function stripe(pen: CanvasRenderingContext2D, x: number, y: number, colour: string): void {
  pen.fillStyle = colour;
  for (let py = 0; py < cellPx; py++) for (let px = 0; px < cellPx; px++) if ((x + px + y + py) % 12 < 4) pen.fillRect(x + px, y + py, 1, 1);
}

function hatch(pen: CanvasRenderingContext2D, x: number, y: number, colour: string): void {
  pen.fillStyle = colour;
  for (let py = 0; py < cellPx; py++) for (let px = 0; px < cellPx; px++) if ((x + px - y - py + 1200) % 12 === 0) pen.fillRect(x + px, y + py, 1, 1);
}

/** A dot for every other cell of every other row, as large as what is expected there. */
function dot(pen: CanvasRenderingContext2D, c: number, nx: number, x: number, y: number, share: number, colour: string): void {
  if ((c % nx) % 2 !== 0 || Math.floor(c / nx) % 2 !== 0 || !(share > 0.06)) return;
  pen.fillStyle = colour;
  pen.beginPath();
  pen.arc(x + cellPx, y, cellPx * Math.sqrt(share), 0, 2 * Math.PI);
  pen.fill();
}
