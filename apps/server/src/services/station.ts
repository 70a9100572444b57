import { waterWeather, type WaterWeather } from '@burrow/contract/api';
import { dayMs } from '@burrow/core/units';
import { ProblemError } from '../problem';

const keepMs = 60_000;
/** Answers kept; the oldest go first. */
const mostKept = 200;
/** No forecast reaches further, and a row with a wrong year must not make a series of millennia. */
const furthestAheadMs = 17 * dayMs;

/** Reads the weather station that serves a place. Answers are kept for a minute. */
export class Station {
  private readonly kept = new Map<string, { untilMs: number; weather: WaterWeather }>();

  /** @param url of the station; null where this server has none */
  constructor(private readonly url: string | null) {}

  /** Weather for an account's water: simulated weather is for the demo's account alone. Throws a 404 problem where there is none. */
  async for(account: { isDemo: boolean }, lon: number, lat: number, nowMs: number, days?: number): Promise<WaterWeather> {
    if (this.url === null) throw noWeather();
    const weather = await this.at(lon, lat, nowMs, days);
    if (weather.simulated && !account.isDemo) throw noWeather();
    return weather;
  }

  /** Series from `days` before now through the station's forecast. Throws a 503 problem when the station does not answer. */
  private async at(lon: number, lat: number, nowMs: number, days = 10): Promise<WaterWeather> {
    const key = `${lon.toFixed(3)},${lat.toFixed(3)},${days}`;
    const known = this.kept.get(key);
    if (known && known.untilMs > Date.now()) return known.weather;
    const parsed = waterWeather.safeParse(await this.ask(`${this.url}/series?lat=${lat}&lon=${lon}&now=${nowMs}&days=${days}`));
    if (!parsed.success) throw new ProblemError(503, 'No weather', 'The weather station answers something that is no weather.');
    const [fromMs, toMs] = [nowMs - (days + 1) * dayMs, nowMs + furthestAheadMs];
    const weather = { ...parsed.data, series: parsed.data.series.filter((row) => row.atMs >= fromMs && row.atMs <= toMs) };
    this.kept.delete(key);
    this.kept.set(key, { untilMs: Date.now() + keepMs, weather });
    if (this.kept.size > mostKept) this.kept.delete(this.kept.keys().next().value!);
    return weather;
  }

  private async ask(url: string): Promise<unknown> {
    try {
      const answer = await fetch(url, { signal: AbortSignal.timeout(4000) });
      if (answer.ok) return await answer.json();
    } catch {
      // Falls to the problem below: no station, no weather.
    }
    throw new ProblemError(503, 'No weather', 'The weather station does not answer; the last weather stays on your phone.');
  }
}

const noWeather = () => new ProblemError(404, 'No weather yet', 'No weather is known for this water: this server has no station for it.');
