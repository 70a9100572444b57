export * from './format-error';
export * from './weather-csv';
export * from './echo-log';
export * from './metar';
export * from './water-geojson';
export * from './ledger-ndjson';
export * from './catches-csv';
export * from './measurements-csv';
