import type { INestApplicationContext } from '@nestjs/common';
import { Clock } from '../common/clock.ts';
import { Diary } from './diary.ts';
import { playCare } from './playCare.ts';
import { playFly } from './playFly.ts';
import { playListen } from './playListen.ts';
import { playRack } from './playRack.ts';
import { playStand } from './playStand.ts';
import { Shed } from './shed.ts';
import { stockShed } from './stockShed.ts';

/**
 * Two hundred days of the Tarnholm Lift Shed: four craft, a dozen prop models, deliveries, true-ups, fittings, looks,
 * flights and one evening on the stand, each done through the services at its hour by whoever did it.
 *
 * @param today - any moment of its last day, of which it plays the morning
 * @param latest - nothing is later than this
 */
export async function playDemo(app: INestApplicationContext, today: Date, latest: Date): Promise<void> {
  const shed = new Shed(app);
  const diary = new Diary(shed.personIds()[0]!);
  stockShed(diary, shed);
  playRack(diary, shed);
  playStand(diary, shed);
  playCare(diary, shed);
  playFly(diary, shed);
  playListen(diary, shed);
  await diary.play(app.get(Clock, { strict: false }), today, latest);
}

/** Plays the demo where nobody has worked yet; what would be later today was a minute ago. */
export async function playIfEmpty(app: INestApplicationContext): Promise<void> {
  if ((await new Shed(app).workshop.listPeople()).total > 0) return;
  const now = app.get(Clock, { strict: false }).now();
  await playDemo(app, now, new Date(now.getTime() - 60_000));
}
