import type { CrewBoardAnswer, CrewMembership } from '@burrow/contract/api';
import { crewSchoolText, crewWords } from '@burrow/core/crew';
import type { OutingState } from '@burrow/core/ledger';
import { useRouter } from 'expo-router';
import { ScrollView, View } from 'react-native';
import { useWallNow } from '@/data/clock';
import { useCrew, useCrewChanges } from '@/data/crew';
import { usePreferences } from '@/data/preferences';
import { useOuting } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Text } from '@/ui/Text';
import { EvidencePicture } from './EvidencePicture';
import { JoinForm } from './JoinForm';
import { MemberRow, RowKey } from './MemberRow';

/** Who leads, and who has what in the water? */
export function CrewScreen() {
  const outing = useOuting();
  const router = useRouter();
  const { crew, board, keptMs, isPending } = useCrew(outing);
  if (!outing)
    return (
      <Notice title="A crew shares an outing" action={{ label: 'To the water', onPress: () => router.navigate('/water') }}>
        Start an outing first: then open a crew, or join one by its code.
      </Notice>
    );
  if (crew && board) return <Board outing={outing} crew={crew} board={board} keptMs={keptMs} />;
  if (isPending || crew) return <Notice title="Asking for your crew" busy />;
  return <JoinForm outing={outing} />;
}

/** A code in two halves, as it is read aloud. */
const spaced = (code: string) => `${code.slice(0, 3)} ${code.slice(3)}`;
/** A board that came longer ago than this is as it was last seen, ms. */
const oldMs = 90_000;
/** A member whose phone was not heard for so long is named, min. */
const silentFromMin = 3;

function Board({ outing, crew, board, keptMs }: { outing: OutingState; crew: CrewMembership; board: CrewBoardAnswer; keptMs: number | null }) {
  const palette = usePalette();
  const router = useRouter();
  const { units } = usePreferences();
  const { leave } = useCrewChanges(outing);
  const words = crewWords(board);
  const { zone } = outing;
  const size = board.rows.length;
  const wallMs = useWallNow(15_000);
  const isOld = keptMs !== null && wallMs - keptMs > oldMs;
  const silent = board.rows.filter((r) => !r.isYou && r.silentMin >= silentFromMin);
  return (
    <View style={{ flex: 1 }}>
      <ScrollView contentContainerStyle={{ paddingVertical: 14, gap: 14, maxWidth: 720, width: '100%', alignSelf: 'center' }}>
        <View style={{ paddingHorizontal: 16, gap: 4 }} aria-live="polite">
          <Text size="small" tone="second">
            {`${size <= 1 ? 'A crew of one so far' : `Crew of ${size}`}${crew.code ? `, code ${spaced(crew.code)}` : ''}${isOld ? ', as last seen: no signal' : ''}`}
          </Text>
          <Text heading={1} size="title">
            {words.headline}
          </Text>
          <Text tone="second">{words.detail}</Text>
        </View>
        <View style={{ paddingHorizontal: 16, gap: 14 }}>
          <RowKey />
          {board.rows.map((row, k) => (
            <MemberRow key={`${k}-${row.name}`} row={row} fromMs={board.fromMs} nowMs={board.nowMs} zone={zone} units={units} />
          ))}
        </View>
        {board.trial && board.trial.steps.length > 0 ? (
          <View style={{ paddingHorizontal: 16, gap: 6 }}>
            <Text heading={2} size="lead">
              The evidence, visit by visit
            </Text>
            <EvidencePicture trial={board.trial} fromMs={board.fromMs} nowMs={board.nowMs} zone={zone} />
          </View>
        ) : null}
        {board.schools.length + silent.length > 0 ? (
          <View style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingTop: 12, paddingHorizontal: 16, gap: 10 }}>
            {board.schools.slice(0, 3).map((s) => (
              <Said key={`${s.ms}-${s.by}`} who="School" what={crewSchoolText(s, zone, units)} />
            ))}
            {silent.map((r) => (
              <Said key={r.name} who={r.name} what={`not heard for ${r.silentMin} min: the log follows when there is a signal`} />
            ))}
          </View>
        ) : null}
        {size <= 1 && crew.code ? (
          <View style={{ paddingHorizontal: 16 }}>
            <Text>{`Tell the others the code: ${spaced(crew.code)}. It is good until your outing ends. They see this outing, and nothing else of you.`}</Text>
          </View>
        ) : null}
        {leave.isError ? (
          <View style={{ paddingHorizontal: 16 }}>
            <Text tone="straw">{leave.error.message}</Text>
          </View>
        ) : null}
      </ScrollView>
      <View style={{ flexDirection: 'row', gap: 8, padding: 12, borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card }}>
        <Action grow height={64} label={crew.isYours ? 'End the crew' : 'Leave the crew'} disabled={leave.isPending} onPress={() => leave.mutate(crew)} />
        <Action grow kind="main" height={64} label="Back to fishing" onPress={() => router.navigate(outing.currentStation ? '/hole' : '/water')} />
      </View>
    </View>
  );
}

function Said({ who, what }: { who: string; what: string }) {
  return (
    <View style={{ flexDirection: 'row', gap: 12 }}>
      <Text strong style={{ width: 76 }}>
        {who}
      </Text>
      <Text style={{ flex: 1 }}>{what}</Text>
    </View>
  );
}
