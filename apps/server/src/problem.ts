import type { Problem } from '@burrow/contract/api';
import { firstProblem } from '@burrow/contract';
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { z } from 'zod';

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

function sendProblem(res: Response, status: number, title: string, detail?: string): void {
  const body: Problem = { type: 'about:blank', title, status, ...(detail === undefined ? {} : { detail }) };
  res.status(status).type('application/problem+json').send(JSON.stringify(body));
}

/** Checks a value against a schema; a 400 that names the field otherwise. */
export function accept<T>(schema: z.ZodType<T>, value: unknown): T {
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new ProblemError(400, 'Bad request', firstProblem(parsed.error));
  return parsed.data;
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
  const status = (error as { status?: unknown }).status;
  if (typeof status === 'number' && status >= 400 && status < 500) {
    sendProblem(res, status, 'Bad request', (error as Error).message);
    return;
  }
  req.log.error({ err: error }, 'request failed');
  sendProblem(res, 500, 'Server error', 'The server failed on this request; nothing was changed.');
};
