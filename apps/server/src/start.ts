import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { dressApplication } from './application.ts';
import { AppModule } from './app.module.ts';
import type { Config } from './config.ts';
import { playIfEmpty } from './demo/playDemo.ts';

/** Starts a Zivvo on this machine's own address only, and answers where. */
export async function startZivvo(config: Config): Promise<{ app: NestExpressApplication; address: string }> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), {
    logger: ['error', 'warn'],
    bodyParser: false,
    forceCloseConnections: true,
    abortOnError: false,
  });
  dressApplication(app, config);
  await app.init();
  if (config.workshopKind === 'demo') await playIfEmpty(app);
  await app.listen(config.port, '127.0.0.1');
  const { port } = app.getHttpServer().address() as { port: number };
  return { app, address: `http://127.0.0.1:${port}` };
}
