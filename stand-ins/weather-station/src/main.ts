/** A simulated weather station: serves the scenario winter over HTTP and says that it is simulated. */
import { waterWeather, type WaterWeather } from '@burrow/contract/api';
import { createServer } from 'node:http';
import { climateAt, mildnessAt } from './climate';

const hour = 3_600_000;
const forecastH = 120;

/** Observed hours before `nowMs` at a place, and a forecast of five days behind it. */
function seriesAt(nowMs: number, days: number, lon: number, lat: number): WaterWeather {
  const observedMs = Math.floor(nowMs / hour) * hour;
  const series = [];
  const mildness = mildnessAt(lon, lat);
  for (let ms = observedMs - days * 24 * hour; ms <= observedMs + forecastH * hour; ms += hour) {
    series.push(climateAt(ms, Math.max(0, (ms - observedMs) / hour), mildness));
  }
  return waterWeather.parse({ station: mildness > 0.5 ? 'Lowland station' : 'Upland station', simulated: true, observedMs, series });
}

const port = Number(process.env.PORT);
if (!(Number.isInteger(port) && port > 0)) throw new Error('PORT: expected a port number');

createServer((req, res) => {
  const url = new URL(req.url ?? '/', 'http://station');
  const answer = (status: number, body: unknown) => res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  if (url.pathname === '/healthz') {
    answer(200, { ok: true, simulated: true });
    return;
  }
  const now = Number(url.searchParams.get('now'));
  const days = Number(url.searchParams.get('days') ?? 10);
  const lon = Number(url.searchParams.get('lon') ?? NaN);
  const lat = Number(url.searchParams.get('lat') ?? NaN);
  if (url.pathname !== '/series') answer(404, { error: 'expected /series' });
  else if (!(now > 0) || !(days >= 0 && days <= 220) || !(Math.abs(lon) <= 180) || !(Math.abs(lat) <= 90))
    answer(400, { error: 'expected now in ms, days of 0 to 220, lon and lat in degrees' });
  else answer(200, seriesAt(now, days, lon, lat));
}).listen(port, '127.0.0.1');
