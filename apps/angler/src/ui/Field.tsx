import { TextInput } from 'react-native-paper';
// Apart: with a type among its names Paper's Babel plugin takes the whole library.
import type { TextInputProps } from 'react-native-paper';
import { PaperTheme } from '@/theme/PaperTheme';

/** A line to type in, in a file of its own so that it loads with the first form rather than with the app. */
export default function Field({ label, ...rest }: Omit<TextInputProps, 'label' | 'mode'> & { label: string }) {
  return (
    <PaperTheme>
      <TextInput mode="outlined" label={label} accessibilityLabel={label} {...rest} />
    </PaperTheme>
  );
}
