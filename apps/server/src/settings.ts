import { z } from 'zod';

const settings = z.object({
  PORT: z.coerce.number().int().min(1).max(65_535).default(8787),
  HOST: z.string().default('127.0.0.1'),
  DATABASE_URL: z.string().regex(/^postgres(ql)?:\/\//, 'expected postgres://…'),
  /** A flasher's stream and a weather station; without them there is no live flasher and no weather. */
  FLASHER_URL: z.url().optional(),
  STATION_URL: z.url().optional(),
  SESSION_SECRET: z.string().min(16, 'expected at least 16 characters'),
  WEB_DIR: z.string().optional(),
  /** Set for the demo: its clock starts here. */
  DEMO_START: z.iso.datetime({ offset: true }).optional(),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});
export type Settings = z.infer<typeof settings>;

/** Settings from the environment. Throws an error naming each that is missing or wrong. */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const parsed = settings.safeParse(env);
  if (parsed.success) return parsed.data;
  throw new Error(`settings: ${parsed.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; ')}`);
}
