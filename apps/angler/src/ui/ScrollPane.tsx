import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';

/** A part of a wide screen that scrolls by itself, reached by the keyboard too: what is in it may be nothing but words. */
export function ScrollPane({ label, gap = 12, children }: { label: string; gap?: number; children: ReactNode }) {
  return (
    <ScrollView role="region" aria-label={label} {...({ tabIndex: 0 } as object)} contentContainerStyle={{ padding: 16, gap }}>
      {children}
    </ScrollView>
  );
}
