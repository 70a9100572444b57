import { useEffect, useRef } from 'react';
import type { Palette } from '@/theme/palette';
import type { Frame } from '@/workers/frame';
import { barWidth, diamond } from './Strip';
import { yOf, type DepthFrame } from './scale';

interface Props {
  onPing: (listener: (frame: Frame) => void) => () => void;
  frame: DepthFrame;
  width: number;
  height: number;
  palette: Palette;
  /** Where a finger holds the jig, m; null while none does. */
  draggedM: number | null;
  /** Where the jig and the marks stand, px from the left. */
  jigX: number;
}

/** Fish, bait and jig as they are at each ping, on a canvas: the picture follows the flasher without the screen being made anew. */
export function LiveMarks({ onPing, frame, width, height, palette, draggedM, jigX }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const last = useRef<Frame | null>(null);
  const { topM, baseM } = frame;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context) return undefined;
    const density = globalThis.devicePixelRatio || 1;
    canvas.current.width = Math.round(width * density);
    canvas.current.height = Math.round(height * density);
    const y = (m: number) => yOf({ topM, baseM }, height, m);
    const draw = ({ state, lineM }: Frame) => {
      context.setTransform(density, 0, 0, density, 0, 0);
      context.clearRect(0, 0, width, height);
      context.lineWidth = 3;
      context.strokeStyle = palette.kelp;
      context.setLineDash([2, 6]);
      for (const m of state.marks) if (m.kind === 'bait') context.strokeRect(jigX, y(m.topM ?? m.depthM), 60, Math.max(6, y(m.baseM ?? m.depthM) - y(m.depthM)));
      context.setLineDash([]);
      context.fillStyle = palette.kelp;
      for (const m of state.marks) if (m.kind === 'fish' || m.kind === 'school') context.fillRect(jigX + 6, y(m.depthM) - 6, barWidth(m), 12);
      const jigY = y(draggedM ?? state.jigM ?? lineM);
      context.lineWidth = 2;
      context.strokeStyle = palette.ember;
      context.beginPath();
      context.moveTo(jigX, 0);
      context.lineTo(jigX, jigY);
      context.stroke();
      const jig = new Path2D(diamond(jigX, jigY, 13));
      context.fillStyle = palette.ember;
      context.fill(jig);
      context.strokeStyle = palette.card;
      context.stroke(jig);
    };
    if (last.current) draw(last.current);
    return onPing((ping) => {
      last.current = ping;
      draw(ping);
    });
  }, [onPing, topM, baseM, width, height, palette, draggedM, jigX]);
  return <canvas ref={canvas} aria-hidden style={{ position: 'absolute', inset: 0, width, height, pointerEvents: 'none' }} />;
}
