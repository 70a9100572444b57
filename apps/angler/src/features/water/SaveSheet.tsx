import type { WaterDetail } from '@burrow/contract/api';
import type { LedgerState } from '@burrow/core/ledger';
import { isoWithOffset } from '@burrow/core/units';
import { useState } from 'react';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { saveFile } from '@/data/files';

const formats = [
  { ending: 'geojson', type: 'application/geo+json', label: 'All of it, GeoJSON', hint: 'outline, soundings, marks and holes; its rules as well' },
  {
    ending: 'gpx',
    type: 'application/gpx+xml',
    label: 'Places, GPX',
    hint: 'soundings, marks and holes with their depths, seams and banks as tracks; without the rules, and its shore is no track',
  },
  { ending: 'csv', type: 'text/csv', label: 'Soundings, CSV', hint: 'every measured depth, drilled holes among them; without outline, marks and rules' },
] as const;

/** A water on its way out, with what was drilled on it, in an open format. */
export function SaveSheet({ water, outings, onClose }: { water: WaterDetail; outings: LedgerState['outings']; onClose: () => void }) {
  const [says, setSays] = useState<string | null>(null);
  const zone = water.file.water.timezone;
  const holes = outings
    .filter((o) => o.water === water.id)
    .flatMap((o) =>
      o.stations.map((h) => ({ at: h.at, label: h.label, depthM: h.depthM, time: isoWithOffset(h.openedMs, zone), fish: o.fish.filter((f) => f.station === h.id).length })),
    );
  const save = async ({ ending, type }: (typeof formats)[number]) => {
    // The XML library is fetched when somebody wants it.
    const { gpxText, soundingsCsv, waterPlaces, withHoles } = await import('@burrow/contract/formats');
    const text =
      ending === 'geojson'
        ? `${JSON.stringify(withHoles(water.file, holes))}\n`
        : ending === 'gpx'
          ? gpxText(waterPlaces(water.file, holes))
          : soundingsCsv(waterPlaces(water.file, holes).points.filter((p) => p.depthM !== undefined));
    saveFile(`${water.id}.${ending}`, type, text);
    setSays(`${water.id}.${ending} is saved.`);
  };
  return (
    <Sheet title="Save this water" open onClose={onClose} footer={<Action kind="main" height={64} label="Done" onPress={onClose} />}>
      {formats.map((f) => (
        <Action key={f.ending} label={f.label} onPress={() => void save(f)} />
      ))}
      {formats.map((f) => (
        <Text key={f.ending} size="small" tone="second">{`${f.label}: ${f.hint}.`}</Text>
      ))}
      {says ? <Text tone="kelp">{says}</Text> : null}
    </Sheet>
  );
}
