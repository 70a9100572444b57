import type { BroughtWeather, WaterWeather } from '@burrow/contract/api';
import { FormatError } from '@burrow/contract/formats/format-error';
import { hourlyColumns, parseHourlyJson, type HourlyWeather } from '@burrow/contract/formats/hourly-json';
import { dayMs, distanceM, hourMs } from '@burrow/core/units';
import { joinedSeries, type WeatherHour } from '@burrow/core/weather';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { DataSource } from 'typeorm';
import { OwnWeather, WeatherPlace, type WeatherPlaceRow } from '../entities';
import { ProblemError } from '../problem';

/** Weather is asked for again when it is older than this. */
const freshMs = 30 * 60_000;
/** Weather fetched longer ago is no answer while a fresher one may be had. */
const usableMs = 6 * hourMs;
/** A service that failed is let alone for this long. */
const retryMs = 60_000;
/** A service that is slower has no weather, for now. */
const patienceMs = 4000;
/** Places kept; of too many go those fetched longest ago, of the account that has most. */
const mostPlaces = 500;
/** Questions to the service under way for one account, and in an hour. */
const mostAsked = { atOnce: 4, hourly: 240 };
/** Hours kept of a place. */
const longestKeptMs = 400 * dayMs;
/** Largest answer that is read, bytes: a year of hours is a fifth of it. */
const mostBytes = 8_000_000;
/** No forecast reaches further, and a row with a wrong year must not make a series of millennia. */
const furthestAheadMs = 17 * dayMs;
const forecastDays = 5;

interface Place {
  lon: number;
  lat: number;
}

interface Whose {
  id: string;
  isDemo: boolean;
}

/** Whoever asks for many places gives up their own first: nobody's are lost to another's. */
const evictPlaces = `
  DELETE FROM weather_place WHERE place IN (
    SELECT place FROM weather_place
    WHERE asked_by IS NOT DISTINCT FROM (SELECT asked_by FROM weather_place GROUP BY asked_by ORDER BY count(*) DESC LIMIT 1)
    ORDER BY fetched_at LIMIT greatest(0, (SELECT count(*) FROM weather_place) - $1::int))`;

/** Weather by place: from a service, kept in the database and fetched anew in the background, with what anglers brought for their own waters. */
export class Weather {
  private readonly fetching = new Map<string, { pastDays: number; answer: Promise<WeatherPlaceRow> }>();
  private readonly failedAt = new Map<string, number>();
  private readonly asked = new RateLimiterMemory({ points: mostAsked.hourly, duration: 3600 });
  private readonly askedNow = new Map<string, number>();

  /**
   * @param url of the service; null where this server has none
   * @param mostPastDays days back that the service may be asked for
   * @param demo whether the service is the demo's, for the demo's account alone
   */
  constructor(
    private readonly db: DataSource,
    private readonly url: string | null,
    private readonly mostPastDays: number,
    private readonly demo: boolean,
  ) {}

  /**
   * Weather from `days` before now through the forecast for an account's water: simulated weather is for the demo's account alone.
   * Throws a 404 problem where there is none, 503 where the service does not answer and nothing is kept.
   */
  async for(account: Whose, waterId: string, place: Place, nowMs: number, days = 10): Promise<WaterWeather> {
    const own = await this.db.getRepository(OwnWeather).findOneBy({ accountId: account.id, waterId });
    const [fromMs, toMs] = [nowMs - days * dayMs - hourMs, nowMs + furthestAheadMs];
    const within = (series: readonly WeatherHour[]) => series.filter((row) => row.atMs >= fromMs && row.atMs <= toMs);
    const brought = within(own?.series ?? []);
    const served = await this.served(account, place, nowMs, days).catch((error: unknown) => {
      if (brought.length > 0) return null;
      throw error;
    });
    if (served === null && brought.length === 0) throw noWeather();
    const files = own && brought.length > 0 ? { brought: own.source } : {};
    if (served === null) return { station: own!.source, simulated: false, observedMs: Math.min(nowMs, brought.at(-1)!.atMs), series: brought, ...files };
    return {
      station: served.service,
      simulated: served.simulated,
      observedMs: served.observedAt.getTime(),
      series: joinedSeries(within(served.series), brought),
      awayM: Math.round(distanceM([place.lon, place.lat], [served.lon, served.lat])),
      ...files,
    };
  }

  /** Takes in weather for a water; an hour brought before gives way to the same hour of now. */
  async bring(accountId: string, waterId: string, { source, series }: BroughtWeather): Promise<void> {
    await this.db.transaction(async (manager) => {
      const repository = manager.getRepository(OwnWeather);
      const known = await repository.findOne({ where: { accountId, waterId }, lock: { mode: 'pessimistic_write' } });
      const sorted = [...series].sort((a, b) => a.atMs - b.atMs);
      const sources = known && !known.source.split(', ').includes(source) ? `${known.source}, ${source}`.slice(-200) : source;
      await repository.save({ accountId, waterId, source: sources, broughtAt: new Date(), series: kept(replaced(known?.series ?? [], sorted)) });
    });
  }

  /** Forgets what was brought for a water. */
  async forget(accountId: string, waterId: string): Promise<void> {
    await this.db.getRepository(OwnWeather).delete({ accountId, waterId });
  }

  /** Weather of the service, null where it may not be shown to this account, or there is no service. */
  private async served(account: Whose, place: Place, nowMs: number, days: number): Promise<WeatherPlaceRow | null> {
    if (this.url === null || (this.demo && !account.isDemo)) return null;
    const key = `${place.lat.toFixed(2)},${place.lon.toFixed(2)}`;
    const pastDays = Math.min(days, this.mostPastDays);
    const row = await this.db.getRepository(WeatherPlace).findOneBy({ place: key });
    const isOld = (ms: number) => !row || row.pastDays < pastDays || Date.now() - row.fetchedAt.getTime() > ms;
    let answer = row;
    if (isOld(freshMs)) {
      const fetched = this.fetched(account.id, key, place, nowMs, Math.max(pastDays, row?.pastDays ?? 0));
      // An answer that is not too old is given at once; the fresher one is there the next time.
      if (isOld(usableMs))
        answer = await fetched.catch((error: unknown) => {
          // One that does not reach back so far is no answer: the phone would keep it for hours and take it for the season.
          if (row && row.pastDays >= pastDays) return row;
          throw error;
        });
      else fetched.catch(() => undefined);
    }
    return answer === null || (answer.simulated && !account.isDemo) ? null : answer;
  }

  /** One question at a time for a place, and none soon after one that failed. One that reaches further back than the question under way is asked after it. */
  private fetched(asker: string, key: string, place: Place, nowMs: number, pastDays: number): Promise<WeatherPlaceRow> {
    const underWay = this.fetching.get(key);
    let answer = underWay && underWay.pastDays >= pastDays ? underWay.answer : undefined;
    if (!answer) {
      if (Date.now() - (this.failedAt.get(key) ?? -Infinity) < retryMs) return Promise.reject(away());
      const under = this.askedNow.get(asker) ?? 0;
      if (under >= mostAsked.atOnce) return Promise.reject(tooOften());
      this.askedNow.set(asker, under + 1);
      answer = Promise.resolve(underWay?.answer)
        .catch(() => undefined)
        .then(() => this.asked.consume(asker))
        .catch(() => Promise.reject(tooOften()))
        .then(() => this.fetch(asker, key, place, nowMs, pastDays));
      const asked = { pastDays, answer };
      this.fetching.set(key, asked);
      answer
        .then(
          () => this.failedAt.delete(key),
          (error: unknown) => {
            if (error instanceof ProblemError && error.status === 429) return;
            this.failedAt.set(key, Date.now());
            if (this.failedAt.size > mostPlaces) this.failedAt.delete(this.failedAt.keys().next().value!);
          },
        )
        .finally(() => {
          if (this.fetching.get(key) === asked) this.fetching.delete(key);
          const left = (this.askedNow.get(asker) ?? 1) - 1;
          if (left > 0) this.askedNow.set(asker, left);
          else this.askedNow.delete(asker);
        });
    }
    return answer;
  }

  private async fetch(asker: string, key: string, { lat, lon }: Place, nowMs: number, pastDays: number): Promise<WeatherPlaceRow> {
    const url = new URL(this.url!);
    const asked = { latitude: lat.toFixed(4), longitude: lon.toFixed(4), hourly: hourlyColumns.join(','), past_days: pastDays, forecast_days: forecastDays };
    for (const [name, value] of Object.entries({ ...asked, wind_speed_unit: 'ms', timeformat: 'unixtime', timezone: 'GMT' })) url.searchParams.set(name, String(value));
    const found = await this.ask(url);
    const series = found.series.filter((row) => row.atMs >= nowMs - longestKeptMs && row.atMs <= nowMs + furthestAheadMs);
    return this.db.transaction(async (manager) => {
      const repository = manager.getRepository(WeatherPlace);
      const known = await repository.findOne({ where: { place: key }, lock: { mode: 'pessimistic_write' } });
      const row: WeatherPlaceRow = {
        place: key,
        lat: found.lat,
        lon: found.lon,
        service: found.service ?? url.hostname,
        simulated: found.simulated,
        observedAt: new Date(Math.floor(nowMs / hourMs) * hourMs),
        pastDays,
        fetchedAt: new Date(),
        series: kept(known && known.simulated === found.simulated ? replaced(known.series, series) : series),
        askedBy: asker,
      };
      await repository.upsert(row as never, ['place']);
      await manager.query(evictPlaces, [mostPlaces]);
      return row;
    });
  }

  private async ask(url: URL): Promise<HourlyWeather> {
    let body: unknown;
    // A timer of our own: the signal of a bare time-out may be collected before it fires.
    const patience = new AbortController();
    const timer = setTimeout(() => patience.abort(), patienceMs);
    try {
      const answer = await fetch(url, { signal: patience.signal, redirect: 'error' });
      if (!answer.ok || answer.body === null) throw away();
      body = JSON.parse(await bounded(answer.body));
    } catch {
      throw away();
    } finally {
      clearTimeout(timer);
    }
    try {
      return parseHourlyJson(body);
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      throw new ProblemError(503, 'No weather', `The weather service answers something that is no weather: ${error.message}.`);
    }
  }
}

/** A body as text; throws where it is larger than weather can be. */
async function bounded(body: ReadableStream<Uint8Array>): Promise<string> {
  const decoder = new TextDecoder();
  let [text, bytes] = ['', 0];
  for await (const chunk of body as unknown as AsyncIterable<Uint8Array>) {
    if ((bytes += chunk.length) > mostBytes) throw new RangeError('too large');
    text += decoder.decode(chunk, { stream: true });
  }
  return text + decoder.decode();
}

/** Hours of before with those of now in their place. Both ascending. */
function replaced(before: readonly WeatherHour[], now: readonly WeatherHour[]): WeatherHour[] {
  const rows = new Map([...before, ...now].map((row) => [row.atMs, row]));
  return [...rows.values()].sort((a, b) => a.atMs - b.atMs);
}

/** The last hours of a series, as long as are kept. */
const kept = (series: readonly WeatherHour[]) => series.filter((row) => row.atMs > series.at(-1)!.atMs - longestKeptMs);

const away = () => new ProblemError(503, 'No weather', 'The weather service does not answer; the last weather stays on your phone.');
const tooOften = () => new ProblemError(429, 'Too often', 'expected fewer questions for new weather at once; wait a moment, what is known stays on your phone');
const noWeather = () => new ProblemError(404, 'No weather yet', 'No weather is known for this water: this server has no service for it, and none was brought.');
