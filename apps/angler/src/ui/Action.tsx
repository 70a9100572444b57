import { Pressable, type DimensionValue } from 'react-native';
import { radius, usePalette } from '@/theme/theme';
import { Icon, type IconName } from './icon/Icon';
import { Text } from './Text';

interface Props {
  label: string;
  onPress: () => void;
  icon?: IconName;
  /** `main`: the one main action of a screen; `plain`: any other; `bare`: without a border. */
  kind?: 'main' | 'plain' | 'bare';
  disabled?: boolean;
  selected?: boolean;
  height?: number;
  width?: DimensionValue;
  grow?: boolean;
  /** Read out instead of the label. */
  spoken?: string;
  shortcut?: string;
}

/** What is for the screen alone: paper has no keys. */
const screenOnly = { dataSet: { screenonly: 'true' } } as object;

/** A button for a gloved thumb. */
export function Action({ label, onPress, icon, kind = 'plain', disabled, selected, height = 52, width, grow, spoken, shortcut }: Props) {
  const palette = usePalette();
  const filled = kind === 'main' || selected === true;
  const ground = kind === 'main' ? palette.ember : selected ? palette.kelp : kind === 'bare' ? 'transparent' : palette.card;
  const tone = kind === 'main' ? 'onEmber' : selected ? 'onKelp' : 'ink';
  return (
    <Pressable
      role="button"
      aria-label={spoken}
      aria-pressed={selected}
      aria-keyshortcuts={shortcut}
      {...screenOnly}
      disabled={disabled}
      onPress={onPress}
      style={({ pressed }) => ({
        minHeight: height,
        width,
        flexGrow: grow ? 1 : 0,
        flexBasis: grow ? 0 : 'auto',
        flexDirection: 'row',
        alignItems: 'center',
        justifyContent: 'center',
        gap: 8,
        paddingHorizontal: 16,
        paddingVertical: 6,
        borderRadius: radius,
        borderWidth: kind === 'bare' ? 0 : 1,
        borderColor: filled ? ground : palette.line,
        backgroundColor: ground,
        opacity: disabled ? 0.45 : pressed ? 0.8 : 1,
      })}
    >
      {icon ? <Icon name={icon} size={22} color={palette[tone]} /> : null}
      <Text strong tone={tone} align="center">
        {label}
      </Text>
    </Pressable>
  );
}
