/** The rules of dependency of ARCHITECTURE.md. */
const core = (folder) => `^packages/core/src/${folder}/`;
/** A folder of the core may reach these of its fellows, and no other. */
const allowed = {
  units: [],
  water: ['units'],
  weather: ['units', 'water'],
  winter: ['units', 'water'],
  fish: ['units', 'water'],
  rig: ['units', 'water'],
  tackle: ['units', 'water', 'fish', 'rig'],
  safety: ['units', 'water'],
  sonar: ['units', 'water'],
  simulator: ['units', 'water', 'sonar', 'fish', 'rig'],
  practice: ['units', 'water', 'fish', 'sonar', 'simulator', 'coach', 'ledger'],
  column: ['units', 'water', 'weather', 'winter'],
  ground: ['units', 'water', 'weather', 'winter', 'fish', 'rig', 'safety', 'sonar'],
  banks: ['units', 'water', 'weather', 'ground'],
  river: ['units', 'ground'],
  holes: ['units', 'water', 'weather', 'winter', 'fish', 'safety', 'ground', 'patch', 'ledger', 'outlook'],
  coach: ['units', 'water', 'weather', 'winter', 'fish', 'rig', 'safety', 'sonar', 'ledger'],
  ledger: ['units', 'water', 'weather', 'winter', 'fish', 'rig', 'safety', 'sonar'],
  outlook: ['units', 'water', 'weather', 'winter', 'column', 'fish', 'rig', 'safety', 'sonar', 'ground', 'coach', 'ledger'],
  patch: ['units', 'fish'],
  methods: ['units', 'fish', 'rig', 'safety', 'patch', 'ledger', 'outlook'],
  fieldcraft: ['tackle', 'coach', 'outlook', 'weather', 'banks', 'holes', 'river'],
  season: ['units', 'water', 'weather', 'winter', 'fish', 'rig', 'safety', 'sonar', 'ground', 'coach', 'ledger'],
};

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(allowed).map(([folder, fellows]) => ({
      name: `core-${folder}`,
      severity: 'error',
      from: { path: core(folder) },
      to: { path: '^packages/core/src/', pathNot: [core(folder), ...fellows.map((f) => `^packages/core/src/${f}/index\\.ts$`)] },
    })),
    { name: 'core-stands-alone', severity: 'error', from: { path: '^packages/core/src/' }, to: { path: ['^packages/contract/', '^apps/', '^stand-ins/', '^demo/'] } },
    { name: 'core-without-io', severity: 'error', from: { path: '^packages/core/src/' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-without-interface',
      severity: 'error',
      from: { path: '^packages/core/src/' },
      to: { path: ['node_modules/react', 'node_modules/zod', 'node_modules/express', 'node_modules/typeorm'] },
    },
    { name: 'research-apart', severity: 'error', from: { pathNot: ['^packages/research/'] }, to: { path: '^packages/research/' } },
    { name: 'research-on-core', severity: 'error', from: { path: '^packages/research/' }, to: { path: ['^apps/', '^stand-ins/', '^demo/', '^packages/contract/'] } },
    { name: 'contract-on-core', severity: 'error', from: { path: '^packages/contract/src/' }, to: { path: ['^apps/', '^stand-ins/', '^demo/'] } },
    { name: 'ui-below-features', severity: 'error', from: { path: '^apps/angler/src/(ui|theme|data|workers)/' }, to: { path: '^apps/angler/src/features/' } },
    { name: 'apps-apart', severity: 'error', from: { path: '^apps/([^/]+)/' }, to: { path: '^apps/', pathNot: ['^apps/$1/'] } },
    { name: 'apps-not-on-stand-ins', severity: 'error', from: { path: '^apps/' }, to: { path: '^stand-ins/' } },
    { name: 'stand-ins-apart', severity: 'error', from: { path: '^stand-ins/' }, to: { path: '^apps/' } },
    { name: 'reader-never-sees-truth', severity: 'error', from: { path: ['^packages/core/src/(sonar|coach)/'] }, to: { path: '^packages/core/src/simulator/' } },
    {
      name: 'one-door',
      severity: 'error',
      from: { path: ['^apps/', '^stand-ins/', '^packages/contract/', '^packages/research/'], pathNot: ['/test/'] },
      to: { path: '^packages/core/src/', pathNot: ['/index\\.ts$'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['\\.build', 'node_modules/@types'] },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'default'], extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
