import { pino, type DestinationStream, type Logger } from 'pino';
import { QueryFailedError } from 'typeorm';

interface Logged {
  type: string;
  message?: string;
  code?: unknown;
  table?: unknown;
  constraint?: unknown;
  stack?: string;
}

/**
 * An error as the log keeps it. What a database or a parser says of a failure quotes the values at fault, which may be somebody's mail,
 * password hash or notes: of those only code, table and place in the program are kept.
 */
export function loggedError(error: unknown): Logged {
  if (!(error instanceof Error)) return { type: typeof error };
  const cause = (error instanceof QueryFailedError ? error.driverError : error) as { code?: unknown; table?: unknown; constraint?: unknown };
  const isQuoting = error instanceof QueryFailedError || error instanceof SyntaxError || cause.code !== undefined;
  const frames = error.stack?.split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: error.name,
    ...(isQuoting ? {} : { message: error.message }),
    ...(cause.code === undefined ? {} : { code: cause.code, table: cause.table, constraint: cause.constraint }),
    ...(frames ? { stack: frames.join('\n') } : {}),
  };
}

/** What the log keeps of requests, answers and errors: no headers, so no session cookie, and no bodies. */
export const logSerializers = {
  req: (req: { id?: unknown; method?: string; url?: string }) => ({ id: req.id, method: req.method, url: req.url?.split('?')[0] }),
  res: (res: { statusCode?: number }) => ({ statusCode: res.statusCode }),
  err: loggedError,
};

/** The server's log in JSON lines, at `level` and above. */
export const makeLogger = (level: string, to?: DestinationStream): Logger => pino({ level, serializers: logSerializers }, to ?? pino.destination(1));
