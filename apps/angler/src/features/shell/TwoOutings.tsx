import type { LedgerEvent } from '@burrow/core/ledger';
import { clockText } from '@burrow/core/units';
import { Suspense, useState } from 'react';
import { View } from 'react-native';
import { useLedger } from '@/data/session';
import { useOtherOutings, useOuting, useWaterDetail } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));

/** Two outings under way at once, begun on two phones without a signal: joined or ended by one tap, and that can be taken back. */
export function TwoOutings() {
  const palette = usePalette();
  const { ledger } = useLedger();
  const [other] = useOtherOutings();
  const shown = useOuting();
  const zone = useWaterDetail(shown?.water).data?.value.file.water.timezone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  const [done, setDone] = useState<{ text: string; event: LedgerEvent } | null>(null);
  const canJoin = other && shown && other.water === shown.water;
  const join = async () => {
    const event = await ledger.write({ id: shown!.id, zone }, 'joined', { into: other.id });
    setDone({ text: 'The two outings are one', event });
  };
  const end = async () => {
    const event = await ledger.write({ id: other.id, zone }, 'outing-ended', {});
    setDone({ text: `Outing on ${other.waterName} ended`, event });
  };
  return (
    <>
      {other && shown ? (
        <View role="note" style={{ gap: 8, paddingHorizontal: 16, paddingVertical: 10, backgroundColor: palette.strawGround }}>
          <Text strong tone="straw">
            {`Two outings are under way: ${shown.waterName} since ${clockText(shown.startedMs, zone)}, and ${other.waterName} since ${clockText(other.startedMs, zone)}, begun on another phone.`}
          </Text>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {canJoin ? <Action grow label="Join them" onPress={() => void join()} /> : null}
            <Action grow label="End the other one" onPress={() => void end()} />
          </View>
        </View>
      ) : null}
      {done ? (
        // Over the screen that follows it, whose own ground would hide it.
        <View pointerEvents="box-none" style={{ position: 'absolute', inset: 0, zIndex: 5 }}>
          <Suspense fallback={null}>
            <UndoSnackbar
              key={done.event.id}
              text={done.text}
              onUndo={() => void ledger.write({ id: done.event.outing, zone }, 'undone', { target: done.event.id })}
              onDismiss={() => setDone(null)}
            />
          </Suspense>
        </View>
      ) : null}
    </>
  );
}
