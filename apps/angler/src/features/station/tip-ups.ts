import { isSetLine, setLinePrefix, type LineState, type OutingState } from '@burrow/core/ledger';

/** The next free name. */
export const tipUpName = (outing: Pick<OutingState, 'lines'>) => `${setLinePrefix} ${1 + new Set(outing.lines.filter(isSetLine).map((l) => l.rod)).size}`;

/** When the flag of a line in the water rose; null while it is down. */
export const flagOf = (line: LineState): number | null => (line.upMs === null && line.flagsMs.length > 0 ? line.flagsMs[line.flagsMs.length - 1] : null);

/** Minutes and seconds since a flag rose. */
export const flagText = (ms: number) => `${Math.floor(Math.max(0, ms) / 60_000)}:${String(Math.floor(Math.max(0, ms) / 1000) % 60).padStart(2, '0')}`;

/** Lines in the water whose flag is up, the earliest first. */
export const flagsUp = (outing: Pick<OutingState, 'lines'>): LineState[] => outing.lines.filter((l) => isSetLine(l) && flagOf(l) !== null).sort((a, b) => flagOf(a)! - flagOf(b)!);
