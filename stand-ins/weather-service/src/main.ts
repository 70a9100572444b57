/** A simulated weather service: answers the scenario winter in the open hourly JSON of docs/formats.md, and says that it is simulated. */
import { createServer } from 'node:http';
import { climateAt, mildnessAt } from './climate';

const hour = 3_600_000;
const most = { pastDays: 220, forecastDays: 7 };

/** Its clock: the scenario's where it is told one, else that on the wall. */
const shiftMs = process.env.CLOCK_START === undefined ? 0 : Date.parse(process.env.CLOCK_START) - Date.now();
if (Number.isNaN(shiftMs)) throw new Error(`CLOCK_START: expected ISO 8601, found "${process.env.CLOCK_START}"`);

/** Hours from `pastDays` before now, and a forecast behind it. */
function answerAt(nowMs: number, pastDays: number, forecastDays: number, lon: number, lat: number) {
  const observedMs = Math.floor(nowMs / hour) * hour;
  const mildness = mildnessAt(lon, lat);
  const rows = [];
  for (let ms = observedMs - pastDays * 24 * hour; ms <= observedMs + forecastDays * 24 * hour; ms += hour)
    rows.push(climateAt(ms, Math.max(0, (ms - observedMs) / hour), mildness));
  return {
    latitude: lat,
    longitude: lon,
    utc_offset_seconds: 0,
    service: mildness > 0.5 ? 'Lowland station' : 'Upland station',
    simulated: true,
    hourly_units: {
      time: 'unixtime',
      temperature_2m: '°C',
      pressure_msl: 'hPa',
      wind_speed_10m: 'm/s',
      wind_direction_10m: '°',
      cloud_cover: '%',
      precipitation: 'mm',
      snow_depth: 'm',
    },
    hourly: {
      time: rows.map((r) => r.atMs / 1000),
      temperature_2m: rows.map((r) => r.airC),
      pressure_msl: rows.map((r) => r.pressureHpa),
      wind_speed_10m: rows.map((r) => r.windMs),
      wind_direction_10m: rows.map((r) => r.windFromDeg),
      cloud_cover: rows.map((r) => (r.cloud === null ? null : Math.round(1000 * r.cloud) / 10)),
      precipitation: rows.map((r) => r.precipMm),
      snow_depth: rows.map((r) => (r.snowCm === null ? null : r.snowCm / 100)),
    },
  };
}

const port = Number(process.env.PORT);
if (!(Number.isInteger(port) && port > 0)) throw new Error('PORT: expected a port number');

createServer((req, res) => {
  const url = new URL(req.url ?? '/', 'http://station');
  const answer = (status: number, body: unknown) => res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  const number = (name: string, usual = NaN) => Number(url.searchParams.get(name) ?? usual);
  if (url.pathname === '/healthz') {
    answer(200, { ok: true, simulated: true });
    return;
  }
  const [lat, lon, pastDays, forecastDays] = [number('latitude'), number('longitude'), number('past_days', 0), number('forecast_days', 5)];
  if (url.pathname !== '/hourly') answer(404, { error: true, reason: 'expected /hourly' });
  else if (!(Math.abs(lat) <= 90) || !(Math.abs(lon) <= 180) || !(pastDays >= 0 && pastDays <= most.pastDays) || !(forecastDays >= 0 && forecastDays <= most.forecastDays))
    answer(400, { error: true, reason: `expected latitude and longitude in degrees, past_days of 0 to ${most.pastDays}, forecast_days of 0 to ${most.forecastDays}` });
  else answer(200, answerAt(Date.now() + shiftMs, pastDays, forecastDays, lon, lat));
}).listen(port, '127.0.0.1');
