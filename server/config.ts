import * as z from 'zod';

const environmentSchema = z.object({
  DATABASE_URL: z.string().startsWith('mysql://', { error: 'DATABASE_URL must start with mysql://' }),
  /** Who owns the tables, where that is another user: tables are changed, and the application's rights given, by it. */
  DATABASE_OWNER_URL: z
    .string()
    .startsWith('mysql://', { error: 'DATABASE_OWNER_URL must start with mysql://' })
    .optional(),
  HOST: z.string().default('127.0.0.1'),
  /** The names and addresses browsers reach the application by, with commas between; without it, this machine's own. */
  HOSTS: z
    .string()
    .default('')
    .transform((list) =>
      list
        .split(',')
        .map((one) => one.trim())
        .filter((one) => one !== ''),
    ),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4180),
  /** Whether another free port may be taken when PORT is in use. */
  PORT_MAY_MOVE: z.stringbool().default(false),
  WEB_ROOT: z.string().optional(),
  DEMO_FOLDER: z.string().optional(),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
  /** Set where browsers reach the application through https, so that the cookie never travels in the clear. */
  SECURE_COOKIE: z.stringbool().default(false),
  /** What sessions' devices and second factors are signed and kept with: the same on all instances of a house, */
  HOUSE_KEY: z.string().min(32, { error: 'HOUSE_KEY has at least 32 letters' }).optional(),
  /** or else a file with it, made where there is none. */
  KEY_FILE: z.string().min(1).default('.data/house-key'),
  /** Where the nightly backup goes, and the passphrase it is encrypted with; without both there is none. */
  BACKUP_FOLDER: z.string().optional(),
  BACKUP_PASSPHRASE: z.string().min(12).optional(),
  /** Where the simulated post puts its messages. */
  OUTBOX: z.string().min(1).default('.data/outbox'),
  /** Where the maker's desk answers; without it orders are carried by hand. */
  MAKER_DESK: z.url({ protocol: /^https?$/ }).optional(),
  /** A certificate with its key, as files in PEM: the application then speaks https by itself. */
  TLS_CERTIFICATE: z.string().optional(),
  TLS_KEY: z.string().optional(),
  /** How many proxies stand before the application; the address for rate limits is taken from them. */
  TRUSTED_PROXIES: z.coerce.number().int().min(0).max(5).default(0),
});

/** How one instance is set up. Everything comes from the environment; nothing is kept in files. */
export type Config = z.infer<typeof environmentSchema>;

/**
 * Reads the configuration.
 *
 * @throws Error naming each variable that is missing or wrong
 */
export function readConfig(environment: Record<string, string | undefined>): Config {
  const read = environmentSchema.safeParse(environment);
  if (read.success) return read.data;
  const faults = read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
  throw new Error(`The server cannot start:\n  ${faults.join('\n  ')}`);
}
