import type { EchoHeader, Ping } from '@burrow/core/sonar';
import { z } from 'zod';
import { firstProblem } from '../problem-words';
import { FormatError } from './format-error';

export const echoHeader = z.object({
  type: z.literal('header'),
  format: z.literal('echo-log'),
  version: z.literal(1),
  start: z.iso.datetime({ offset: true }),
  soundSpeedMs: z.number().min(1300).max(1700),
  pingRateHz: z.number().min(0.5).max(100),
  // Finer than a millimetre or coarser than a metre is no sounder's, and would ask for windows without end.
  binM: z.number().min(0.001).max(1),
  bins: z.number().int().min(16).max(8192),
  pulseUs: z.number().min(1).max(5000),
  beamDeg: z.number().min(1).max(90),
  freqKHz: z.number().min(15).max(1000),
  transducerM: z.number().min(0).max(10),
  dbFloor: z.number().min(-200).max(50),
  dbPerStep: z.number().min(0.01).max(5),
  waterTempC: z.number().min(0).max(40).optional(),
});

const record = z.discriminatedUnion('type', [
  z.object({ type: z.literal('ping'), t: z.number().min(0), a: z.string() }),
  z.object({ type: z.literal('line'), t: z.number().min(0), m: z.number().min(0).max(300) }),
  z.object({ type: z.literal('note'), t: z.number().min(0), text: z.string() }),
]);

/** One record of an echo log behind its header. */
export type EchoRecord = { type: 'ping'; ping: Ping } | { type: 'line'; t: number; m: number } | { type: 'note'; t: number; text: string };

/** Reads an echo log line by line, so that what was read before a bad line is kept. */
export class EchoLogReader {
  header: EchoHeader | null = null;
  private line = 0;
  private lastT = -1;

  /** Takes one line; null for the header and for blank lines. Throws FormatError naming the line. */
  push(text: string): EchoRecord | null {
    this.line++;
    if (text.trim() === '') return null;
    const value = this.json(text);
    if (!this.header) {
      const parsed = echoHeader.safeParse(value);
      if (!parsed.success) throw new FormatError(this.line, `expected an echo-log header, ${firstProblem(parsed.error)}`);
      const { type: _type, format: _format, version: _version, ...header } = parsed.data;
      this.header = header;
      return null;
    }
    const parsed = record.safeParse(value);
    if (!parsed.success) throw new FormatError(this.line, `expected a ping, line or note, ${firstProblem(parsed.error)}`);
    if (parsed.data.type !== 'ping') return parsed.data;
    return { type: 'ping', ping: this.ping(parsed.data.t, parsed.data.a, this.header) };
  }

  private json(text: string): unknown {
    try {
      return JSON.parse(text);
    } catch {
      throw new FormatError(this.line, 'expected a JSON object on one line, found text that is cut short or damaged');
    }
  }

  private ping(t: number, base64: string, header: EchoHeader): Ping {
    const a = bytesOf(base64);
    if (!a) throw new FormatError(this.line, 'a: expected base64');
    if (a.length !== header.bins) throw new FormatError(this.line, `a: expected ${header.bins} bins, found ${a.length}`);
    if (t <= this.lastT) throw new FormatError(this.line, `t: expected later than ${this.lastT} ms, found ${t}`);
    this.lastT = t;
    return { t, a };
  }
}

/** Bytes of a base64 text, null where it is none. */
export function bytesOf(base64: string): Uint8Array | null {
  try {
    const text = atob(base64);
    const bytes = new Uint8Array(text.length);
    for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
    return bytes;
  } catch {
    return null;
  }
}

/** Base64 of bytes. */
export function base64Of(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i++) text += String.fromCharCode(bytes[i]);
  return btoa(text);
}

export const headerLine = (header: EchoHeader) => JSON.stringify({ type: 'header', format: 'echo-log', version: 1, ...header });
export const pingLine = (ping: Ping) => JSON.stringify({ type: 'ping', t: ping.t, a: base64Of(ping.a) });
export const lineLine = (t: number, m: number) => JSON.stringify({ type: 'line', t, m: Math.round(m * 1000) / 1000 });
