import { z } from 'zod';

const settings = z.object({
  PORT: z.coerce.number().int().min(1).max(65_535).default(8787),
  HOST: z.string().default('127.0.0.1'),
  DATABASE_URL: z.string().regex(/^postgres(ql)?:\/\//, 'expected postgres://…'),
  /** A flasher's stream and a weather service; without them there is no live flasher, and no weather but what anglers bring. */
  FLASHER_URL: z.url().optional(),
  WEATHER_URL: z.url().optional(),
  /** Days back that the weather service may be asked for. */
  WEATHER_PAST_DAYS: z.coerce.number().int().min(1).max(400).default(92),
  SESSION_SECRET: z.string().min(16, 'expected at least 16 characters'),
  WEB_DIR: z.string().optional(),
  /** Proxies before the server whose X-Forwarded headers are believed. */
  PROXY_HOPS: z.coerce.number().int().min(0).max(5).default(0),
  /** Server processes behind the one port. */
  PROCESSES: z.coerce.number().int().min(1).max(16).default(1),
  /** Set for the demo: its clock starts here. */
  DEMO_START: z.iso.datetime({ offset: true }).optional(),
  /** Who may make an account. */
  SIGN_UP: z.enum(['open', 'invited', 'closed']).default('open'),
  /** A mail server for reset codes, and whom its mails come from. */
  SMTP_URL: z
    .string()
    .regex(/^smtps?:\/\//, 'expected smtp://… or smtps://…')
    .optional(),
  MAIL_FROM: z.string().default('vivid-burrow@localhost'),
  /** Whoever sends it as a bearer token reads /metrics from elsewhere. */
  METRICS_TOKEN: z.string().min(16, 'expected at least 16 characters').optional(),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});
export type Settings = z.infer<typeof settings>;

/** Settings from the environment; one that is empty counts as not given. Throws an error naming each that is missing or wrong. */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const parsed = settings.safeParse(Object.fromEntries(Object.entries(env).filter(([, value]) => value !== '')));
  if (parsed.success) return parsed.data;
  throw new Error(`settings: ${parsed.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; ')}`);
}
