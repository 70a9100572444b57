import { precipText, pressureStepText, tempStepText, type UnitPreference } from '../units';
import type { Evidence } from './fronts';

/** How much of a sign there was, in the angler's units: "−6.3 °F", "95° with the clock", "84 %". */
export function evidenceText({ sign, amount }: Evidence, units: UnitPreference): string {
  const size = Math.abs(amount);
  const signed = (text: string) => `${amount < 0 ? '−' : '+'}${text}`;
  switch (sign) {
    case 'temperature step':
      return signed(tempStepText(size, units));
    case 'pressure trough':
      return pressureStepText(size, units);
    case 'wind shift':
      return `${Math.round(size)}° ${amount < 0 ? 'against' : 'with'} the clock`;
    case 'precipitation':
      return precipText(size, units);
    case 'cloud':
      return `${Math.round(size * 100)} %`;
  }
}
