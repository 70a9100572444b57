import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import { ProblemError } from '../problem';

const argon2id = 2;

/** Judges by the commonest passwords, keys beside each other, repeats, dates, and what is known of the one who chooses. */
const judge = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs });
/** Of 0 to 4: from 2 on it stands against guessing over the network. */
const leastScore = 2;

/** The hash of a password that somebody chose. Throws a 400 problem for one that is common or made of their own address or name. */
export async function chosenPassword(password: string, own: readonly string[]): Promise<string> {
  const words = own.flatMap((text) => [text, text.split('@')[0], ...text.split(/[@.\s_-]+/)]).filter((word) => word.length > 2);
  const lower = password.toLowerCase();
  const isOwn = words.some((word) => word.length > 4 && lower.includes(word.toLowerCase()) && password.length - word.length < 6);
  if (isOwn || judge.check(password, words).score < leastScore)
    throw new ProblemError(
      400,
      'Bad request',
      'password: expected one that is hard to guess, found one that is common, or made of your name or address; three or four words of your own do well',
    );
  return hash(password, { algorithm: argon2id });
}

/** Compared against when there is no such account, so that the answer takes as long. */
const decoy = hash('no such account', { algorithm: argon2id });

/** Whether a password is the one of this hash; without a hash it takes as long and is never. */
export async function isPassword(password: string, passwordHash: string | undefined): Promise<boolean> {
  return (await verify(passwordHash ?? (await decoy), password)) && passwordHash !== undefined;
}
