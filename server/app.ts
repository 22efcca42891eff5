import { ROUTES, type Exception } from '@neat-measure/contract';
import { MOST_CHART_BYTES } from '@neat-measure/core';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Config } from './config';
import { chartRoutes } from './charts/routes';
import { answers, type Database } from './database/database';
import { deviceRoutes } from './devices/routes';
import { actRoutes, docketRoutes } from './dockets/routes';
import { docketLookout } from './dockets/service';
import { notFound, ProblemError } from './http/problem-error';
import { serveWeb } from './http/web';
import { protocolRoutes } from './protocols/routes';
import { selfLinkRoutes, selfRoutes } from './self/routes';
import { requireSession, sessionRoutes } from './session/routes';
import { wearerRoutes } from './wearers/routes';

/** What an application is made of. */
export interface AppParts {
  readonly database: Database;
  readonly logger: Logger;
  /** Judges all open dockets, away from the thread that answers. */
  readonly exceptions: () => Promise<readonly Exception[]>;
  /** Ends what would otherwise stay open: the streams. */
  readonly stopping: AbortSignal;
  readonly config: Pick<Config, 'SECURE_COOKIE' | 'TRUSTED_PROXIES' | 'WEB_ROOT'>;
}

/** The largest request body: a chart file as JSON, with room for its escapes. */
const MOST_BODY_BYTES = 2 * MOST_CHART_BYTES;

/** Requests a minute from one address; a hall of fitters behind one router stays well below. */
const REQUESTS_A_MINUTE = 6_000;

/** Builds the application: API and web application on one origin. */
export function createApp({ database, logger, exceptions, stopping, config }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', config.TRUSTED_PROXIES);
  app.use(logRequests(logger));
  app.use(
    helmet({
      contentSecurityPolicy: {
        // Angular and NG-ZORRO put component styles into the page as style elements.
        directives: {
          'default-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: config.SECURE_COOKIE,
    }),
  );
  app.use(compression());

  app.use(
    '/api',
    refuseForeignOrigins,
    limitRequests(),
    express.json({ limit: MOST_BODY_BYTES }),
    cookieParser(),
  );
  app.get(ROUTES.health, async (_request, response) => {
    if (!(await answers(database))) throw new ProblemError('unavailable', 'The database does not answer.');
    response.json({ status: 'ok' });
  });
  app.use(sessionRoutes(database, config.SECURE_COOKIE));
  app.use(selfRoutes(database));
  const dockets = { database, lookout: docketLookout(database, stopping), exceptions, stopping };
  app.use(actRoutes(dockets));
  app.use('/api', requireSession(database));
  app.use(docketRoutes(dockets));
  app.use(wearerRoutes(database));
  app.use(chartRoutes(database));
  app.use(protocolRoutes(database));
  app.use(selfLinkRoutes(database));
  app.use(deviceRoutes(database, stopping));
  app.use('/api', () => {
    throw notFound('route');
  });
  if (config.WEB_ROOT !== undefined) app.use(serveWeb(config.WEB_ROOT));
  app.use(answerProblems(logger));
  return app;
}

/** Logs method, path, status and time: never bodies, cookies or queries, which can hold body data. */
function logRequests(logger: Logger): RequestHandler {
  return pinoHttp({
    logger,
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({
        method,
        path: url.split('?')[0]!.replace(/^(\/api)?\/self\/.*/, '$1/self/…'),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
    },
    customLogLevel: (_request, response, error) =>
      error !== undefined || response.statusCode >= 500 ? 'error' : 'debug',
  });
}

/** A browser names the origin of every save; another site's page gets nothing done here. */
const refuseForeignOrigins: RequestHandler = (request, _response, next) => {
  const origin = request.get('origin');
  if (origin !== undefined && URL.canParse(origin) && new URL(origin).host !== request.get('host'))
    throw new ProblemError(
      'foreign-origin',
      'This request came from another site. Open Neat Measure itself and do it there.',
    );
  next();
};

function limitRequests(): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: REQUESTS_A_MINUTE,
    handler: () => {
      throw new ProblemError(
        'too-many-requests',
        'Too many requests from this address. Wait a minute, then go on.',
      );
    },
  });
}

/** Writes every error as problem details. What nobody foresaw is logged whole and told in general words. */
function answerProblems(logger: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, _next) => {
    const problem = asProblem(error);
    if (problem.kind === 'unexpected') logger.error({ err: error }, 'unexpected error');
    const body = problem.toProblem();
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

function asProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const type = error instanceof Error && 'type' in error ? error.type : undefined;
  if (type === 'entity.too.large')
    return new ProblemError(
      'too-large',
      'The request is larger than 2 MB. Check that it is the right file; nothing was saved.',
    );
  if (type === 'entity.parse.failed' || error instanceof URIError)
    return new ProblemError(
      'unreadable-request',
      'The request is not valid JSON. Reload the page and try again.',
    );
  return new ProblemError(
    'unexpected',
    'The server met something it did not expect. Nothing was saved; try again, and tell whoever runs it if it stays.',
  );
}
