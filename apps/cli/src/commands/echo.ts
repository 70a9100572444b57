import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { EchoLogReader, FormatError } from '@burrow/contract/formats';
import { adviceWords, Coach } from '@burrow/core/coach';
import { EchoReader, type EchoState } from '@burrow/core/sonar';
import { imperial } from '@burrow/core/units';
import { isKnownSpecies, speciesTable } from '@burrow/core/fish';
import { soundSpeed } from '@burrow/core/water';
import { BadInput } from '../bad-input';
import { numberOption, readArgs } from '../options';
import { LineWriter } from '../line-writer';

/** `burrow echo F.ndjson [--species id] [--coach] [--water-temp-c T]`: a state a line; a bad line ends it, with what was read kept. */
export async function echo(args: string[]): Promise<void> {
  const { values, positionals } = readArgs(args, { species: { type: 'string' }, coach: { type: 'boolean' }, 'water-temp-c': { type: 'string' } });
  const path = positionals[0];
  if (path === undefined) throw new BadInput('expected an echo log, found nothing');
  if (values.species !== undefined && !isKnownSpecies(values.species))
    throw new BadInput(`--species: expected one of ${speciesTable.map((s) => s.id).join(', ')}, found "${values.species}"`);
  const tempC = values['water-temp-c'] === undefined ? undefined : numberOption(values, 'water-temp-c');
  const trueSoundSpeedMs = tempC === undefined ? undefined : soundSpeed(tempC);
  const log = new EchoLogReader();
  const out = new LineWriter(process.stdout);
  let reader: EchoReader | null = null;
  let coach: Coach | null = null;
  try {
    for await (const text of createInterface({ input: createReadStream(path), crlfDelay: Infinity })) {
      const record = log.push(text);
      if (!record || !log.header) continue;
      reader ??= new EchoReader(log.header, { trueSoundSpeedMs });
      if (values.coach) coach ??= new Coach({ speciesId: values.species ?? 'black-crappie', waterTempC: tempC ?? 4, beamDeg: log.header.beamDeg });
      if (record.type === 'line') {
        reader.line(record.m);
        coach?.line(record.m);
      }
      if (record.type === 'ping') await out.write(stateLine(reader.ping(record.ping), coach));
    }
  } catch (error) {
    await out.end();
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw new BadInput(`${path}: expected an echo log, found no such file`);
    if (error instanceof FormatError) throw new BadInput(`${path}: ${error.message}`);
    throw error;
  }
  await out.end();
  if (!log.header) throw new BadInput(`${path}: line 1: expected an echo-log header, found an empty file`);
}

const round = (value: number | null) => (value === null ? null : Math.round(value * 1000) / 1000);

function stateLine(state: EchoState, coach: Coach | null): string {
  const line: Record<string, unknown> = {
    t: state.t,
    bottomM: round(state.bottomM),
    jigM: round(state.jigM),
    marks: state.marks.map(({ id, depthM, kind, levelDb, riseMs, topM, baseM }) => ({
      id,
      depthM: round(depthM),
      kind,
      levelDb: Math.round(levelDb * 10) / 10,
      riseMs: round(riseMs),
      ...(topM === undefined ? {} : { topM: round(topM), baseM: round(baseM ?? null) }),
    })),
  };
  const advice = coach?.update(state);
  if (advice) line.advice = { look: advice.sighting, ruleId: advice.ruleId, cadence: advice.cadence.id, jigM: round(advice.jigM), ...adviceWords(advice, imperial) };
  return JSON.stringify(line);
}
