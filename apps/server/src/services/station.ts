import { waterWeather, type WaterWeather } from '@burrow/contract/api';
import { ProblemError } from '../problem';

const keepMs = 60_000;

/** Reads the weather station that serves a place. Answers are kept for a minute. */
export class Station {
  private readonly kept = new Map<string, { untilMs: number; weather: WaterWeather }>();

  constructor(private readonly url: string) {}

  /** Series from `days` before now through the station's forecast. Throws a 503 problem when the station does not answer. */
  async at(lon: number, lat: number, nowMs: number, days = 10): Promise<WaterWeather> {
    const key = `${lon.toFixed(3)},${lat.toFixed(3)},${days}`;
    const known = this.kept.get(key);
    if (known && known.untilMs > Date.now()) return known.weather;
    const weather = waterWeather.parse(await this.ask(`${this.url}/series?lat=${lat}&lon=${lon}&now=${nowMs}&days=${days}`));
    this.kept.set(key, { untilMs: Date.now() + keepMs, weather });
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
