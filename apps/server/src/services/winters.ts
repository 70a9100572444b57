import { isFlowing } from '@burrow/contract/formats/water-marks';
import type { WaterWinter } from '@burrow/contract/api';
import { columnDays, measurementsOf, secchiOf } from '@burrow/core/outlook';
import { hourMs } from '@burrow/core/units';
import Piscina from 'piscina';
import { ProblemError } from '../problem';
import type { WinterResult, WinterTask } from '../workers/winter';
import type { Ledger } from './ledger';
import type { Weather } from './weather';
import type { Waters } from './waters';

/** Most answers kept; the oldest go first. */
const mostKept = 200;

/** The winters of waters, computed on worker threads and kept until the hour or the log moves on. */
export class Winters {
  private readonly pool: Piscina;
  private readonly kept = new Map<string, Promise<WaterWinter>>();

  /** @param worker file of the bundled worker */
  constructor(
    worker: string,
    private readonly waters: Waters,
    private readonly ledger: Ledger,
    private readonly weather: Weather,
  ) {
    this.pool = new Piscina({ filename: worker, minThreads: 0, maxThreads: 2, idleTimeout: 30_000 });
  }

  /** Throws a 404 problem for an unknown water, 422 where its winter cannot be computed, 503 without a station. */
  async of(account: { id: string; isDemo: boolean }, waterId: string, nowMs: number): Promise<WaterWinter> {
    const hour = Math.floor(nowMs / hourMs) * hourMs;
    const seq = await this.ledger.lastSeq(account.id);
    const { version } = await this.waters.head(account.id, waterId);
    const key = `${account.id}/${waterId}/${version}/${hour}/${seq}`;
    let answer = this.kept.get(key);
    if (!answer) {
      answer = this.compute(account, waterId, hour);
      this.kept.set(key, answer);
      if (this.kept.size > mostKept) this.kept.delete(this.kept.keys().next().value!);
      // What failed may go better the next time.
      answer.catch(() => this.kept.delete(key));
    }
    return answer;
  }

  /** Computes a water's winters anew: what they rest on has changed. */
  forget(accountId: string, waterId: string): void {
    for (const key of this.kept.keys()) if (key.startsWith(`${accountId}/${waterId}/`)) this.kept.delete(key);
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }

  private async compute(account: { id: string; isDemo: boolean }, waterId: string, nowMs: number): Promise<WaterWinter> {
    const { water } = await this.waters.head(account.id, waterId);
    if (isFlowing(water.kind)) throw new ProblemError(422, 'No winter to show', 'moving water is mixed: a winter is modelled for standing water only');
    const { lon, lat } = (await this.waters.list(account.id)).find((w) => w.id === waterId)!;
    const state = await this.ledger.state(account.id);
    const weather = await this.weather.for(account, waterId, { lon, lat }, nowMs, columnDays(nowMs, lat));
    const holes = state.outings.filter((o) => o.water === waterId).flatMap((o) => o.stations);
    const task: WinterTask = {
      waterJson: (await this.waters.text(account.id, waterId)).json,
      sounded: holes.flatMap((h) => (h.depthM === null ? [] : [{ at: h.at, depthM: h.depthM }])),
      column: {
        secchiM: secchiOf(state, waterId, nowMs, water.secchi_m),
        elevationM: water.elevation_m,
        place: { lon, lat, timeZone: water.timezone },
        series: weather.series,
        measurements: measurementsOf(state, waterId).filter((m) => m.atMs <= nowMs),
        nowMs,
      },
    };
    const result = (await this.pool.run(task)) as WinterResult;
    if (!result.ok) throw new ProblemError(422, 'No winter to show', result.why);
    const ice = state.outings.filter((o) => o.water === waterId).flatMap((o) => o.ice);
    return { nowMs, ...result.winter, measured: ice.filter((i) => i.ms <= nowMs).map((i) => ({ atMs: i.ms, clearM: i.clearM, whiteM: i.whiteM })) };
  }
}
