import { chromium, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 } from 'uuid';
import { chromiumLaunch } from '../bin/chromium.mjs';
import { freePort } from '../bin/cluster.mjs';
import { demoStart, root, startStack } from '../bin/stack.mjs';
import { depthAt, buildDepthMap, isInside, LocalFrame, ringOf } from '@burrow/core/ground';
import { outlineOf, parseWaterFile, soundingsOf } from '@burrow/contract/formats';
import { seededRandom } from '@burrow/core/units';
import { readFileSync } from 'node:fs';
import type { Figure } from './figure';
import { counter, framesDuring } from './frames';
import { usualMethod } from '@burrow/core/methods';

const holes = 500;
const frame = new LocalFrame(-140, 47);

/** A past outing that drilled five hundred holes all over Tamber Lake, every third with a fish. */
function manyHoles(angler: string): object[] {
  const outing = v7();
  const random = seededRandom(12);
  const water = parseWaterFile(readFileSync(path.join(root, 'demo/tamber-lake.geojson'), 'utf8'));
  const ring = ringOf(outlineOf(water).map((p) => frame.toMetres(p)));
  const bed = buildDepthMap(outlineOf(water), soundingsOf(water));
  const startMs = Date.parse(demoStart) - 30 * 86_400_000;
  const event = (min: number, kind: string, body: object) => ({
    id: v7(),
    outing,
    angler,
    device: 'bench',
    at: new Date(startMs + min * 60_000).toISOString().replace('Z', '+00:00'),
    kind,
    v: 2,
    body,
  });
  const events = [event(0, 'outing-started', { water: 'tamber-lake', waterName: 'Tamber Lake', species: ['yellow-perch'], goal: 'numbers', method: usualMethod.id })];
  for (let n = 1; n <= holes;) {
    const [x, y] = [(random() - 0.5) * 1100, (random() - 0.5) * 1100];
    if (!isInside(ring, x, y)) continue;
    const hole = v7();
    const at = frame.toLonLat(x, y);
    events.push(event(n, 'station-opened', { station: hole, kind: 'hole', label: String(n), at }));
    events.push(event(n + 0.2, 'depth-sounded', { station: hole, depthM: depthAt(bed, at)!.depthM + 0.1 * random(), source: 'flasher' }));
    if (n % 3 === 0) events.push(event(n + 0.5, 'fish-landed', { fish: v7(), station: hole, species: 'yellow-perch', lengthMm: 220 }));
    n++;
  }
  return [...events, event(holes + 2, 'outing-ended', {})];
}

async function send(page: Page, url: string, events: object[]): Promise<void> {
  for (let from = 0; from < events.length; from += 400) {
    const answer = await page.request.post(`${url}/api/ledger/sync`, {
      headers: { origin: url },
      data: { device: randomUUID(), cursor: 0, events: events.slice(from, from + 400) },
    });
    const { rejected } = (await answer.json()) as { rejected?: { reason: string }[] };
    if (!answer.ok() || rejected?.length !== 0) throw new Error(`the ledger answered ${answer.status()}, ${rejected?.[0]?.reason ?? ''}`);
  }
}

/** Frames a second of the map with five hundred holes on it while it is dragged about and zoomed, against the same page left alone. */
export async function pan(): Promise<Figure[]> {
  const built = spawnSync(process.execPath, [path.join(root, 'bin/build-web.mjs')], { encoding: 'utf8' });
  if (built.status !== 0) throw new Error(`the web app could not be built:\n${built.stdout}${built.stderr}`);
  const dataDir = mkdtempSync(path.join(os.tmpdir(), 'burrow-bench-'));
  chmodSync(dataDir, 0o711);
  const stack = await startStack({ dataDir, port: (await freePort()) as number });
  const browser = await chromium.launch(chromiumLaunch);
  try {
    const page = await (await browser.newContext({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } })).newPage();
    page.setDefaultTimeout(60_000);
    await page.addInitScript({ content: counter });
    await page.goto(stack.url);
    await page.getByRole('button', { name: 'Enter the demo' }).click();
    await page.getByRole('heading', { name: /^Be over them/ }).waitFor();
    const { account } = (await (await page.request.get(`${stack.url}/api/session`)).json()) as { account: { id: string } };
    await send(page, stack.url, manyHoles(account.id));
    await page.goto(`${stack.url}/water`);
    const map = page.getByRole('application');
    await map.waitFor();
    // The map is there, the new holes are on it, and nothing is computing any more.
    await page.getByText(/, [89]\d\d soundings|, 1\d\d\d soundings/).waitFor();
    await page.getByRole('button', { name: 'Plan holes' }).waitFor();
    await page.waitForTimeout(3000);
    const figures: Figure[] = [];
    const box = (await map.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const rest = await framesDuring(page, () => page.waitForTimeout(3000));
    const drag = async () => {
      for (let k = 0; k < 4; k++) {
        await page.mouse.move(x, y);
        await page.mouse.down();
        const turn = (k * Math.PI) / 2;
        for (let i = 1; i <= 60; i++) {
          await page.mouse.move(x + Math.cos(turn) * 2 * i, y + Math.sin(turn) * 2 * i);
          await page.waitForTimeout(8);
        }
        await page.mouse.up();
      }
    };
    const zoom = async () => {
      await page.mouse.move(x, y);
      for (let k = 0; k < 40; k++) {
        await page.mouse.wheel(0, k % 20 < 10 ? -60 : 60);
        await page.waitForTimeout(50);
      }
    };
    for (const [what, work] of [
      ['dragged about', drag],
      ['zoomed', zoom],
    ] as const) {
      const before = await map.screenshot();
      const moving = await framesDuring(page, work);
      if (what === 'dragged about' && before.equals(await map.screenshot())) throw new Error('the map did not move');
      figures.push({
        what: `frames a second of the map with ${holes} holes while it is ${what}`,
        ratio: moving.perSecond / rest.perSecond,
        baseline: 'the same page left alone',
        goal: '≥ 50 a second',
        met: moving.perSecond >= 50,
        detail: `${moving.perSecond.toFixed(1)} against ${rest.perSecond.toFixed(1)} a second; of a hundred frames the slowest took ${moving.slowestMs.toFixed(0)} ms`,
      });
    }
    return figures;
  } finally {
    await browser.close();
    await stack.stop();
    rmSync(dataDir, { recursive: true, force: true });
  }
}
