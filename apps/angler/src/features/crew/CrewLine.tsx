import { crewWords } from '@burrow/core/crew';
import { clockText } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { Pressable } from 'react-native';
import { useCrew } from '@/data/crew';
import { useOuting } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';

/** What the crew came to, in one line at a station: tap it for the board. Nothing where the outing is not shared. */
export function CrewLine() {
  const outing = useOuting();
  const { board } = useCrew(outing);
  const palette = usePalette();
  const router = useRouter();
  if (!outing || !board) return null;
  const others = board.rows.filter((r) => !r.isYou);
  const last = others
    .flatMap((r) => r.bites.map((b) => ({ ...b, name: r.name })))
    .reduce<{ ms: number; name: string; isFish: boolean } | null>((a, b) => (a === null || b.ms > a.ms ? b : a), null);
  const latest = last ? `${last.name}: ${last.isFish ? 'fish' : 'bite'} ${clockText(last.ms, outing.zone)}` : null;
  const says = board.trial?.verdict === 'leads' || latest === null ? crewWords(board).headline : latest;
  return (
    <Pressable
      role="link"
      aria-label={`Crew: ${says}. See the board.`}
      onPress={() => router.navigate('/crew')}
      style={{ minHeight: 44, justifyContent: 'center', paddingHorizontal: 16, borderBottomWidth: 1, borderBottomColor: palette.line, backgroundColor: palette.card }}
    >
      <Text size="small" strong tone="kelp" numberOfLines={1}>
        {`Crew: ${says}`}
      </Text>
    </Pressable>
  );
}
