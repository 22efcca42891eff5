import MySql2Client, { type RawConnection, type Statement } from 'knex/lib/dialects/mysql2/index.js';
import { hasCode, StatementError } from './trouble';

/** How long a statement may take, in ms, where nothing else is said. */
export const PATIENCE_MS = 15_000;

/**
 * A client that waits for no statement without end, and whose errors hold no values: a connection that
 * has gone silent is dropped, and what is logged of a statement is its words and never what was in it.
 */
export class BoundedClient extends MySql2Client {
  override async _query(connection: RawConnection, statement: Statement): Promise<unknown> {
    const { patience = PATIENCE_MS } = this.config as { patience?: number };
    try {
      statement.options = { timeout: patience, ...statement.options };
      return await super._query(connection, statement);
    } catch (error) {
      // Whatever it may still answer belongs to nobody.
      if (hasCode(error, 'PROTOCOL_SEQUENCE_TIMEOUT')) connection.destroy();
      throw StatementError.from(error);
    }
  }
}
