import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { dressApplication } from './application.ts';
import { AppModule } from './app.module.ts';
import { readConfig } from './config.ts';
import { playIfEmpty } from './demo/playDemo.ts';

/** Starts the server on this machine's own address only. */
async function main(): Promise<void> {
  const config = readConfig(process.env);
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
  if (config.endsWithInput) process.stdin.resume().once('end', () => process.kill(process.pid, 'SIGTERM'));
  console.log(`Zivvo is ready at http://127.0.0.1:${port}`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
