import type { Problem } from '@burrow/contract/api';
import { firstProblem } from '@burrow/contract';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { QueryFailedError } from 'typeorm';

/** An answer that says what is wrong, as RFC 9457 problem details. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
  ) {
    super(detail);
  }
}

/** A body that nobody reads is let run out up to this size, bytes, so that the connection can be used again. */
const mostUnread = 100_000;

export function sendProblem(res: Response, status: number, title: string, detail?: string): void {
  // What was refused before it was read is not read afterwards either: the connection ends with the answer.
  if (!res.req.complete && Number(res.req.headers['content-length'] ?? 0) > mostUnread) res.setHeader('connection', 'close');
  const body: Problem = { type: 'about:blank', title, status, ...(detail === undefined ? {} : { detail }) };
  res.status(status).type('application/problem+json').send(JSON.stringify(body));
}

/** Checks a value against a schema; a 400 that names the field otherwise. */
export function accept<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new ProblemError(400, 'Bad request', firstProblem(parsed.error));
  return parsed.data;
}

const codeOf = (error: unknown): string => {
  const cause = error instanceof QueryFailedError ? (error.driverError as unknown) : error;
  const code = (cause as { code?: unknown } | null)?.code;
  return typeof code === 'string' ? code : '';
};

/** Whether the database refused a value or a double: classes 22 (data), 23 (integrity) and 54 (limits) of its codes. */
export const isDataError = (error: unknown): boolean => /^(22|23|54)[0-9A-Z]{3}$/.test(codeOf(error));

/** Whether the database cannot be reached: a connection refused, cut or not to be had, or a server that is stopping or starting (classes 08 but for a breach of its protocol, 53, 57P). */
export function isAway(error: unknown): boolean {
  const code = codeOf(error);
  if (/^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|EHOSTUNREACH)/.test(code) || /^(08(?!P)[0-9A-Z]{3}|53[0-9A-Z]{3}|57P0[1-3])$/.test(code)) return true;
  return /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Driver not Connected/.test(
    (error as Error | null)?.message ?? '',
  );
}

export const notFound: RequestHandler = (req, res) => sendProblem(res, 404, 'Not found', `expected a known address, found ${req.path}`);

export const problemHandler: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) {
    next(error);
    return;
  }
  if (error instanceof ProblemError) {
    sendProblem(res, error.status, error.title, error.message);
    return;
  }
  if (isAway(error)) {
    req.log.warn({ err: error }, 'database away');
    res.setHeader('retry-after', '5');
    sendProblem(res, 503, 'Not ready', 'The database does not answer; nothing was changed. Try again in a moment.');
    return;
  }
  if (isDataError(error)) {
    sendProblem(res, 400, 'Bad request', 'expected values that can be stored, found one that the database refuses');
    return;
  }
  const status = (error as { status?: unknown }).status;
  if (status === 413) {
    sendProblem(res, 413, 'Too large', `expected a smaller request body: ${(error as Error).message}`);
    return;
  }
  if (typeof status === 'number' && status >= 400 && status < 500) {
    sendProblem(res, status, 'Bad request', (error as Error).message);
    return;
  }
  req.log.error({ err: error }, 'request failed');
  sendProblem(res, 500, 'Server error', 'The server failed on this request; nothing was changed.');
};
