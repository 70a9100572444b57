import { EchoLogReader, headerLine, lineLine, pingLine } from '../src/formats';
import { adviseReading, Coach, type Advice, type MarkDid } from '@burrow/core/coach';
import { SimulatedFlasher } from '@burrow/core/simulator';
import { EchoReader, type EchoState } from '@burrow/core/sonar';

const setting = { speciesId: 'black-crappie', waterTempC: 4, beamDeg: 12 };

/** A flasher's pings with what its line counter told: live, and as an echo log keeps them. */
function record(seconds: number) {
  const flasher = new SimulatedFlasher({ seed: 11, sceneId: 'stack', start: '2027-01-16T06:40:00.000-09:00' });
  const lines = [{ t: 0, m: flasher.jig.commandedM }];
  const pings = Array.from({ length: 10 * seconds }, (_, i) => {
    if (i === 300) {
      flasher.setJig(4.4);
      lines.push({ t: i * 100, m: 4.4 });
    }
    return flasher.next().ping;
  });
  return { header: flasher.header, lines, pings };
}

/** Reads pings in order, each line told before the ping of its time, as a live stream and a playback both do. */
function advised({ header, lines, pings }: ReturnType<typeof record>) {
  const reader = new EchoReader(header);
  const coach = new Coach(setting);
  const told = [...lines];
  const out: { state: EchoState; advice: Advice | null }[] = [];
  for (const ping of pings) {
    while (told.length > 0 && told[0].t <= ping.t) {
      const { m } = told.shift()!;
      reader.line(m);
      coach.line(m);
    }
    const state = reader.ping(ping);
    out.push({ state, advice: coach.update(state) });
  }
  return out;
}

test('a stream and the log that was kept of it give the same advice, ping for ping', () => {
  const live = record(120);
  const text = [
    headerLine(live.header),
    ...live.lines.slice(0, 1).map((l) => lineLine(l.t, l.m)),
    ...live.pings.flatMap((p) => [
      ...live.lines
        .slice(1)
        .filter((l) => l.t === p.t)
        .map((l) => lineLine(l.t, l.m)),
      pingLine(p),
    ]),
  ];
  const log = new EchoLogReader();
  const kept: ReturnType<typeof record> = { header: live.header, lines: [], pings: [] };
  for (const line of text) {
    const entry = log.push(line);
    if (entry?.type === 'ping') kept.pings.push(entry.ping);
    if (entry?.type === 'line') kept.lines.push({ t: entry.t, m: entry.m });
  }
  kept.header = log.header!;
  expect(advised(kept)).toEqual(advised(live));
});

test('a glance at what the stream has come to calls on the same rule and the same cadence', () => {
  const frames = advised(record(240)).filter((f) => f.advice !== null);
  const glances: Partial<Record<string, MarkDid>> = { 'look.nothing': 'none', 'look.nothing.clock': 'none', 'look.far': 'still', 'look.rising': 'rising' };
  let compared = 0;
  for (const { state, advice } of frames) {
    const did = glances[advice!.ruleId];
    const isSteady = state.t - advice!.sinceMs > 2000 && state.marks.length === (did === 'none' ? 0 : 1) && (did !== 'rising' || state.marks[0].riseMs > 0.04);
    if (did === undefined || !isSteady || state.bottomM === null || state.jigM === null || (did === 'still' && advice!.gapM! < 1)) continue;
    const seen = adviseReading({ bottomM: state.bottomM, jigM: state.jigM, topMarkM: did === 'none' ? null : advice!.topMarkM, did }, setting);
    expect(seen.sighting).toBe(advice!.sighting);
    compared++;
  }
  expect(compared).toBeGreaterThan(100);
});
