/** Whether an error carries one of some codes. */
export function hasCode(error: unknown, ...codes: readonly string[]): boolean {
  return error instanceof Error && 'code' in error && codes.includes(String(error.code));
}

/** What a statement came to grief over, without the values that were in it. */
export class StatementError extends Error {
  private constructor(
    readonly code: string,
    readonly fatal: boolean,
  ) {
    super(code);
    this.name = 'StatementError';
  }

  /** The error of a driver as one that may be logged: its own words quote values. */
  static from(error: unknown): StatementError {
    const of = (error ?? {}) as { readonly code?: unknown; readonly fatal?: unknown };
    return new StatementError(typeof of.code === 'string' ? of.code : 'UNKNOWN', of.fatal === true);
  }
}

/** Whether a database error says that a unique key is taken. */
export function isDuplicate(error: unknown): boolean {
  return hasCode(error, 'ER_DUP_ENTRY');
}

/** Whether a database error says that a row names another which is not there. */
export function isUnknownReference(error: unknown): boolean {
  return hasCode(error, 'ER_NO_REFERENCED_ROW', 'ER_NO_REFERENCED_ROW_2');
}

/** What says that the database is away, or too busy, and that the same may be asked again later. */
const AWAY = [
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'ER_CONNECTION_KILLED',
  'ER_CON_COUNT_ERROR',
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_NORMAL_SHUTDOWN',
  'ER_QUERY_INTERRUPTED',
  'ER_SERVER_SHUTDOWN',
  'ER_STATEMENT_TIMEOUT',
  'ER_TOO_MANY_USER_CONNECTIONS',
];

/** Whether an error says that the database does not answer just now. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  return (
    hasCode(error, ...AWAY) || error.name === 'KnexTimeoutError' || ('fatal' in error && error.fatal === true)
  );
}

/** Whether an error says that the disk of the database is full. */
export function isFull(error: unknown): boolean {
  return hasCode(error, 'ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_ERROR_ON_WRITE');
}

const MOST_TRIES = 10;

/** Does something again that only met others on its way: a deadlock, or a lock that was held too long. */
export async function tryAgain<Value>(work: () => Promise<Value>): Promise<Value> {
  for (let tried = 1; ; tried++) {
    try {
      return await work();
    } catch (error) {
      if (!hasCode(error, 'ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT') || tried === MOST_TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, Math.random() * 20 * tried));
    }
  }
}
