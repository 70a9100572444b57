import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { openFile, saveFile } from '@/data/files';
import { boxOf, change, removePresentation, restorePresentation, takeIntoBox, usePreferences, type Presentation } from '@/data/preferences';
import { usePalette } from '@/theme/theme';
import { pieceText } from '@/features/tackle/words';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { PieceSheet } from './PieceSheet';

/** What one has to tie on: each piece with what is known of it, in and out as CSV. */
export function TackleBox() {
  const palette = usePalette();
  const router = useRouter();
  const { presentations, presentation, units } = usePreferences();
  const [editing, setEditing] = useState<Presentation | 'new' | null>(null);
  const [gone, setGone] = useState<Presentation | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const bringIn = async () => {
    const file = await openFile('.csv,text/csv');
    if (!file) return;
    const { parseTackleCsv, FormatError } = await import('@burrow/contract/formats');
    try {
      const box = parseTackleCsv(file.text);
      const fresh = takeIntoBox(box);
      setSays(`${file.name}: ${fresh} new, ${box.length - fresh} brought up to date.`);
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      setSays(`${file.name}: ${error.message}. Nothing was taken in.`);
    }
  };
  const takeOut = async () => {
    const { tackleCsv } = await import('@burrow/contract/formats');
    saveFile('tackle-box.csv', 'text/csv', tackleCsv(boxOf(presentations)));
  };
  return (
    <View style={{ gap: 8 }}>
      <Action kind="main" label="What to tie on" onPress={() => router.navigate('/tie-on')} />
      {presentations.length === 0 ? <Text tone="second">The box is empty, and the log says nothing of the bait. The first piece added goes on the line.</Text> : null}
      {presentations.map((p) => (
        <View key={p.id} style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 8, gap: 4 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
            <View style={{ flex: 1 }}>
              <Text strong={p.id === presentation}>{p.name}</Text>
              <Text size="small" tone={p.id === presentation ? 'kelp' : 'second'}>
                {[p.id === presentation ? 'on the line' : null, pieceText(p, units)].filter(Boolean).join('; ')}
              </Text>
            </View>
            {p.id === presentation ? null : <Action label="Tie on" onPress={() => change({ presentation: p.id })} />}
            <Action kind="bare" label="" spoken={`Change ${p.name}`} icon="edit" onPress={() => setEditing(p)} />
            <Action kind="bare" label="" spoken={`Take out ${p.name}`} icon="remove" onPress={() => setGone(removePresentation(p.id))} />
          </View>
          {p.tackle ? null : <Action label="Say what it is" spoken={`Say what ${p.name} is`} onPress={() => setEditing(p)} />}
        </View>
      ))}
      <View aria-live="polite" style={{ gap: 8 }}>
        {gone ? (
          <Action
            icon="undo"
            label={`Put back ${gone.name}`}
            onPress={() => {
              restorePresentation(gone);
              setGone(null);
            }}
          />
        ) : null}
      </View>
      <Action icon="plus" label="Add a piece" onPress={() => setEditing('new')} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Action grow icon="download" label="Box (CSV)" onPress={() => void takeOut()} />
        <Action grow icon="upload" label="Bring a box in" onPress={() => void bringIn()} />
      </View>
      <View aria-live="polite">{says ? <Text>{says}</Text> : null}</View>
      {editing ? <PieceSheet piece={editing === 'new' ? null : editing} onClose={() => setEditing(null)} /> : null}
    </View>
  );
}
