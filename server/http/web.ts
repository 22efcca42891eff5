import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { join } from 'node:path';

/**
 * Serves the built web application: files with a hash in their name for a year, the page
 * itself for every other path, so that a link into any place works.
 */
export function serveWeb(root: string): Router {
  return Router()
    .use(
      // What the build has packed once is served packed; the rest is packed on its way.
      expressStaticGzip(root, {
        index: false,
        enableBrotli: true,
        orderPreference: ['br', 'gz'],
        serveStatic: {
          setHeaders: (response, path) =>
            response.setHeader(
              'Cache-Control',
              /-[A-Z0-9]{8}\.\w+(\.br|\.gz)?$/.test(path)
                ? 'public, max-age=31536000, immutable'
                : 'no-cache',
            ),
        },
      }),
    )
    .get(/^\/(?!api\/)[^.]*$/, (_request, response) => {
      response.setHeader('Cache-Control', 'no-cache').sendFile(join(root, 'index.html'));
    });
}
