import { BLOB_MAX_BYTES, DRIVEN_BODY_MAX_BYTES, FEED_BODY_MAX_BYTES, SAMPLES_BODY_MAX_BYTES } from '@zivvo/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import express from 'express';
import helmet from 'helmet';
import path from 'node:path';
import { bodyPipe } from './common/bodyPipe.ts';
import { asPerson, localOnly, readableAddress } from './common/guards.middleware.ts';
import { jsonBody } from './common/jsonBody.ts';
import { ProblemFilter } from './common/problem.filter.ts';
import type { Config } from './config.ts';
import { serveApiDocument } from './docs/apiDocument.ts';

/** Puts everything around the features that every request passes: guards, limits, rules, problems, the web app. */
export function dressApplication(app: NestExpressApplication, config: Pick<Config, 'webFolder'>): void {
  app.setGlobalPrefix('api');
  app.disable('x-powered-by');
  app.use(localOnly);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'font-src': ["'self'"],
          'connect-src': ["'self'"],
          'worker-src': ["'self'", 'blob:'],
          'object-src': ["'none'"],
          'frame-ancestors': ["'none'"],
          'upgrade-insecure-requests': null,
        },
      },
    }),
  );
  app.use('/api/blobs', express.raw({ type: () => true, limit: BLOB_MAX_BYTES }));
  app.use('/api/feed', express.text({ type: () => true, limit: FEED_BODY_MAX_BYTES }));
  app.use('/api/stand/driven', express.text({ type: () => true, limit: DRIVEN_BODY_MAX_BYTES }));
  app.use('/api/sample-imports', express.raw({ type: 'application/octet-stream', limit: SAMPLES_BODY_MAX_BYTES }));
  app.use(readableAddress);
  app.use(jsonBody());
  app.use(asPerson);
  app.useGlobalPipes(bodyPipe());
  app.useGlobalFilters(new ProblemFilter());
  serveApiDocument(app);
  if (config.webFolder !== null) serveWebApp(app, config.webFolder);
  app.enableShutdownHooks();
}

/** The built web app: hashed files for ever, the page itself never from a cache, every other address is the page's. */
function serveWebApp(app: NestExpressApplication, folder: string): void {
  app.use(
    '/assets',
    express.static(path.join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(folder, { index: false, maxAge: '1h' }));
  app.use((request: express.Request, response: express.Response, next: express.NextFunction) => {
    if (request.method !== 'GET' || request.path.startsWith('/api')) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(path.join(folder, 'index.html'));
  });
}
