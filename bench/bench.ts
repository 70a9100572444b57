import type { Figure } from './figure';

/** Each loaded when its turn comes: what another loads (a browser's driver, say) must not weigh on it. */
const benches: Record<string, () => Promise<Figure[]>> = {
  echo: async () => (await import('./echo')).echo(),
  fold: async () => (await import('./fold')).foldEvents(),
  season: async () => (await import('./season')).seasonOfEvents(),
  column: async () => (await import('./column')).column(),
  ground: async () => (await import('./ground')).ground(),
  route: async () => (await import('./route')).route(),
  hole: async () => (await import('./hole')).hole(),
  pan: async () => (await import('./pan')).pan(),
  bundle: async () => (await import('./bundle')).bundle(),
  flood: async () => (await import('./flood')).flood(),
};
const wanted = process.argv.slice(2);
const unknown = wanted.find((name) => !Object.hasOwn(benches, name));
if (unknown !== undefined) {
  process.stderr.write(`bench: expected ${Object.keys(benches).join(', ')} or nothing, found "${unknown}"\n`);
  process.exit(2);
}
for (const [name, run] of Object.entries(benches)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  for (const { what, ratio, baseline, goal, met, detail } of await run()) {
    process.stdout.write(`${name}: ${what}: ${ratio.toPrecision(3)}× ${baseline} (goal ${goal}: ${met ? 'met' : 'NOT met'}); ${detail}\n`);
  }
}
