/** Makes the demo's files in the open formats from the seeded scenario: `npx tsx demo/make.ts`. */
import { ledgerText, measurementsCsv } from '@burrow/contract/formats';
import { fold } from '@burrow/core/ledger';
import { measurementsOf } from '@burrow/core/outlook';
import { isoWithOffset } from '@burrow/core/units';
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { climateAt } from '../stand-ins/weather-service/src/climate';
import { seasonStartMs } from './scenario/column';
import { castingDays } from './scenario/casting-days';
import { crewDays } from './scenario/crew-days';
import { marrowDrain } from './scenario/drain';
import { tamberLake } from './scenario/lake';
import { poleDays } from './scenario/pole-days';
import { cobblePond } from './scenario/pond';
import { perrowPool } from './scenario/pool';
import { verrinReservoir } from './scenario/reservoir';
import { ullenRiver } from './scenario/river';
import { winterSeason } from './scenario/season';
import { trollDays } from './scenario/troll-days';

const folder = path.dirname(fileURLToPath(import.meta.url));
const write = (file: string, text: string) => writeFileSync(path.join(folder, file), text);

for (const [name, water] of Object.entries({
  'tamber-lake': tamberLake,
  'verrin-reservoir': verrinReservoir,
  'ullen-river': ullenRiver,
  'marrow-drain': marrowDrain,
  'cobble-pond': cobblePond,
  'perrow-pool': perrowPool,
}))
  write(`${name}.geojson`, `${JSON.stringify(water())}\n`);
const season = [...trollDays(), ...castingDays(), ...poleDays(), ...crewDays(), ...winterSeason()];
write('season.ndjson', ledgerText(season));
write('measurements.csv', measurementsCsv(measurementsOf(fold(season), 'tamber-lake')));

const rows = ['time,air_c,pressure_hpa,wind_ms,wind_from_deg,cloud,precip_mm,snow_cm'];
for (let ms = seasonStartMs; ms <= Date.parse('2027-01-20T23:00-09:00'); ms += 3_600_000) {
  const w = climateAt(ms);
  rows.push([isoWithOffset(ms, 'Etc/GMT+9'), w.airC, w.pressureHpa, w.windMs, w.windFromDeg, w.cloud, w.precipMm, w.snowCm].join(','));
}
write('weather.csv', `${rows.join('\n')}\n`);
