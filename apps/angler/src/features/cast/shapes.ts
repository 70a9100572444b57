/** A kayak from above and one who stands on the bank, pointing north. Drawn for this app. */
export const boatShape = 'M0 -22C5 -12 6.500 -4 6.500 2C6.500 10 4 18 0 22C-4 18 -6.500 10 -6.500 2C-6.500 -4 -5 -12 0 -22Z';
export const bankShape = 'M0 -15L8 5C8 10 4.500 13 0 13C-4.500 13 -8 10 -8 5Z';

/** A star: its points, and its outer and inner radius, px. */
export interface StarShape {
  points: number;
  outer: number;
  inner: number;
}

export const rockShape: StarShape = { points: 4, outer: 10, inner: 4.5 };
export const woodShape: StarShape = { points: 6, outer: 9.5, inner: 4.5 };

export function starPath(x: number, y: number, { points, outer, inner }: StarShape): string {
  const corners = Array.from({ length: 2 * points }, (_, k) => {
    const angle = (k * Math.PI) / points + Math.PI / points;
    const r = k % 2 === 0 ? outer : inner;
    return `${(x + r * Math.sin(angle)).toFixed(1)} ${(y - r * Math.cos(angle)).toFixed(1)}`;
  });
  return `M${corners.join('L')}Z`;
}
