import type { Clock } from '../common/clock.ts';
import { runAsPerson } from '../common/requestContext.ts';

const DAY_MS = 86_400_000;

/** Something that somebody does. */
interface Entry {
  atMs: number;
  personId: string;
  act: () => Promise<unknown>;
}

/** What is done in a workshop, in the order of its hours; an act may plan what follows from it. */
export class Diary {
  private readonly entries: Entry[] = [];

  /**
   * @param personId - who does most of it
   */
  constructor(private readonly personId: string) {}

  /** @param atMs - milliseconds from the local midnight before the last day's morning */
  plan(atMs: number, act: () => Promise<unknown>, personId = this.personId): void {
    const after = this.entries.findIndex((e) => e.atMs > atMs);
    this.entries.splice(after === -1 ? this.entries.length : after, 0, { atMs, personId, act });
  }

  /**
   * Does everything, the clock set to the hour of each act and let go at the end.
   *
   * @param today - any moment of the last day
   * @param latest - what would be later was then
   */
  async play(clock: Clock, today: Date, latest: Date): Promise<void> {
    for (let entry = this.entries.shift(); entry; entry = this.entries.shift()) {
      clock.hold(Math.min(momentOf(today, entry.atMs).getTime(), latest.getTime()));
      await runAsPerson(entry.personId, entry.act);
    }
    clock.hold(null);
  }
}

/** A moment by whole local days and the time of that day, also where a night between had an hour more or less. */
function momentOf(today: Date, atMs: number): Date {
  const days = Math.floor(atMs / DAY_MS);
  return new Date(today.getFullYear(), today.getMonth(), today.getDate() + days, 0, 0, 0, atMs - days * DAY_MS);
}
