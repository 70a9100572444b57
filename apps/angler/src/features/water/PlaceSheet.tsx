import type { LonLat } from '@burrow/core/ground';
import { Suspense, useState } from 'react';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { placeFrom } from './where-am-i';

const Field = lazily(() => import('@/features/with-paper').then((m) => m.Field));

/** A place by its figures, for those who know them or read them off another chart. */
export function PlaceSheet({ onClose, onPlace }: { onClose: () => void; onPlace: (at: LonLat) => void }) {
  const [text, setText] = useState('');
  const [says, setSays] = useState<string | null>(null);
  const take = () => {
    try {
      onPlace(placeFrom(text));
    } catch (error) {
      setSays((error as Error).message);
    }
  };
  return (
    <Sheet title="Where does it lie?" open onClose={onClose} footer={<Action kind="main" height={64} label="Go there" disabled={text.trim() === ''} onPress={take} />}>
      <Suspense fallback={null}>
        <Field label="Latitude, longitude" value={text} onChangeText={setText} autoFocus maxLength={80} onSubmitEditing={take} />
      </Suspense>
      {says ? <Text tone="straw">{says}</Text> : null}
    </Sheet>
  );
}
