import { fromWallClock, wallClock } from '@burrow/core/units';
import { createElement } from 'react';
import { View } from 'react-native';
import { regular, usePalette } from '@/theme/theme';
import { Text } from './Text';

interface Props {
  label: string;
  atMs: number;
  /** The zone whose clocks are meant. */
  zone: string;
  onChange: (atMs: number) => void;
}

/** A day and an hour by the clocks of a place, with the phone's own picker. */
export function WallClockField({ label, atMs, zone, onChange }: Props) {
  const palette = usePalette();
  const style = {
    height: 56,
    fontSize: 18,
    fontFamily: regular,
    color: palette.ink,
    backgroundColor: palette.card,
    border: `1px solid ${palette.line}`,
    borderRadius: 10,
    padding: '0 12px',
  };
  return (
    <View style={{ gap: 4 }}>
      <Text strong>{label}</Text>
      {createElement('input', {
        type: 'datetime-local',
        'aria-label': label,
        value: wallClock(atMs, zone),
        style,
        onChange: (event: { target: { value: string } }) => {
          const read = fromWallClock(event.target.value, zone);
          if (!Number.isNaN(read)) onChange(read);
        },
      })}
    </View>
  );
}
