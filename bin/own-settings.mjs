/** Settings of `serve`, `backup` and `restore`: from a file and the environment. The server checks their values, this their names. */
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseEnv } from 'node:util';

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** The names that deploy/settings.env explains. */
function knownNames() {
  const text = readFileSync(path.join(root, 'deploy/settings.env'), 'utf8');
  return [...text.matchAll(/^#([A-Z_]+)=/gm)].map(([, name]) => name);
}

/** Throws an error with file and line for a line that is no setting, or one of an unknown name. */
function readFile(file, names) {
  let text;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    throw new Error(`${file}: could not read it (${error.code})`);
  }
  text.split(/\r?\n/).forEach((line, i) => {
    if (/^\s*(#|$)/.test(line)) return;
    const name = /^\s*(?:export\s+)?([A-Za-z_][A-Za-z0-9_]*)\s*=/.exec(line)?.[1];
    if (name === undefined) throw new Error(`${file}, line ${i + 1}: expected NAME=value or a comment, found "${line.trim()}"`);
    if (!names.includes(name)) throw new Error(`${file}, line ${i + 1}: expected one of ${names.join(', ')}, found ${name}`);
  });
  return parseEnv(text);
}

/**
 * Reads `--settings FILE` out of the arguments, and answers the settings and what arguments are left. An empty value counts as not given.
 * The data folder is made where it is missing, readable by its owner alone.
 */
export function ownSettings(argv) {
  const args = [...argv];
  const at = args.indexOf('--settings');
  const names = knownNames();
  let fromFile = {};
  if (at >= 0) {
    const [, file] = args.splice(at, 2);
    if (file === undefined) throw new Error('--settings: expected a file, found nothing');
    fromFile = readFile(file, names);
  }
  const settings = {};
  for (const name of names) {
    const value = process.env[name] ?? fromFile[name];
    if (value !== undefined && value !== '') settings[name] = value;
  }
  const dataDir = path.resolve(settings.DATA_DIR ?? path.join(root, '.burrow-data'));
  // The database's user passes through it to its own folder.
  mkdirSync(dataDir, { recursive: true, mode: 0o711 });
  return { settings, dataDir, args };
}

/** The secret that signs session cookies: as set, else the one made at the first start. */
export function sessionSecret(settings, dataDir) {
  if (settings.SESSION_SECRET !== undefined) return settings.SESSION_SECRET;
  const file = path.join(dataDir, 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}
