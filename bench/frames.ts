import type { Page } from '@playwright/test';

/** Counts the frames that the page's main thread gives out, from `start` to `stop`. */
export const counter = `window.frames_ = { at: [], on: false, start() { this.at = []; this.on = true; const tick = (t) => { this.at.push(t); if (this.on) requestAnimationFrame(tick); }; requestAnimationFrame(tick); }, stop() { this.on = false; return this.at; } }`;

/** Frames a second, and the slowest of a hundred, while something is done. */
export async function framesDuring(page: Page, work: () => Promise<unknown>): Promise<{ perSecond: number; slowestMs: number }> {
  await page.evaluate('frames_.start()');
  await work();
  const at = (await page.evaluate('frames_.stop()')) as number[];
  const gaps = at.slice(1).map((t, i) => t - at[i]);
  return { perSecond: (1000 * gaps.length) / (at[at.length - 1] - at[0]), slowestMs: gaps.sort((a, b) => a - b)[Math.floor(0.99 * (gaps.length - 1))] };
}
