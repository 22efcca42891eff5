import { setMaxListeners } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { actAnswersSchema, ROUTES, type ActAnswer, type Fitter, type Role } from '@neat-measure/contract';
import type { Express } from 'express';
import type { Server, ServerOptions } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { v7 as uuidv7 } from 'uuid';
import { createApp } from '../app';
import type { Database } from '../database/database';
import { runsOfChart, runsOnDocket } from '../dockets/runs';
import { placeSizing } from '../musters/sizing/placing';
import { runSizing } from '../musters/sizing/size';
import { orderAheadFor } from '../musters/before/order-ahead';
import { findCharts } from '../charts/store';
import { Exceptions } from '../dockets/exceptions/exceptions';
import { judgeOpen } from '../dockets/exceptions/judge-open';
import { createListener } from '../http/listener';
import { printSheet } from '../sheets';
import { makerAt } from '../stores/orders/maker';
import { BodiesKept } from '../wearers/bodies';
import { addPerson } from '../people/service';
import { HouseKey } from '../accounts/house-key';
import { findAccount } from '../accounts/store';
import type { OwnDatabase } from './new-database';
import { readyDatabase } from './ready-database';

// A database is made for nearly every spec, and the machine does other things meanwhile: slow is not wrong.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 30_000;

/** A folder of its own for what specs post. */
export function outboxOfSpecs(): string {
  return join(tmpdir(), `neat-measure-outbox-${process.pid}`);
}

/** What a request came back with. */
export interface Answer {
  readonly status: number;
  readonly type: string;
  /** What it set, name and value. */
  readonly cookie: string | null;
  /** The one of the device beside it, where that was set too. */
  readonly device: string | null;
  // Specs look into bodies freely; the contract's schemas are checked where they matter.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  readonly body: any;
}

/** The key of every house in specs. */
export const KEY_OF_SPECS = new HouseKey(Buffer.alloc(32, 7));

/** The passphrase of whoever a spec begins with. */
export const PASSPHRASE = 'low-tide-table';

/** How the application of a spec is started. */
interface Starting {
  readonly limits?: ServerOptions;
  /** Opens the database another way than straight. */
  readonly through?: (url: string) => Promise<Database>;
  /** Where its maker's desk answers. */
  readonly maker?: string;
}

/** The application on a port of its own, over a database of its own in the MariaDB the test run started. */
export class Harness {
  cookie = '';
  pen = '';
  fitter: Fitter = { id: '', name: '' };

  private constructor(
    readonly database: Database,
    private readonly server: Server,
    private readonly own: OwnDatabase,
    readonly app: Express,
    private readonly streams: AbortController,
  ) {}

  /** Makes the database and starts the application; signed in unless told otherwise. */
  static async start({ limits, through, maker }: Starting = {}): Promise<Harness> {
    const own = await readyDatabase();
    const database = through === undefined ? own.database : await through(own.url);
    await addPerson(own.database, {
      name: 'Odalys Wren',
      signIn: 'odalys',
      passphrase: PASSPHRASE,
      role: 'administrator',
    });
    const logger = pino({ level: 'silent' });
    const streams = new AbortController();
    setMaxListeners(0, streams.signal);
    const bodies = new BodiesKept(database);
    const app = createApp({
      database,
      logger,
      exceptions: new Exceptions(database, 'specs', (first) => judgeOpen(database, 'specs', first)),
      bodies: (codes, groupId) => bodies.list(codes, groupId),
      runs: {
        ofChart: async (id) => runsOfChart(database, (await findCharts(database, [id]))[0]!),
        onDocket: (id) => runsOnDocket(database, id),
      },
      size: (id) => runSizing(database, id),
      place: (sizingId, asked) => placeSizing(database, { sizingId, asked }),
      orderAhead: (musterId, wanted) => orderAheadFor(database, { musterId, wanted }),
      print: printSheet,
      maker: makerAt(maker),
      houseKey: KEY_OF_SPECS,
      stopping: streams.signal,
      config: {
        HOST: '127.0.0.1',
        HOSTS: [],
        SECURE_COOKIE: false,
        TRUSTED_PROXIES: 0,
        WEB_ROOT: undefined,
        OUTBOX: outboxOfSpecs(),
      },
    });
    const server = createListener(app, limits);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const harness = new Harness(database, server, own, app, streams);
    await harness.signIn();
    return harness;
  }

  /** Signs in; afterwards `cookie`, `fitter` and `pen` are theirs. */
  async signIn(passphrase = PASSPHRASE, signIn = 'odalys'): Promise<Answer> {
    const answer = await this.send('POST', ROUTES.session, { signIn, passphrase });
    if (answer.status === 200) {
      const { pen, id, name } = answer.body.who;
      this.pen = pen;
      this.fitter = { id, name };
    }
    return answer;
  }

  /** Somebody else who may sign in, and what they are to the house. */
  async person(role: Role, signIn: string = role): Promise<{ readonly id: string; readonly signIn: string }> {
    await addPerson(this.database, { name: `The ${role}`, signIn, passphrase: PASSPHRASE, role });
    return { id: (await findAccount(this.database, signIn))!.id, signIn };
  }

  /** The cookie of a session of somebody, without losing one's own. */
  async cookieOf(signIn: string, passphrase = PASSPHRASE, more: object = {}): Promise<string> {
    const answer = await this.send('POST', ROUTES.session, { signIn, passphrase, ...more }, { cookie: '' });
    if (answer.status !== 200 || answer.cookie === null) throw new Error(JSON.stringify(answer.body));
    return answer.cookie;
  }

  /** Does something on a docket, as the screen does: what became of it. */
  async does(docketId: string, doing: object, base: object = {}): Promise<ActAnswer> {
    const act = { id: uuidv7(), docketId, at: new Date().toISOString(), by: this.fitter, ...doing, ...base };
    const { status, body } = await this.send('POST', ROUTES.acts, { pen: this.pen, acts: [act] });
    if (status !== 200) throw new Error(JSON.stringify(body));
    return actAnswersSchema.parse(body)[0]!;
  }

  /** Does something on a muster, as the screen does: what became of it. */
  async musters(musterId: string, doing: object, base: object = {}): Promise<ActAnswer> {
    const act = { id: uuidv7(), musterId, at: new Date().toISOString(), by: this.fitter, ...doing, ...base };
    const { status, body } = await this.send('POST', ROUTES.acts, { pen: this.pen, acts: [act] });
    if (status !== 200) throw new Error(JSON.stringify(body));
    return actAnswersSchema.parse(body)[0]!;
  }

  get(path: string): Promise<Answer> {
    return this.send('GET', path);
  }

  put(path: string, body: unknown): Promise<Answer> {
    return this.send('PUT', path, body);
  }

  async send(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const response = await fetch(`http://127.0.0.1:${this.port}${path}`, {
      method,
      headers: {
        ...(this.cookie === '' ? {} : { cookie: this.cookie }),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      body: body === undefined ? null : typeof body === 'string' ? body : JSON.stringify(body),
    });
    // A browser has one of the device beside it.
    const set = (name: string) =>
      response.headers
        .getSetCookie()
        .find((one) => one.startsWith(`${name}=`))
        ?.split(';')[0] ?? null;
    const [cookie, device] = [set('neat-measure'), set('neat-measure-device')];
    if (cookie !== null && !('cookie' in headers)) this.cookie = cookie;
    const text = await response.text();
    return {
      status: response.status,
      type: response.headers.get('content-type') ?? '',
      cookie,
      device,
      body: text === '' ? null : JSON.parse(text),
    };
  }

  /** What is sent as it is: a file, a table, a sheet of paper. */
  file(path: string): Promise<Response> {
    return fetch(`http://127.0.0.1:${this.port}${path}`, { headers: { cookie: this.cookie } });
  }

  /** Where its database is. */
  get url(): string {
    return this.own.url;
  }

  get port(): number {
    return (this.server.address() as AddressInfo).port;
  }

  async stop(): Promise<void> {
    this.streams.abort();
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
    if (this.database !== this.own.database) await this.database.destroy();
    await this.own.drop();
  }
}
