import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { createContext, use, type ReactNode } from 'react';
import { day, dusk, type Palette } from './palette';

export const fontFiles = { Atkinson: AtkinsonHyperlegibleNext_400Regular, 'Atkinson-Bold': AtkinsonHyperlegibleNext_700Bold };
export const regular = 'Atkinson';
export const bold = 'Atkinson-Bold';

/** Type sizes: 14/16/20/28/44. */
export const typeSizes = { small: 14, body: 16, lead: 20, title: 28, figure: 44 } as const;
export const radius = 10;

const PaletteContext = createContext<Palette>(day);

/** The palette in force. */
export const usePalette = () => use(PaletteContext);

export const ThemeProvider = ({ name, children }: { name: 'day' | 'dusk'; children: ReactNode }) => <PaletteContext value={name === 'day' ? day : dusk}>{children}</PaletteContext>;
