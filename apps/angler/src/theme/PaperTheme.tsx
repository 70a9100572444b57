import type { ReactNode } from 'react';
// Only names that Paper's Babel plugin knows: for any other, types included, it takes the whole library.
import { configureFonts, ThemeProvider } from 'react-native-paper';
import type { MD3Theme } from 'react-native-paper';
import { day, dusk, type Palette } from './palette';
import { bold, radius, regular, usePalette } from './theme';

const variants = [
  'displayLarge',
  'displayMedium',
  'displaySmall',
  'headlineLarge',
  'headlineMedium',
  'headlineSmall',
  'titleLarge',
  'titleMedium',
  'titleSmall',
  'labelLarge',
  'labelMedium',
  'labelSmall',
  'bodyLarge',
  'bodyMedium',
  'bodySmall',
] as const;

function paperTheme(p: Palette): MD3Theme {
  const config = Object.fromEntries(
    variants.map((v) => {
      const strong = v.startsWith('display') || v.startsWith('headline') || v.startsWith('title') || v === 'labelLarge';
      const fontSize = v.startsWith('body') || v === 'labelLarge' ? 16 : v.startsWith('label') ? 14 : 20;
      return [v, { fontFamily: strong ? bold : regular, fontWeight: undefined, fontSize, lineHeight: Math.round(fontSize * 1.3), letterSpacing: 0 }];
    }),
  );
  const flat = { level0: 'transparent', level1: p.card, level2: p.card, level3: p.card, level4: p.card, level5: p.card };
  return {
    version: 3,
    isV3: true,
    animation: { scale: 1 },
    dark: p.name === 'dusk',
    roundness: radius,
    fonts: configureFonts({ config: config as Parameters<typeof configureFonts>[0] extends { config?: infer C } ? C : never }),
    colors: {
      primary: p.ember,
      onPrimary: p.onEmber,
      primaryContainer: p.ember,
      onPrimaryContainer: p.onEmber,
      secondary: p.kelp,
      onSecondary: p.onKelp,
      secondaryContainer: p.kelp,
      onSecondaryContainer: p.onKelp,
      tertiary: p.plum,
      onTertiary: p.card,
      tertiaryContainer: p.card,
      onTertiaryContainer: p.plum,
      surface: p.card,
      surfaceVariant: p.card,
      surfaceDisabled: p.line,
      background: p.ground,
      error: p.ember,
      errorContainer: p.card,
      onSurface: p.ink,
      onSurfaceVariant: p.second,
      onSurfaceDisabled: p.second,
      onError: p.onEmber,
      onErrorContainer: p.ember,
      onBackground: p.ink,
      outline: p.second,
      outlineVariant: p.line,
      inverseSurface: p.ink,
      inverseOnSurface: p.ground,
      inversePrimary: p.ground,
      shadow: 'transparent',
      scrim: p.ink,
      backdrop: 'rgba(4, 14, 20, 0.55)',
      elevation: flat,
    },
  };
}

const paper = { day: paperTheme(day), dusk: paperTheme(dusk) };

/** Paper in the palette in force. It stands around each use of Paper rather than around the app, so that the library loads with the first of them. */
export const PaperTheme = ({ children }: { children: ReactNode }) => <ThemeProvider theme={paper[usePalette().name]}>{children}</ThemeProvider>;
