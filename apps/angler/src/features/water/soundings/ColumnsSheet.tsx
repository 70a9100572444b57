import type { TableColumns } from '@burrow/contract/formats/table';
import { depthUnits, type DepthUnit } from '@burrow/core/ground';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { depthUnitChoices } from './DepthQuestions';
import type { SoundingFileControl } from './useSoundingFile';

type Unnamed = SoundingFileControl['unnamed'];

/** Which column of a table is the longitude, the latitude and the depth, and in which unit the depths are, with its first rows to tell by. */
export function ColumnsSheet({ table, goOn, leave }: Unnamed) {
  return table === null ? null : <Columns table={table} goOn={goOn} leave={leave} />;
}

const asked = [
  { id: 'lon', label: 'Longitude' },
  { id: 'lat', label: 'Latitude' },
  { id: 'depth', label: 'Depth' },
] as const;
const columnWidth = 108;

function Columns({ table, goOn, leave }: Unnamed & { table: NonNullable<Unnamed['table']> }) {
  const palette = usePalette();
  const { columns, firstRows, guess, metresPerUnit } = table;
  const [said, setSaid] = useState<Partial<TableColumns>>(guess);
  const [unit, setUnit] = useState<DepthUnit | null>(() => depthUnitChoices.find((c) => depthUnits[c.id] === metresPerUnit)?.id ?? null);
  const { lon, lat, depth } = said;
  const isReady = lon !== undefined && lat !== undefined && depth !== undefined && new Set([lon, lat, depth]).size === 3 && unit !== null;
  return (
    <Sheet
      title="Which column is what?"
      open
      onClose={leave}
      footer={
        <>
          <Action kind="main" height={64} label="Read it so" disabled={!isReady} onPress={() => goOn({ ...said, lon: lon!, lat: lat!, depth: depth! }, unit!)} />
          <Action label="Bring nothing" onPress={leave} />
        </>
      }
    >
      <ScrollView horizontal>
        <View role="table" aria-label="First rows of the file">
          {[columns, ...firstRows].map((row, k) => (
            <View key={k} role="row" style={{ flexDirection: 'row', borderBottomWidth: 1, borderBottomColor: palette.line }}>
              {columns.map((_, i) => (
                <View key={i} role={k === 0 ? 'columnheader' : 'cell'} style={{ width: columnWidth, padding: 4 }}>
                  <Text size="small" strong={k === 0} numberOfLines={1}>
                    {row[i] ?? ''}
                  </Text>
                </View>
              ))}
            </View>
          ))}
        </View>
      </ScrollView>
      {asked.map(({ id, label }) => (
        <View key={id} style={{ gap: 6 }}>
          <Text strong>{label}</Text>
          <Choice
            label={label}
            wrap
            options={columns.map((name, k) => ({ id: String(k), label: name }))}
            value={said[id] === undefined ? null : String(said[id])}
            onChange={(k) => setSaid({ ...said, [id]: Number(k) })}
          />
        </View>
      ))}
      <View style={{ gap: 6 }}>
        <Text strong>Depths are in</Text>
        <Choice label="Unit of the depths" wrap options={depthUnitChoices} value={unit} onChange={setUnit} />
      </View>
    </Sheet>
  );
}
