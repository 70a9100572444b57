import type { Request, RequestHandler } from 'express';
import { ProblemError } from '../problem';

/** Lets through who is signed in; a 401 problem otherwise. */
export const signedIn: RequestHandler = (req, _res, next) => {
  if (req.session.accountId === undefined) throw new ProblemError(401, 'Not signed in', 'Sign in first.');
  next();
};

/** The account of a request that `signedIn` let through. */
export const accountOf = (req: Pick<Request, 'session'>): string => req.session.accountId!;
