import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import fs from 'node:fs';
import path from 'node:path';
import { AppModule } from '../app.module.ts';
import { readConfig } from '../config.ts';
import { DB, type Db } from '../database/database.ts';
import { copyWhole } from '../database/folder.ts';
import { PLAYED_DAY } from '../database/moveDays.ts';
import { tidyTables } from '../database/tidyTables.ts';
import { playDemo } from './playDemo.ts';

/**
 * Plays the demo once and leaves the database that new demo folders are copied from, its files beside it:
 * `makeDemo WORKPLACE FOLDER`.
 */
const [workplace, folder] = process.argv.slice(2);
if (workplace === undefined || folder === undefined)
  throw new Error('Two arguments are needed: a folder to work in and the one to make.');
const config = {
  ...readConfig({}),
  dataFolder: workplace,
  hasDatabaseThread: false,
  workshopKind: 'demo' as const,
  startMs: PLAYED_DAY.getTime(),
};
const app = await NestFactory.createApplicationContext(AppModule.with(config), {
  logger: ['error', 'warn'],
  abortOnError: false,
});
await playDemo(app, PLAYED_DAY, PLAYED_DAY);
await tidyTables(app.get<Db>(DB));
await app.close();
fs.rmSync(`${folder}-blobs`, { recursive: true, force: true });
copyWhole(path.join(workplace, 'blobs'), `${folder}-blobs`);
copyWhole(path.join(workplace, 'database'), folder);
