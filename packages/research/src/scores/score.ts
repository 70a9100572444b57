const scores: Record<string, (args: readonly string[]) => Promise<boolean>> = {
  reader: async () => (await import('./reader')).scoreReader(),
  hour: async (args) => (await import('./hour')).scoreHour(args),
  cast: async (args) => (await import('./cast')).scoreCast(args),
  troll: async (args) => (await import('./troll')).scoreTroll(args),
  pole: async (args) => (await import('./pole')).scorePole(args),
  feed: async (args) => (await import('./feed')).scoreFeed(args),
  pays: async (args) => (await import('./pays')).scorePays(args),
};
const [wanted, ...rest] = process.argv.slice(2);
if (wanted === undefined || !Object.hasOwn(scores, wanted)) {
  process.stderr.write(`score: expected ${Object.keys(scores).join(' or ')}, found ${wanted === undefined ? 'nothing' : `"${wanted}"`}\n`);
  process.exit(2);
}
try {
  process.exit((await scores[wanted](rest)) ? 0 : 1);
} catch (error) {
  if (!(error instanceof RangeError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exit(2);
}
export {};
