import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { createContext, use, type ReactNode } from 'react';
// Only names that Paper's Babel plugin knows: for any other, types included, it takes the whole library.
import { configureFonts, PaperProvider } from 'react-native-paper';
import type { MD3Theme } from 'react-native-paper';
import { day, dusk, type Palette } from './palette';

export const fontFiles = { Atkinson: AtkinsonHyperlegibleNext_400Regular, 'Atkinson-Bold': AtkinsonHyperlegibleNext_700Bold };
export const regular = 'Atkinson';
export const bold = 'Atkinson-Bold';

/** Type sizes: 14/16/20/28/44. */
export const typeSizes = { small: 14, body: 16, lead: 20, title: 28, figure: 44 } as const;
export const radius = 10;

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
const PaletteContext = createContext<Palette>(day);

/** The palette in force. */
export const usePalette = () => use(PaletteContext);

export function ThemeProvider({ name, children }: { name: 'day' | 'dusk'; children: ReactNode }) {
  return (
    <PaletteContext value={name === 'day' ? day : dusk}>
      <PaperProvider theme={paper[name]}>{children}</PaperProvider>
    </PaletteContext>
  );
}
