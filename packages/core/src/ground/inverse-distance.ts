import Flatbush from 'flatbush';

const neighbours = 12;

/**
 * Depth by inverse-distance weighting: one over the squared distance to the twelve nearest soundings. The plain way to a depth map
 * that ours is measured against. Source: Shepard 1968.
 * @param known x, y and depth, m
 */
export function inverseDistance(known: readonly (readonly [x: number, y: number, depthM: number])[]): (x: number, y: number) => number {
  const index = new Flatbush(known.length);
  for (const [x, y] of known) index.add(x, y);
  index.finish();
  return (x, y) => {
    let [sum, weights] = [0, 0];
    for (const i of index.neighbors(x, y, neighbours)) {
      const weight = 1 / Math.max(1e-9, (known[i][0] - x) ** 2 + (known[i][1] - y) ** 2);
      sum += weight * known[i][2];
      weights += weight;
    }
    return sum / weights;
  };
}
