import { Stepper } from '@/ui/Stepper';
import { stepped, type Figure } from './figures';

interface Props {
  /** How the figure is stepped and told; its `start` is where setting it begins. */
  figure: Figure;
  value: number | null;
  onChange: (value: number | null) => void;
  label?: string;
  empty?: string;
  hint?: string;
}

/** A figure of the log, set by steps in the angler's own unit; it can be taken back to not set. */
export function FigureStepper({ figure, value, onChange, label, empty, hint }: Props) {
  const { bigText } = figure;
  return (
    <Stepper
      label={label ?? figure.label}
      text={value === null ? null : figure.text(value)}
      {...(empty === undefined ? {} : { empty })}
      {...(hint === undefined ? {} : { hint })}
      onStep={(d) => onChange(stepped(figure, value, d))}
      onClear={() => onChange(null)}
      {...(bigText === undefined ? {} : { big: { text: bigText, onStep: (d: 1 | -1) => onChange(stepped(figure, value, d, true)) } })}
    />
  );
}
