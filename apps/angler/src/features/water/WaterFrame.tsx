import { skinned } from '@burrow/core/methods';
import type { WaterDetail } from '@burrow/contract/api';
import { useRouter } from 'expo-router';
import { Suspense, useState, type ReactNode } from 'react';
import { useLedger } from '@/data/session';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';
import { lazily } from '@/ui/lazily';
import { Answer, Panes } from './Panes';
import { PlaceFoot, type PlaceSlots } from './PlaceFoot';
import { StationHere, type OpenedPlace } from './StationHere';

const UndoSnackbar = lazily(() => import('@/features/with-paper').then((m) => m.UndoSnackbar));

/** Something that can be taken back, in words. */
export interface TakenBack {
  id: string;
  text: string;
  onUndo: () => void;
  onForget: () => void;
}

interface Props extends PlaceSlots {
  water: WaterDetail;
  /** Where to fish, in a sentence with its reason, and what is wanting below. */
  answer: { headline: string; detail: string; notes?: readonly string[]; below?: ReactNode };
  map: (bars: ReactNode, onWords: () => void) => ReactNode;
  list: ReactNode;
  dropped?: TakenBack | null;
  /** Told when the list takes the map's stead, and when it goes. */
  onInWords?: (inWords: boolean) => void;
  onOpened?: () => void;
}

/** Where to fish on a water, whatever water it is: the answer, its map, the place of the ring and of the phone, and what one does there. */
export function WaterFrame(props: Props) {
  const { water, here, standpoint, ring, map, list, dropped, onInWords, onOpened } = props;
  // Nothing that is said of places holds where nobody stands and nothing goes through.
  const answer: Props['answer'] = here.surface === 'skin' ? { headline: skinned.headline, detail: skinned.text } : props.answer;
  const { outing, zone, method, ended, undoEnd, forgetEnded } = here;
  const { ledger } = useLedger();
  const router = useRouter();
  const [inWords, setInWords] = useState(false);
  const [place, setPlace] = useState<OpenedPlace | null>(null);
  const show = (words: boolean) => {
    setInWords(words);
    onInWords?.(words);
  };
  const back = (station: string) => {
    void ledger.write({ id: outing!.id, zone }, 'moved', { station, ...(outing!.currentStation === null ? {} : { fromStation: outing!.currentStation }) });
    standpoint.tap(null);
    router.navigate('/hole');
  };
  const undos: TakenBack[] = [...(dropped ? [dropped] : []), ...(ended ? [{ id: ended.event.id, text: ended.text, onUndo: undoEnd, onForget: forgetEnded }] : [])];
  const bars = undos.map((u) => (
    <Suspense key={u.id} fallback={null}>
      <UndoSnackbar text={u.text} onUndo={u.onUndo} onDismiss={u.onForget} onTop={0} />
    </Suspense>
  ));
  return (
    <>
      <Panes
        answer={
          <Answer>
            <Text heading={1} size="title">
              {answer.headline}
            </Text>
            <Text tone="second">{answer.detail}</Text>
            {answer.notes?.map((note) => (
              <Text key={note} tone="straw">
                {note}
              </Text>
            ))}
            {answer.below}
          </Answer>
        }
        map={map(bars, () => show(true))}
        list={list}
        panel={<PlaceFoot {...props} ring={ring} onOpen={setPlace} onBack={back} />}
        inWords={inWords}
        onMap={() => show(false)}
      />
      <StationHere
        method={method}
        outing={outing}
        zone={water.file.water.timezone}
        place={place}
        onClose={() => setPlace(null)}
        onOpened={() => {
          standpoint.tap(null);
          onOpened?.();
        }}
      />
    </>
  );
}

/** What leads to a file or a mark where no outing can be started. */
export const AddSoundings = () => {
  const router = useRouter();
  return <Action kind="main" height={64} label="Add soundings" onPress={() => router.navigate('/gear')} />;
};
