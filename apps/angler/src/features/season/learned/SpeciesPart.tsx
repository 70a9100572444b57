import { isKnownSpecies, speciesOf } from '@burrow/core/fish';
import { speciesCaught, thisTimeBefore, type CaughtFish } from '@burrow/core/season';
import { counted, dayText, depthText, fishLengthText, localTime, weightText, type UnitPreference } from '@burrow/core/units';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { nowMs } from '@/data/clock';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

const nameOf = (id: string) => (isKnownSpecies(id) ? speciesOf(id).short : id);
const whenWhere = ({ fish, waterName, zone }: CaughtFish) => `${waterName}, ${dayText(fish.ms, zone)} ${localTime(fish.ms, zone).year}`;

/** What was caught by species: kept and put back, the best of each, and how well fed they were. */
export function SpeciesPart() {
  const { state } = useLedger();
  const { units } = usePreferences();
  const palette = usePalette();
  const rows = useMemo(() => speciesCaught(state), [state]);
  if (rows.length === 0) return null;
  return (
    <View>
      <Text heading={2} size="lead">
        By fish
      </Text>
      {rows.map(({ species, count, kept, released, longest, heaviest, medianMm, condition }) => (
        <View key={species} style={{ borderTopWidth: 1, borderTopColor: palette.line, paddingVertical: 10, gap: 2 }}>
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Text strong>{nameOf(species)}</Text>
            <Text strong tone="kelp">
              {String(count)}
            </Text>
          </View>
          <Text size="small" tone="second">
            {[`${kept} kept, ${released} put back`, medianMm === null ? null : `half of the measured over ${fishLengthText(medianMm, units)}`].filter(Boolean).join('; ')}
          </Text>
          {longest ? <Text size="small">{`Longest ${fishLengthText(longest.fish.lengthMm!, units)}: ${whenWhere(longest)}`}</Text> : null}
          {heaviest ? <Text size="small">{`Heaviest ${weightText(heaviest.fish.weightG!, units)}: ${whenWhere(heaviest)}`}</Text> : null}
          {condition ? (
            <Text size="small" tone="second">{`${Math.round(100 * condition.share)} % of the standard weight for their length, over ${condition.of} weighed`}</Text>
          ) : null}
        </View>
      ))}
    </View>
  );
}

const shown = 3;

/** What one did about this day in other years, the best first. */
export function ThisTimePart() {
  const { state } = useLedger();
  const { units } = usePreferences();
  const router = useRouter();
  const outings = useMemo(() => thisTimeBefore(state, nowMs()), [state]);
  if (outings.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Text heading={2} size="lead">
        This time of other years
      </Text>
      {outings.slice(0, shown).map((o) => (
        <Action
          key={o.id}
          label={`${dayText(o.startedMs, o.zone)} ${localTime(o.startedMs, o.zone).year}, ${o.waterName}: ${o.fish.length} fish${depthsText(o.fish, units)}`}
          onPress={() => router.navigate({ pathname: '/outing', params: { id: o.id } })}
        />
      ))}
      {outings.length > shown ? (
        <Text size="small" tone="second">
          {`and ${counted(outings.length - shown, 'outing')} more within ten days of today’s date`}
        </Text>
      ) : null}
    </View>
  );
}

/** How deep those fish took, where that was logged. */
function depthsText(fish: readonly CaughtFish['fish'][], units: UnitPreference): string {
  const depths = fish.flatMap((f) => f.depthM ?? []);
  return depths.length === 0 ? '' : `, ${depthText(Math.min(...depths), units)} to ${depthText(Math.max(...depths), units)}`;
}
