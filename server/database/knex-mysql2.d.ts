/** The dialect that Knex speaks to MariaDB, whose inner steps it leaves open to be done otherwise. */
declare module 'knex/lib/dialects/mysql2/index.js' {
  import type { Knex } from 'knex';

  export interface Statement {
    readonly sql: string;
    readonly bindings?: readonly unknown[];
    options?: object;
  }
  export interface RawConnection {
    destroy(): void;
    query(sql: string, done: (error: unknown) => void): void;
  }
  export default class MySql2Client extends (Object as unknown as new (config: Knex.Config) => Knex.Client) {
    readonly config: Knex.Config;
    _query(connection: RawConnection, statement: Statement): Promise<unknown>;
  }
}
