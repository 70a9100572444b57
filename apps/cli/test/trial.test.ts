import { spawnSync } from 'node:child_process';
import path from 'node:path';

const burrow = (...args: string[]) => spawnSync(process.execPath, [path.resolve('.build/cli.mjs'), ...args], { encoding: 'utf8' });

test('trial judges two baits of a ledger, and says which there are where one is unknown', () => {
  const found = burrow('trial', 'demo/season.ndjson');
  expect(found.status).toBe(0);
  const answer = JSON.parse(found.stdout) as { verdict: string; evidence: number; looks: number; visits: number };
  expect(['leads', 'even', 'open']).toContain(answer.verdict);
  expect(answer.evidence).toBeGreaterThanOrEqual(1);
  expect(answer.visits).toBeGreaterThanOrEqual(answer.looks);
  const unknown = burrow('trial', 'demo/season.ndjson', '--between', 'Anvil,Kettle');
  expect([unknown.status, unknown.stdout]).toEqual([2, '']);
  expect(unknown.stderr).toMatch(/^burrow: --between: expected two of .+, found "Anvil"\n$/);
});

test('retrieve answers how a bait is brought back, and names what is wrong', () => {
  const hang = burrow('retrieve', '--family', 'suspending-minnow', '--temp-c', '6', '--depth-m', '3', '--after', 'miss');
  expect(JSON.parse(hang.stdout)).toMatchObject({
    cadence: 'pull-hang',
    does: expect.stringMatching(/^Leave it hanging/) as string,
    depthM: 1.8,
    rules: expect.arrayContaining(['retrieve.suspending-minnow']) as string[],
  });
  const worm = JSON.parse(burrow('retrieve', '--family', 'straight-worm', '--temp-c', '4', '--depth-m', '3').stdout) as { onBed: boolean; pauseS: number[]; paceSPerM: number };
  expect(worm).toMatchObject({ onBed: true, pauseS: [expect.any(Number), expect.any(Number)] });
  expect(worm.paceSPerM >= 8 && worm.paceSPerM <= 12).toBe(true);
  for (const [args, says] of [
    [['--family', 'anvil', '--temp-c', '4', '--depth-m', '3'], /--family: expected one of micro-jig/],
    [['--family', 'grub', '--temp-c', '60', '--depth-m', '3'], /--temp-c/],
    [['--family', 'grub', '--temp-c', '4'], /--depth-m/],
    [['--family', 'grub', '--temp-c', '4', '--depth-m', '3', '--seen', 'ghosts'], /--seen: expected one of chase, follow, ignore, none/],
  ] as const) {
    const wrong = burrow('retrieve', ...args);
    expect([wrong.status, wrong.stdout]).toEqual([2, '']);
    expect(wrong.stderr).toMatch(says);
    expect(wrong.stderr.trim().split('\n')).toHaveLength(1);
  }
});

test('like names places of a water like those where fish bit, apart and ranked, and says where there was no bite', () => {
  const found = burrow('like', '--water', 'demo/tamber-lake.geojson', '--log', 'demo/season.ndjson', '--count', '6');
  expect(found.stderr).toBe('');
  const { features } = JSON.parse(found.stdout) as { features: { geometry: { type: string }; properties: Record<string, unknown> }[] };
  expect(features).toHaveLength(6);
  features.forEach(({ geometry, properties }, k) => {
    expect(geometry.type).toBe('Point');
    expect(properties).toMatchObject({ rank: k + 1, score: expect.any(Number) as number, shares: expect.any(Array) as string[], differs: expect.any(Array) as string[] });
  });
  const none = burrow('like', '--water', 'demo/cobble-pond.geojson', '--log', 'demo/season.ndjson', '--count', '6');
  expect([none.status, none.stdout]).toEqual([2, '']);
  expect(none.stderr).toMatch(/expected a bite on Cobble Pond/);
  expect(burrow('like', '--water', 'demo/tamber-lake.geojson', '--log', 'demo/season.ndjson', '--count', '0').stderr).toMatch(
    /--count: expected a whole number from 1 to 200, found 0/,
  );
});
