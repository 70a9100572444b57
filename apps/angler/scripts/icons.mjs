/** Picks the few icons that are drawn out of @mdi/js (2.7 MB, which the bundler cannot shake) into src/ui/icon/paths.ts. */
import * as mdi from '@mdi/js';
import { writeFileSync } from 'node:fs';

const wanted = {
  sunrise: 'mdiWeatherSunsetUp',
  waves: 'mdiWaves',
  bars: 'mdiPoll',
  target: 'mdiTargetVariant',
  cog: 'mdiCogOutline',
  eye: 'mdiEyeOutline',
  refused: 'mdiArrowCollapseDown',
  bite: 'mdiHook',
  fish: 'mdiFish',
  more: 'mdiDotsHorizontal',
  close: 'mdiClose',
  undo: 'mdiUndo',
  plus: 'mdiPlus',
  minus: 'mdiMinus',
  locate: 'mdiCrosshairsGps',
  back: 'mdiChevronLeft',
  down: 'mdiChevronDown',
  download: 'mdiDownload',
  upload: 'mdiUpload',
  remove: 'mdiDeleteOutline',
  check: 'mdiCheck',
  edit: 'mdiPencilOutline',
  walk: 'mdiWalk',
  strike: 'mdiArrowUpBold',
  up: 'mdiArrowUp',
  sink: 'mdiArrowDown',
  follow: 'mdiArrowTopRight',
  rock: 'mdiImageFilterHdr',
  swap: 'mdiSwapHorizontal',
  turn: 'mdiArrowURightTop',
  chevronUp: 'mdiChevronUp',
};
const rows = Object.entries(wanted).map(([name, key]) => {
  if (typeof mdi[key] !== 'string') throw new Error(`@mdi/js has no ${key}`);
  return `  ${name}: '${mdi[key]}',`;
});
writeFileSync(
  new URL('../src/ui/icon/paths.ts', import.meta.url),
  `/** Made by scripts/icons.mjs from @mdi/js (Apache 2.0). */\nexport const paths = {\n${rows.join('\n')}\n} as const;\n`,
);
