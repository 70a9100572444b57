/**
 * A simulated flasher: pings over server-sent events, takes the jig's depth and the strike. It says that it is simulated.
 * One unit for each `unit` name; a unit runs while somebody listens.
 */
import { lineSetting } from '@burrow/contract/api';
import { base64Of } from '@burrow/contract/formats/echo-log';
import { sceneOf, simulatedBottom, SimulatedFlasher } from '@burrow/core/simulator';
import { soundSpeed } from '@burrow/core/water';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';

const sceneId = process.env.SCENE ?? 'stack';
const seed = Number(process.env.SEED ?? 7);
const pingRateHz = Number(process.env.PING_RATE_HZ ?? 10);
const port = Number(process.env.PORT);
if (!(pingRateHz >= 5 && pingRateHz <= 20)) throw new Error('PING_RATE_HZ: expected 5 to 20');
if (!(Number.isInteger(port) && port > 0)) throw new Error('PORT: expected a port number');

/** Responses apart from an earlier run of this program by listeners that come back. */
const epoch = Date.now();

class Unit {
  private flasher: SimulatedFlasher;
  private readonly listeners = new Set<ServerResponse>();
  private timer: NodeJS.Timeout | null = null;
  private seq = 0;
  private bottomM: number | undefined;

  constructor(private readonly number: number) {
    this.flasher = this.make();
  }

  /** A new listener; over another bottom the transducer hangs in another hole, and the water begins anew. */
  listen(res: ServerResponse, bottomM: number | undefined): void {
    if (bottomM !== undefined && bottomM !== this.bottomM) {
      this.bottomM = bottomM;
      this.flasher = this.make();
    }
    // Read from other addresses than its own, as any device by address has to be.
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform', 'access-control-allow-origin': '*' });
    this.send(res, 'header', { simulated: true, header: this.flasher.header, jigM: this.flasher.jig.commandedM });
    this.listeners.add(res);
    res.on('close', () => this.leave(res));
    this.timer ??= setInterval(() => this.tick(), 1000 / this.flasher.header.pingRateHz);
  }

  set(body: unknown): void {
    const { depthM, rod } = lineSetting.parse(body);
    this.flasher.setJig(depthM);
    if (rod) this.flasher.setRod(rod);
  }

  strike(): unknown {
    return { take: this.flasher.strike() };
  }

  private make(): SimulatedFlasher {
    // Like any flasher it is set to one speed of sound, and shows depths by it in water that is colder.
    const trueSoundSpeedMs = soundSpeed(sceneOf(sceneId).waterTempC);
    return new SimulatedFlasher({ seed: seed + this.number, sceneId, start: new Date().toISOString(), bottomM: this.bottomM, sounder: { pingRateHz }, trueSoundSpeedMs });
  }

  private tick(): void {
    const { ping, take } = this.flasher.next();
    for (const res of this.listeners) {
      // A slow listener misses pings rather than filling memory.
      if (res.writableNeedDrain) continue;
      this.send(res, 'ping', { t: ping.t, a: base64Of(ping.a), jigM: this.flasher.jig.commandedM });
      if (take && !take.isNip) this.send(res, 'take', { t: take.t });
    }
  }

  private send(res: ServerResponse, event: string, data: unknown): void {
    res.write(`event: ${event}\nid: ${epoch}.${this.seq++}\ndata: ${JSON.stringify(data)}\n\n`);
  }

  private leave(res: ServerResponse): void {
    this.listeners.delete(res);
    if (this.listeners.size === 0 && this.timer) {
      clearInterval(this.timer);
      this.timer = null;
    }
  }
}

const units = new Map<string, Unit>();
function unitOf(name: string): Unit {
  let unit = units.get(name);
  if (!unit) {
    unit = new Unit(units.size);
    units.set(name, unit);
  }
  return unit;
}

async function bodyOf(req: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  for await (const chunk of req) chunks.push(chunk as Buffer);
  return JSON.parse(Buffer.concat(chunks).toString('utf8'));
}

async function answer(req: IncomingMessage, res: ServerResponse): Promise<void> {
  const url = new URL(req.url ?? '/', 'http://flasher');
  const json = (status: number, body: unknown) => res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  if (url.pathname === '/healthz') {
    json(200, { ok: true, simulated: true });
    return;
  }
  const unit = unitOf(url.searchParams.get('unit') ?? 'bench');
  const bottom = url.searchParams.get('bottomM');
  if (url.pathname === '/stream') {
    const bottomM = bottom === null ? undefined : Number(bottom);
    if (bottomM !== undefined && !(bottomM >= simulatedBottom.leastM && bottomM <= simulatedBottom.mostM))
      json(400, { error: `bottomM: expected ${simulatedBottom.leastM} to ${simulatedBottom.mostM} m` });
    else unit.listen(res, bottomM);
  } else if (url.pathname === '/line' && req.method === 'POST') {
    unit.set(await bodyOf(req));
    json(200, { ok: true });
  } else if (url.pathname === '/strike' && req.method === 'POST') json(200, unit.strike());
  else json(404, { error: 'expected /stream, /line or /strike' });
}

createServer((req, res) => {
  answer(req, res).catch((error: unknown) => {
    if (!res.headersSent) res.writeHead(400, { 'content-type': 'application/json' }).end(JSON.stringify({ error: (error as Error).message }));
  });
}).listen(port, '127.0.0.1');
