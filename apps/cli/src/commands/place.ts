import { parsePlaceText } from '@burrow/contract/formats';
import { BadInput } from '../bad-input';

/** `burrow place TEXT`: a place as people write it, in decimal degrees. The text may begin with a minus. */
export function place(args: string[]): void {
  const words = args[0] === '--' ? args.slice(1) : args;
  if (words.length === 0) throw new BadInput('place: expected a latitude and a longitude, such as "51.5, -0.12", found nothing');
  process.stdout.write(`${JSON.stringify(parsePlaceText(words.join(' ')))}\n`);
}
