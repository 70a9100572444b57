import { change, preferences } from './preferences';

/** Time for the light colours to be painted before the page is taken, ms. */
const paintMs = 400;

/** Opens the browser's print view of the page as it stands, in light colours whatever the theme; afterwards the theme is as it was. */
export async function printPage(): Promise<void> {
  const { theme } = preferences.get();
  change({ theme: 'day' });
  await new Promise((resolve) => setTimeout(resolve, paintMs));
  globalThis.print();
  change({ theme });
}
