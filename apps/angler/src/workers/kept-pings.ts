import { headerLine, lineLine, pingLine } from '@burrow/contract/formats/echo-log';
import type { EchoHeader } from '@burrow/core/sonar';

/** Minutes of a reading that can be kept as an echo log. */
const keptMin = 10;

/** The last minutes of a flasher, each ping with the line it was read by. */
export class KeptPings {
  private readonly pings: { t: number; a: Uint8Array; lineM: number }[] = [];

  push(t: number, a: Uint8Array, lineM: number): void {
    const { pings } = this;
    pings.push({ t, a, lineM });
    if (t - pings[0].t > keptMin * 60_000) pings.splice(0, Math.ceil(pings.length / 10));
  }

  clear(): void {
    this.pings.length = 0;
  }

  /** They as an echo log; null before the first. */
  log(header: EchoHeader | null): string | null {
    if (!header || this.pings.length === 0) return null;
    const lines = [headerLine(header)];
    let lineM = Number.NaN;
    for (const ping of this.pings) {
      if (ping.lineM !== lineM) lines.push(lineLine(ping.t, (lineM = ping.lineM)));
      lines.push(pingLine(ping));
    }
    return `${lines.join('\n')}\n`;
  }
}
