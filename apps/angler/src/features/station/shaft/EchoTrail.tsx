import { useEffect, useRef } from 'react';
import { shownDepth } from '@burrow/core/sonar';
import type { Palette } from '@/theme/palette';
import type { Frame } from '@/workers/frame';
import type { DepthFrame } from './scale';

/** Pings kept and drawn: twenty seconds at ten a second. */
const kept = 200;
const rows = 360;

interface Column {
  levels: Uint8Array;
  jigM: number | null;
  bottomM: number | null;
  marksM: number[];
}

type Rgb = readonly [number, number, number];
const rgbOf = (hex: string): Rgb => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Rgb;

/**
 * The last twenty seconds of echoes as fading wakes, now at the left. A canvas: each ping shifts the picture and adds one
 * column; only a changed frame draws it anew.
 */
export function EchoTrail({ onPing, frame, palette }: { onPing: (listener: (f: Frame) => void) => () => void; frame: DepthFrame; palette: Palette }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const columns = useRef<Column[]>([]);
  const { topM, baseM } = frame;

  useEffect(() => {
    const context = canvas.current?.getContext('2d', { willReadFrequently: false });
    if (!context) return undefined;
    const pen = new TrailPen(context, palette, topM, baseM);
    let header: Frame['header'] | null = null;
    const redraw = () => {
      context.clearRect(0, 0, kept, rows);
      columns.current.forEach((column, age) => header && pen.column(column, age, header));
    };
    const unsubscribe = onPing((f) => {
      const first = header === null;
      header = f.header;
      const { state } = f;
      columns.current.unshift({ levels: f.levels, jigM: state.jigM, bottomM: state.bottomM, marksM: state.marks.map((m) => m.depthM) });
      if (columns.current.length > kept) columns.current.pop();
      if (first) {
        redraw();
        return;
      }
      context.globalCompositeOperation = 'copy';
      context.drawImage(context.canvas, 1, 0);
      context.globalCompositeOperation = 'source-over';
      pen.column(columns.current[0], 0, header);
    });
    return unsubscribe;
  }, [onPing, topM, baseM, palette]);

  return <canvas ref={canvas} width={kept} height={rows} aria-hidden style={{ position: 'absolute', inset: 0, width: '100%', height: '100%', opacity: 0.85 }} />;
}

/** Paints single columns: one ramp of strength, tinted where the reader says what the echo is. */
class TrailPen {
  private readonly pixels: ImageData;
  private readonly jig: Rgb;
  private readonly fish: Rgb;
  private readonly other: Rgb;

  constructor(
    private readonly context: CanvasRenderingContext2D,
    palette: Palette,
    private readonly topM: number,
    private readonly baseM: number,
  ) {
    this.pixels = context.createImageData(1, rows);
    this.jig = rgbOf(palette.ember);
    this.fish = rgbOf(palette.kelp);
    this.other = rgbOf(palette.plum);
  }

  column(column: Column, x: number, header: Frame['header']): void {
    const { data } = this.pixels;
    const perRow = (this.baseM - this.topM) / rows;
    for (let row = 0; row < rows; row++) {
      const depthM = this.topM + (row + 0.5) * perRow;
      const from = Math.floor((shownDepth(depthM - perRow / 2, header) - header.transducerM) / header.binM);
      const to = Math.max(from, Math.floor((shownDepth(depthM + perRow / 2, header) - header.transducerM) / header.binM));
      let level = 0;
      for (let bin = Math.max(0, from); bin <= to && bin < column.levels.length; bin++) level = Math.max(level, column.levels[bin]);
      const db = header.dbFloor + level * header.dbPerStep;
      const strength = Math.min(1, Math.max(0, (db + 62) / 30));
      const below = column.bottomM !== null && depthM > column.bottomM - 0.03;
      const colour = this.colourAt(column, depthM);
      data[row * 4] = colour[0];
      data[row * 4 + 1] = colour[1];
      data[row * 4 + 2] = colour[2];
      data[row * 4 + 3] = below ? 0 : Math.round(255 * strength);
    }
    this.context.putImageData(this.pixels, x, 0);
  }

  private colourAt(column: Column, depthM: number): Rgb {
    if (column.jigM !== null && Math.abs(depthM - column.jigM - 0.02) < 0.08) return this.jig;
    for (const m of column.marksM) if (Math.abs(depthM - m - 0.02) < 0.11) return this.fish;
    return this.other;
  }
}
