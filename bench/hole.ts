import { chromium, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromiumLaunch } from '../bin/chromium.mjs';
import { freePort } from '../bin/cluster.mjs';
import { root, startStack } from '../bin/stack.mjs';
import type { Figure } from './figure';
import { counter, framesDuring } from './frames';

/** Pings a second of the live stream. */
const rateHz = 20;
const nudges = 20;
/** How much slower than this machine a phone is taken to be. */
const slowedBy = 4;

/** Counts frames and times from a key to the first frame that shows the jig's new depth. */
const instruments = `${counter};
window.long_ = [];
new PerformanceObserver((list) => list.getEntries().forEach((e) => long_.push(e.duration))).observe({ type: 'longtask' });
window.nudge_ = (key) => new Promise((resolve) => {
  const slider = document.querySelector('[role=slider][aria-label="Jig depth"]');
  const line = () => document.querySelector('[role=slider][aria-label="Jig depth"]').getAttribute('data-line');
  const before = line();
  const began = performance.now();
  slider.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  const look = () => (line() !== before ? resolve(performance.now() - began) : performance.now() - began > 2000 ? resolve(2000) : requestAnimationFrame(look));
  requestAnimationFrame(look);
});`;

const framesIn = (page: Page, ms: number) => framesDuring(page, () => page.waitForTimeout(ms));

/** The Hole screen with a live stream: frames a second against an empty page, and from input to screen. */
export async function hole(): Promise<Figure[]> {
  const built = spawnSync(process.execPath, [path.join(root, 'bin/build-web.mjs')], { encoding: 'utf8' });
  if (built.status !== 0) throw new Error(`the web app could not be built:\n${built.stdout}${built.stderr}`);
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-bench-'));
  chmodSync(dataDir, 0o711);
  process.env.PING_RATE_HZ = String(rateHz);
  const stack = await startStack({ dataDir, port: (await freePort()) as number });
  const browser = await chromium.launch(chromiumLaunch);
  try {
    const page = await (await browser.newContext({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } })).newPage();
    page.setDefaultTimeout(60_000);
    await page.addInitScript({ content: instruments });
    await page.goto('about:blank');
    const rest = await framesIn(page, 3000);
    await page.goto(stack.url);
    await page.getByRole('button', { name: 'Enter the demo' }).click();
    await page.getByRole('heading', { name: /^Be over them/ }).waitFor();
    await page.goto(`${stack.url}/water`);
    await page.getByRole('button', { name: 'Start outing' }).click();
    await page.getByRole('button', { name: 'Drill here' }).click();
    await page.getByRole('button', { name: 'Hole is drilled' }).click();
    await page.getByText('flasher simulated, live').waitFor();
    await page.getByRole('button', { name: /^Line down/ }).click();
    await page.waitForTimeout(4000);
    const live = await framesIn(page, 10_000);
    const wire = await page.context().newCDPSession(page);
    await wire.send('Emulation.setCPUThrottlingRate', { rate: slowedBy });
    await page.evaluate('long_.length = 0');
    const slowed = await framesIn(page, 10_000);
    const long = (await page.evaluate('long_.slice()')) as number[];
    await wire.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    const waits: number[] = [];
    for (let k = 0; k < nudges; k++) {
      waits.push((await page.evaluate(`nudge_(${JSON.stringify(k % 2 ? 'ArrowDown' : 'ArrowUp')})`)) as number);
      await page.waitForTimeout(150);
    }
    waits.sort((a, b) => a - b);
    const slow = waits[Math.floor(0.95 * (nudges - 1))];
    return [
      {
        what: `frames a second of the Hole with a live stream at ${rateHz} Hz`,
        ratio: live.perSecond / rest.perSecond,
        baseline: 'an empty page',
        goal: '≥ 50 a second',
        met: live.perSecond >= 50,
        detail: `${live.perSecond.toFixed(1)} against ${rest.perSecond.toFixed(1)} a second; of a hundred frames the slowest took ${live.slowestMs.toFixed(0)} ms`,
      },
      {
        what: `frames a second of the Hole on a page slowed ${slowedBy} times`,
        ratio: slowed.perSecond / rest.perSecond,
        baseline: 'an empty page that is not slowed',
        goal: '≥ 30 a second, no task over 100 ms',
        met: slowed.perSecond >= 30 && !long.some((ms) => ms > 100),
        detail: `${slowed.perSecond.toFixed(1)} a second; ${long.filter((ms) => ms > 100).length} tasks over 100 ms, the longest ${Math.max(0, ...long).toFixed(0)} ms`,
      },
      {
        what: 'from a key to the jig’s new depth on screen',
        ratio: slow / (1000 / rest.perSecond),
        baseline: 'one frame of an empty page',
        goal: '< 100 ms, of twenty the slowest but one',
        met: slow < 100,
        detail: `${slow.toFixed(0)} ms; the middle one ${waits[Math.floor(nudges / 2)].toFixed(0)} ms`,
      },
    ];
  } finally {
    await browser.close();
    await stack.stop();
    rmSync(dataDir, { recursive: true, force: true });
  }
}
