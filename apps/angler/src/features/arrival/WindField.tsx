import { windText } from '@burrow/core/units';
import { View } from 'react-native';
import { usePreferences } from '@/data/preferences';
import { Choice } from '@/ui/Choice';
import { quarters } from '@/ui/quarters';
import { Text } from '@/ui/Text';

/** Strengths told apart by eye, m/s: smoke upright, leaves, small branches, whitecaps, a hat held. */
const strengths = [0, 2, 5, 9, 14] as const;

/** Wind by eye: how strong, and where it comes from; null where nobody said. */
export interface WindByEye {
  windMs: number | null;
  windFromDeg: number | null;
}

export const noWind: WindByEye = { windMs: null, windFromDeg: null };

/** What of a wind was said, as the log keeps it. */
export const windBody = ({ windMs, windFromDeg }: WindByEye) => ({
  ...(windMs === null ? {} : { windMs }),
  ...(windFromDeg === null || windMs === 0 ? {} : { windFromDeg }),
});

/** How strong the wind is and from which quarter, by two rows of keys. */
export function WindField({ value, onChange, planned }: { value: WindByEye; onChange: (value: WindByEye) => void; planned?: string }) {
  const { units } = usePreferences();
  return (
    <View role="group" aria-label="Wind" style={{ gap: 6 }}>
      <Text strong>Wind</Text>
      {planned ? (
        <Text size="small" tone="second">
          {planned}
        </Text>
      ) : null}
      <Choice
        label="Wind strength"
        wrap
        options={strengths.map((w) => ({ id: String(w), label: w === 0 ? 'Still' : `about ${windText(w, units)}` }))}
        value={value.windMs === null ? null : String(value.windMs)}
        onChange={(id) => onChange({ ...value, windMs: Number(id) })}
      />
      {value.windMs === 0 ? null : (
        <Choice
          label="Wind from"
          wrap
          options={quarters}
          value={value.windFromDeg === null ? null : String(value.windFromDeg)}
          onChange={(id) => onChange({ ...value, windFromDeg: Number(id) })}
        />
      )}
    </View>
  );
}
