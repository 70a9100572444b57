import type { ReactNode } from 'react';
import { Text as NativeText, type TextProps, type TextStyle } from 'react-native';
import { bold, regular, typeSizes, usePalette } from '@/theme/theme';

type Tone = 'ink' | 'second' | 'ember' | 'kelp' | 'plum' | 'straw' | 'onEmber' | 'onKelp';

interface Props extends Omit<TextProps, 'style'> {
  size?: keyof typeof typeSizes;
  tone?: Tone;
  strong?: boolean;
  /** A heading of this level, for those who read by headings. */
  heading?: 1 | 2 | 3;
  align?: TextStyle['textAlign'];
  style?: TextStyle;
  children: ReactNode;
}

/** All text goes through here: one family, five sizes, figures of one width. */
export function Text({ size = 'body', tone = 'ink', strong, heading, align, style, children, ...rest }: Props) {
  const palette = usePalette();
  const fontSize = typeSizes[size];
  return (
    <NativeText
      {...rest}
      {...(heading ? { role: 'heading', 'aria-level': heading } : {})}
      style={[
        {
          fontFamily: strong || heading ? bold : regular,
          fontSize,
          lineHeight: Math.round(fontSize * (fontSize > 24 ? 1.15 : 1.38)),
          color: palette[tone],
          textAlign: align,
          fontVariant: ['tabular-nums'],
        },
        style,
      ]}
    >
      {children}
    </NativeText>
  );
}
