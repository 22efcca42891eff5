import type { BodiesTask } from './wearers/bodies-worker';
import type { Bodies, DocketRuns } from '@neat-measure/contract';
import type { ChartRun } from '@neat-measure/core';
import type { OrderAheadView, PlacingView } from '@neat-measure/contract/musters';
import type { RunsTask } from './dockets/runs';
import type { PlacingTask } from './musters/sizing/placing';
import type { SizingTask } from './musters/sizing/sizing-worker';
import type { OrderAheadTask } from './musters/before/order-ahead';
import { Exceptions } from './dockets/exceptions/exceptions';
import type { JudgeTask } from './dockets/exceptions/exceptions-worker';
import { createHash } from 'node:crypto';
import { once, setMaxListeners } from 'node:events';
import { readFile } from 'node:fs/promises';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname } from 'node:path';
import { pino } from 'pino';
import { Factors } from './accounts/factors';
import { readHouseKey } from './accounts/house-key';
import { createApp } from './app';
import { sealAudit } from './audit/seals';
import type { Night } from './backup/nightly-worker';
import { readConfig, type Config } from './config';
import { isLoopback, knownHosts, LOOPBACK } from './http/known-hosts';
import { createListener, type Certificate } from './http/listener';
import { fingerprintOf, ownCertificate } from './http/own-certificate';
import { Thread } from './http/threads';
import type { Sheet } from './sheets';
import { keepRetention } from './retention/retention';
import { findSettings } from './settings/store';
import { loadDemo } from './demo/load-demo';
import { makerAt } from './stores/orders/maker';
import { hearOf, openOrders } from './stores/orders/order-talk';
import { openDatabase } from './database/database';
import { grantApplication } from './database/grants';
import { alone, migrateAlone, untilThere } from './database/prepare';
import { refuseUnfinished, wantTriggers } from './database/whole';

/** How long open requests may take to end once a stop is asked for. */
const GRACE_MS = 8_000;

/** How often what happened is sealed. */
const SEAL_EVERY_MS = 20_000;

/** How often makers are asked how open orders stand. */
const ASK_EVERY_MS = 15_000;

/** In which hour backups are made, by the machine's clock, and how often it is looked whether it has come. */
const NIGHT_HOUR = 2;
const NIGHT_LOOK_MS = 15 * 60_000;

/** What the nightly backup needs, where one is wanted. */
function nightOf({ BACKUP_FOLDER, BACKUP_PASSPHRASE }: Config, owner: string): Night | null {
  if (BACKUP_FOLDER === undefined || BACKUP_PASSPHRASE === undefined) return null;
  return { owner, folder: BACKUP_FOLDER, passphrase: BACKUP_PASSPHRASE };
}

/** Starts one instance: migrates, loads the demo where asked, listens, and stops when told to. */
async function main(): Promise<void> {
  const config = readConfig(process.env);
  const logger = pino({ level: config.LOG_LEVEL });
  await untilThere(config.DATABASE_OWNER_URL ?? config.DATABASE_URL);
  const owner = config.DATABASE_OWNER_URL ?? config.DATABASE_URL;
  await alone(owner, async (database) => {
    await refuseUnfinished(database);
    await migrateAlone(database);
    await wantTriggers(database);
    if (owner !== config.DATABASE_URL) await grantApplication(database, config.DATABASE_URL);
    if (config.DEMO_FOLDER !== undefined && (await loadDemo(database, config.DEMO_FOLDER)))
      logger.info('demo loaded');
  });
  const database = openDatabase(config.DATABASE_URL);

  // What happened is sealed as it settles; away for a while, the database is asked again at the next turn.
  const sealing = setInterval(() => void sealAudit(database).catch(() => undefined), SEAL_EVERY_MS);
  const maker = makerAt(config.MAKER_DESK);
  const asking = setInterval(() => {
    if (config.MAKER_DESK === undefined) return;
    // A maker who is away is asked again at the next turn, and an order that fails holds up no other.
    openOrders(database)
      .then((ids) => Promise.allSettled(ids.map((id) => hearOf(database, maker, id))))
      .catch(() => undefined);
  }, ASK_EVERY_MS);
  const streams = new AbortController();
  // One listener for every stream that is open, and those are many.
  setMaxListeners(0, streams.signal);
  const judging = new Thread<JudgeTask, number>('./dockets/exceptions/exceptions-worker.js', {
    most: 10 * 60_000,
  });
  const build = await buildOf('./dockets/exceptions/exceptions-worker.js');
  const reckoning = new Thread<RunsTask, readonly ChartRun[] | DocketRuns>('./dockets/runs-worker.js');
  const gathering = new Thread<BodiesTask, Bodies>('./wearers/bodies-worker.js');
  const sizing = new Thread<SizingTask, void>('./musters/sizing/sizing-worker.js', { most: 10 * 60_000 });
  const placing = new Thread<PlacingTask, PlacingView>('./musters/sizing/placing-worker.js', {
    most: 5 * 60_000,
  });
  const drawing = new Thread<OrderAheadTask, OrderAheadView>('./musters/before/order-ahead-worker.js');
  const printing = new Thread<Sheet, Uint8Array>('./sheets-worker.js', { most: 45_000 });
  const nightly = new Thread<Night, void>('./backup/nightly-worker.js', { most: 6 * 3_600_000 });
  const night = nightOf(config, owner);
  const looking = setInterval(() => {
    if (new Date().getHours() !== NIGHT_HOUR) return;
    // Done again within the hour it finds nothing more.
    findSettings(database)
      .then((settings) => keepRetention(database, settings))
      .catch((error: unknown) =>
        logger.error({ err: error }, 'what is kept too long could not be taken out'),
      );
    if (night === null) return;
    nightly.run(night).catch((error: unknown) => logger.error({ err: error }, 'the nightly backup failed'));
  }, NIGHT_LOOK_MS);
  const certificate = await certificateOf(config);
  const houseKey = await readHouseKey(config);
  await new Factors(houseKey).sealAll(database);
  const server = createListener(
    createApp({
      database,
      logger,
      exceptions: new Exceptions(database, build, (first) =>
        judging.run({ url: config.DATABASE_URL, build, first }),
      ),
      bodies: (codes, groupId) => gathering.run({ url: config.DATABASE_URL, codes, groupId }),
      runs: {
        ofChart: (id) =>
          reckoning.run({ url: config.DATABASE_URL, of: 'chart', id }) as Promise<readonly ChartRun[]>,
        onDocket: (id) =>
          reckoning.run({ url: config.DATABASE_URL, of: 'docket', id }) as Promise<DocketRuns>,
      },
      orderAhead: (musterId, wanted) => drawing.run({ url: config.DATABASE_URL, musterId, wanted }),
      size: (id) => sizing.run({ url: config.DATABASE_URL, id }),
      place: (sizingId, asked) => placing.run({ url: config.DATABASE_URL, sizingId, asked }),
      print: (sheet) => printing.run(sheet),
      maker,
      houseKey,
      stopping: streams.signal,
      config: { ...config, SECURE_COOKIE: config.SECURE_COOKIE || certificate !== null },
    }),
    {},
    certificate,
  );
  await listen(server, config);
  const { port } = server.address() as AddressInfo;
  logger.info({ port }, 'listening');
  process.send?.({
    port,
    secure: certificate !== null,
    elsewhere: isLoopback(config.HOST) ? [] : knownHosts(config).filter((host) => !LOOPBACK.includes(host)),
    // Of one made here, which browsers ask about: for whoever compares it.
    fingerprint: certificate !== null && makesOwn(config) ? fingerprintOf(certificate) : null,
  });

  let stopping = false;
  const stop = async (why: string): Promise<void> => {
    if (stopping) return;
    stopping = true;
    logger.info({ why }, 'stopping');
    const closed = once(server, 'close');
    server.close();
    streams.abort();
    clearInterval(sealing);
    clearInterval(looking);
    clearInterval(asking);
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), GRACE_MS).unref();
    await closed;
    await Promise.all(
      [judging, sizing, gathering, printing, nightly, reckoning, drawing, placing].map((thread) =>
        thread.stop(),
      ),
    );
    await database.destroy();
    process.exit(0);
  };
  process.on('SIGTERM', () => void stop('SIGTERM'));
  process.on('SIGINT', () => void stop('SIGINT'));
  // Whoever started this instance is gone, and with it the database it may have started.
  if (process.send) process.on('disconnect', () => void stop('the starting process ended'));
}

/** Which version a bundled script is: what another one judged may have been judged otherwise. */
async function buildOf(script: string): Promise<string> {
  const text = await readFile(new URL(script, import.meta.url));
  return createHash('sha256').update(text).digest('hex').slice(0, 16);
}

/** Whether it speaks https by itself without being given a certificate: what leaves the machine is never in the clear. */
function makesOwn({ HOST, SECURE_COOKIE, TLS_CERTIFICATE }: Config): boolean {
  return TLS_CERTIFICATE === undefined && !isLoopback(HOST) && !SECURE_COOKIE;
}

/** The certificate the application speaks https with: the one it is given, or one of its own; `null` behind a proxy or on loopback. */
async function certificateOf(config: Config): Promise<Certificate | null> {
  const { TLS_CERTIFICATE, TLS_KEY, KEY_FILE } = config;
  if (makesOwn(config)) return ownCertificate(dirname(KEY_FILE), knownHosts(config));
  if (TLS_CERTIFICATE === undefined || TLS_KEY === undefined) return null;
  const [cert, key] = await Promise.all([readFile(TLS_CERTIFICATE, 'utf8'), readFile(TLS_KEY, 'utf8')]);
  return { cert, key };
}

async function listen(server: Server, { HOST, PORT, PORT_MAY_MOVE }: Config): Promise<void> {
  server.listen(PORT, HOST);
  try {
    await once(server, 'listening');
  } catch (error) {
    const taken = error instanceof Error && 'code' in error && error.code === 'EADDRINUSE';
    if (!taken || !PORT_MAY_MOVE) throw error;
    server.listen(0, HOST);
    await once(server, 'listening');
  }
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
  process.exit(1);
});
