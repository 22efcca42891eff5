import { firstAccount, setByCode } from './people/service';
import { ROUTES, type Bodies } from '@neat-measure/contract';
import type { MeasurementCode } from '@neat-measure/core';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import express, { type Express, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { Factors } from './accounts/factors';
import type { HouseKey } from './accounts/house-key';
import type { Config } from './config';
import { auditRoutes } from './audit/routes';
import { chartRoutes } from './charts/routes';
import type { Runs } from './dockets/runs';
import { answers, type Database } from './database/database';
import { deviceRoutes, tapeRoutes } from './devices/routes';
import { actRoutes, docketRoutes, type DocketParts } from './dockets/routes';
import { lateRoutes } from './dockets/late/routes';
import { openBench, actsLookout } from './dockets/service';
import { answerProblems } from './http/answer-problems';
import { notFound, ProblemError } from './http/problem-error';
import { handingRoutes } from './handing/routes';
import { guard } from './guard';
import { readBodies } from './bodies';
import type { Lasts } from './http/request';
import { ownRoutes, peopleRoutes } from './people/routes';
import { knownHosts, refuseUnknownHosts } from './http/known-hosts';
import { refuseForeignOrigins } from './http/same-site';
import { serveWeb } from './http/web';
import type { Print } from './print/print';
import type { Sheet } from './sheets';
import { kitRoutes } from './kits/routes';
import { awayRoutes } from './musters/away/routes';
import { sizingRoutes, type SizingParts } from './musters/sizing/routes';
import { beforeRoutes, type BeforeParts } from './musters/before/routes';
import { openExpected } from './musters/expected';
import { musterRoutes } from './musters/routes';
import { Standings } from './musters/standing';
import { takeMusterAct } from './musters/take';
import { protocolRoutes } from './protocols/routes';
import { selfLinkRoutes, selfRoutes } from './self/routes';
import { SessionCookie } from './session/cookie';
import { KnownDevice } from './session/known-device';
import { sessionRoutes } from './session/routes';
import { askingOf } from './session/asking';
import { stillLasts } from './session/service';
import { settingsRoutes } from './settings/routes';
import { HouseSettings } from './settings/service';
import { hireRoutes } from './stores/hire/hire-routes';
import type { Maker } from './stores/orders/maker';
import { orderRoutes } from './stores/orders/order-routes';
import { reservedRoutes } from './stores/reserved/reserved-routes';
import { stockRoutes } from './stores/routes';
import { meetNewcomers } from './wearers/newcomers';
import { wearerRoutes } from './wearers/routes';

/** What an application is made of. */
export interface AppParts {
  readonly database: Database;
  readonly logger: Logger;
  readonly exceptions: DocketParts['exceptions'];
  /** The values of everybody, without names. */
  readonly bodies: (codes: readonly MeasurementCode[], groupId: string | null) => Promise<Bodies>;
  readonly runs: Runs;
  readonly orderAhead: BeforeParts['orderAhead'];
  readonly size: SizingParts['size'];
  readonly place: SizingParts['place'];
  /** Makes what is to be printed, away from it too. */
  readonly print: Print<Sheet>;
  /** Who orders are sent to. */
  readonly maker: Maker;
  /** The key of the house, which never stands in the database. */
  readonly houseKey: HouseKey;
  /** Ends what would otherwise stay open: the streams. */
  readonly stopping: AbortSignal;
  readonly config: Pick<
    Config,
    'HOST' | 'HOSTS' | 'SECURE_COOKIE' | 'TRUSTED_PROXIES' | 'WEB_ROOT' | 'OUTBOX'
  >;
}

/** Requests a minute from one address; a hall of fitters behind one router stays well below. */
const REQUESTS_A_MINUTE = 30_000;

/** Builds the application: API and web application on one origin. */
export function createApp({
  database,
  logger,
  exceptions,
  bodies,
  runs,
  orderAhead,
  size,
  place,
  print,
  maker,
  houseKey,
  stopping,
  config,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  // Nothing of the API is kept anywhere, so there is nothing to compare; files have tags of their own.
  app.disable('etag');
  app.set('trust proxy', config.TRUSTED_PROXIES);
  app.use(logRequests(logger));
  app.use(
    helmet({
      contentSecurityPolicy: {
        // Angular and NG-ZORRO put component styles into the page as style elements.
        directives: {
          'default-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'font-src': ["'self'"],
          'img-src': ["'self'", 'data:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: config.SECURE_COOKIE,
    }),
  );
  app.use(refuseUnknownHosts(knownHosts(config)));
  app.use(packAnswers());

  app.use('/api', refuseForeignOrigins, noStore, limitRequests());
  app.use('/api', cookieParser(houseKey.for('known devices').toString('base64url')));
  app.get(ROUTES.health, async (_request, response) => {
    if (!(await answers(database))) throw new ProblemError('unavailable', 'The database does not answer.');
    response.json({ status: 'ok' });
  });
  const settings = new HouseSettings(database);
  const cookie = new SessionCookie(config.SECURE_COOKIE);
  const factors = new Factors(houseKey);
  const device = new KnownDevice(config.SECURE_COOKIE);
  // Who may not come in is not listened to.
  app.use('/api', guard(database, settings, cookie), readBodies());
  const lasts: Lasts = (response) => {
    const { token } = askingOf(response);
    return () => stillLasts(database, settings, token);
  };
  const lookout = actsLookout(database, stopping);
  const standings = new Standings();
  const dockets: DocketParts = {
    database,
    lookout,
    meet: (signing, newcomers) => meetNewcomers(database, signing, newcomers),
    takeOther: (signing, act) => takeMusterAct(database, standings, signing, act),
    openExpected: (signing, act) => openExpected(database, standings, signing, act),
    exceptions,
    runs,
    print,
    lasts,
    settings,
    stopping,
  };
  for (const routes of [
    sessionRoutes({
      database,
      settings,
      cookie,
      device,
      keyOfDevice: (id) => houseKey.ofDevice(id),
      factors,
      ways: { firstAccount, setByCode },
    }),
    ownRoutes(database, factors),
    peopleRoutes(database),
    settingsRoutes(database, settings),
    selfRoutes(database),
    selfLinkRoutes(database),
    actRoutes(dockets),
    docketRoutes(dockets),
    lateRoutes(dockets),
    musterRoutes({ database, house: houseKey.name, device, lookout, standings, lasts, stopping }),
    awayRoutes({ database, standings, device }),
    beforeRoutes({ database, standings, print, outbox: config.OUTBOX, orderAhead }),
    sizingRoutes({ database, size, place, print, lasts, stopping, lookout, takeOther: dockets.takeOther }),
    wearerRoutes(database, settings, print, config.OUTBOX, bodies),
    handingRoutes(database, print, config.OUTBOX),
    chartRoutes(database, print, runs.ofChart),
    protocolRoutes(database),
    kitRoutes(database),
    deviceRoutes(database, lasts, stopping),
    tapeRoutes(database),
    stockRoutes(database, print, (id) => openBench(database, id)),
    hireRoutes(database),
    reservedRoutes(database, print),
    orderRoutes(database, maker),
    auditRoutes(database),
  ])
    app.use(routes);
  app.use('/api', () => {
    throw notFound('route');
  });
  if (config.WEB_ROOT !== undefined) app.use(serveWeb(config.WEB_ROOT));
  app.use(answerProblems(logger));
  return app;
}

/** Logs method, path, status and time: never bodies, cookies or queries, which can hold body data. */
function logRequests(logger: Logger): RequestHandler {
  return (request, response, next) => {
    const begun = Date.now();
    response.once('finish', () => {
      const { statusCode: status } = response;
      // What is away for a moment is no error of ours: whoever asked was told to ask again.
      const level = status === 503 ? 'warn' : status >= 500 ? 'error' : 'debug';
      if (!logger.isLevelEnabled(level)) return;
      const path = request.originalUrl.split('?')[0]!.replace(/^(\/api)?\/self\/.*/, '$1/self/…');
      logger[level]({ method: request.method, path, status, ms: Date.now() - begun }, 'request');
    });
    next();
  };
}

/** Packs what is read; what is saved is answered in a few words. */
function packAnswers(): RequestHandler {
  const pack = compression();
  return (request, response, next) => {
    if (request.method === 'GET') pack(request, response, next);
    else next();
  };
}

/** Nothing of anybody is left in a browser's cache, or in one on the way. */
const noStore: RequestHandler = (_request, response, next) => {
  response.setHeader('Cache-Control', 'no-store');
  next();
};

function limitRequests(): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: REQUESTS_A_MINUTE,
    standardHeaders: false,
    legacyHeaders: false,
    handler: () => {
      throw new ProblemError(
        'too-many-requests',
        'Too many requests from this address. Wait a minute, then try again.',
      );
    },
  });
}
