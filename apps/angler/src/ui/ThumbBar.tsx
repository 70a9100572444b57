import { Pressable, View } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Icon, type IconName } from './icon/Icon';
import { Text } from './Text';

export interface ThumbKey {
  id: string;
  label: string;
  /** A second, smaller line. */
  detail?: string;
  icon: IconName;
  onPress: () => void;
  /** Held down; whatever it does can be reached by a tap elsewhere too. */
  onHold?: () => void;
  main?: boolean;
  /** Single key for wide screens. */
  shortcut?: string;
}

/** The big keys at the thumb: one tap each. */
export function ThumbBar({ keys, showShortcuts, label = 'What the fish did' }: { keys: readonly ThumbKey[]; showShortcuts?: boolean; label?: string }) {
  const palette = usePalette();
  return (
    <View role="toolbar" aria-label={label} style={{ flexDirection: 'row', gap: 8, padding: 10, backgroundColor: palette.ground, borderTopWidth: 1, borderTopColor: palette.line }}>
      {keys.map((key) => (
        <Pressable
          key={key.id}
          role="button"
          aria-keyshortcuts={key.shortcut}
          onPress={key.onPress}
          onLongPress={key.onHold}
          style={({ pressed }) => ({
            flex: 1,
            minHeight: 76,
            alignItems: 'center',
            justifyContent: 'center',
            gap: 4,
            borderRadius: radius,
            borderWidth: 1,
            borderColor: key.main ? palette.ember : palette.line,
            backgroundColor: key.main ? palette.ember : palette.card,
            opacity: pressed ? 0.75 : 1,
          })}
        >
          <Icon name={key.icon} size={26} color={key.main ? palette.onEmber : palette.ink} />
          <Text strong size="small" tone={key.main ? 'onEmber' : 'ink'} align="center" numberOfLines={key.detail ? 1 : 2}>
            {key.label}
          </Text>
          {key.detail && !showShortcuts ? (
            <Text size="small" tone={key.main ? 'onEmber' : 'second'} numberOfLines={1}>
              {key.detail}
            </Text>
          ) : null}
          {showShortcuts && key.shortcut ? (
            <Text size="small" tone={key.main ? 'onEmber' : 'second'} aria-hidden style={{ lineHeight: 14 }}>
              {key.shortcut}
            </Text>
          ) : null}
        </Pressable>
      ))}
    </View>
  );
}
