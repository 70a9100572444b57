import { auditProblems } from '../../../bin/audit.mjs';

const lock = (entry: object, place = 'node_modules/some-package') => ({ packages: { '': {}, [place]: { version: '1.2.3', license: 'MIT', integrity: 'sha512-x', ...entry } } });

test.each([
  ['a licence that is let in', {}, []],
  ['a choice of which one is', { license: '(MIT OR GPL-3.0)' }, []],
  ['a sum of which one is not', { license: 'MIT AND GPL-3.0' }, ['some-package 1.2.3: expected a licence that is let in, found MIT AND GPL-3.0']],
  ['no licence', { license: undefined }, ['some-package 1.2.3: expected a licence that is let in, found none']],
  ['an install script', { hasInstallScript: true }, ['some-package 1.2.3: expected no install script, found one']],
  ['no checksum', { integrity: undefined }, ['some-package 1.2.3: expected a checksum, found none']],
  ['another source', { resolved: 'git+ssh://elsewhere' }, ['some-package 1.2.3: expected a package of the registry, found another source']],
])('a lock with %s', (_, entry, problems) => {
  expect(auditProblems(lock(entry), [])).toEqual(problems);
});

test('a version with a known fault is named with the one that is mended, wherever it lies', () => {
  const known = [{ name: 'some-package', below: '1.3.0', from: '1.0.0', why: 'stands still' }];
  const nested = 'node_modules/other/node_modules/some-package';
  expect(auditProblems(lock({}, nested), known)).toEqual(['some-package 1.2.3: stands still; 1.3.0 or later']);
  expect(auditProblems(lock({ version: '1.3.0' }), known)).toEqual([]);
  expect(auditProblems(lock({ version: '0.9.0' }), known)).toEqual([]);
});
