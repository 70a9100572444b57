import type { ReadOptions } from '@burrow/contract/formats/places';
import type { PointTable, TableColumns } from '@burrow/contract/formats/table';
import { areDepthsDoubtful, plumbedSoundings, soundingsIn, type DepthUnit, type LonLat, type SoundingSource } from '@burrow/core/ground';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { useMemo, useState } from 'react';
import { openFile } from '@/data/files';
import { groundWorker } from '@/data/ground';
import type { SoundingFile } from '@/workers/ground.api';

export type SounderId = 'plumbed' | '1463' | '1500';
export type WarmthId = '4' | '15' | '22';

/** A file of soundings that is brought in: read, with what cannot be read asked about, its unit and how it was measured. */
export function useSoundingFile() {
  const [name, setName] = useState('');
  const [read, setRead] = useState<SoundingFile | null>(null);
  const [asked, setAsked] = useState<SoundingFile | null>(null);
  // A table whose columns have to be said, with its text.
  const [unnamed, setUnnamed] = useState<{ name: string; text: string; table: PointTable } | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const [isReading, setReading] = useState(false);
  const [unit, setUnit] = useState<DepthUnit | null>(null);
  const [sounder, setSounder] = useState<SounderId>('plumbed');
  const [warmth, setWarmth] = useState<WarmthId>('15');
  const raw = useMemo(() => read?.soundings ?? [], [read]);
  const isDoubtful = useMemo(() => areDepthsDoubtful(raw), [raw]);
  // Metres are what the format means; depths that do not fit the water are asked about.
  const depthUnit = unit ?? (isDoubtful ? null : 'm');
  const source: SoundingSource = { setMs: sounder === 'plumbed' ? null : Number(sounder), waterTempC: Number(warmth) };
  const soundings = depthUnit === null ? [] : plumbedSoundings(soundingsIn(raw, depthUnit), source);

  const bring = async () => {
    const picked = await openFile('.csv,.tsv,.txt,.xyz,.gpx,.kml,.nmea,.geojson,.json');
    if (!picked) return;
    setName(picked.name);
    await take(picked);
  };
  const take = async (picked: { name: string; text: string }, options: ReadOptions = {}) => {
    setReading(true);
    setSays(null);
    setUnnamed(null);
    try {
      const file = await (await groundWorker()).read(picked.name, picked.text, options);
      if ('table' in file) setUnnamed({ ...picked, table: file.table });
      else if (file.soundings.length === 0)
        setSays(`${picked.name}: expected places with a depth, found none${file.leftOut[0] ? `; ${file.leftOut[0].where}: ${file.leftOut[0].why}` : ''}.`);
      else if (file.leftOut.length > 0) setAsked(file);
      else setRead(file);
    } catch (error) {
      setSays(`${picked.name}: ${(error as Error).message}`);
    }
    setReading(false);
  };
  return {
    name,
    raw,
    soundings,
    deepestM: soundings.reduce((most, s) => Math.max(most, s.depthM), 0),
    isDoubtful,
    depthUnit,
    isUnitSaid: unit !== null,
    setUnit,
    /** How the depths were measured. */
    measured: { source, sounder, warmth, setSounder, setWarmth },
    says,
    isReading,
    bring,
    /** Columns of the file that have to be said, while they are not. */
    unnamed: {
      table: unnamed?.table ?? null,
      // Read as it stands there: the unit, which was said with the columns, is applied with the other questions of the file.
      goOn: (columns: TableColumns, saidUnit: DepthUnit) => {
        setUnit(saidUnit);
        void take(unnamed!, { columns, metresPerUnit: 1 });
      },
      leave: () => setUnnamed(null),
    },
    /** Rows of the file that cannot be read, while it is not said what to do. */
    leftOut: {
      asked,
      goOn: () => {
        setRead(asked);
        setAsked(null);
      },
      leave: () => setAsked(null),
    },
  };
}

export type SoundingFileControl = ReturnType<typeof useSoundingFile>;

/** Soundings as features of a water. */
export const soundingFeatures = (soundings: readonly { at: LonLat; depthM: number; time?: string }[]): WaterFile['features'] =>
  soundings.map((s) => ({
    type: 'Feature' as const,
    geometry: { type: 'Point' as const, coordinates: [s.at[0], s.at[1]] as [number, number] },
    properties: { role: 'sounding' as const, depth_m: s.depthM, ...(s.time === undefined ? {} : { time: s.time }) },
  }));
