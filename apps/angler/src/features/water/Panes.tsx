import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Action } from '@/ui/Action';
import { useWide } from '@/features/shell/Shell';
import { usePalette } from '@/theme/theme';

interface Props {
  /** The screen's answer in a sentence, with its reason. */
  answer: ReactNode;
  map: ReactNode;
  /** What the map shows, in words. */
  list: ReactNode;
  /** What one does next, within reach of the thumb. */
  panel: ReactNode;
  /** Whether the list stands in the map's stead, on a narrow screen. */
  inWords: boolean;
  onMap: () => void;
}

/** The Water's parts: side by side where there is room, else the map or its words. */
export function Panes({ answer, map, list, panel, inWords, onMap }: Props) {
  const palette = usePalette();
  const wide = useWide();
  if (wide)
    return (
      <View style={{ flex: 1, flexDirection: 'row' }}>
        {map}
        <View style={{ width: 400, borderLeftWidth: 1, borderLeftColor: palette.line }}>
          <ScrollView>
            {answer}
            {list}
          </ScrollView>
          {panel}
        </View>
      </View>
    );
  if (inWords)
    return (
      <View style={{ flex: 1 }}>
        <ScrollView>
          {answer}
          {list}
        </ScrollView>
        <View style={{ padding: 16 }}>
          <Action label="Back to the map" onPress={onMap} />
        </View>
      </View>
    );
  return (
    <View style={{ flex: 1 }}>
      {answer}
      {map}
      {panel}
    </View>
  );
}

/** The answer and its reason; what is wanting below them. */
export function Answer({ children }: { children: ReactNode }) {
  return (
    <View style={{ padding: 16, paddingBottom: 12, gap: 6 }} aria-live="polite">
      {children}
    </View>
  );
}

/** The panel at the foot. */
export function Foot({ children }: { children: ReactNode }) {
  const palette = usePalette();
  return <View style={{ padding: 16, gap: 10, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>{children}</View>;
}
