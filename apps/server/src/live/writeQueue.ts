/** Writes that wait while the disk does not take them, at most: ten minutes of a stand. */
const WAITING_MAX_COUNT = 600;

export type Job = () => Promise<void>;

/**
 * Writes one after another. Where one fails, it and all behind it wait until somebody says what to do: to try again, or
 * to go on without them.
 */
export class WriteQueue {
  private readonly jobs: Job[] = [];
  private running: Promise<void> = Promise.resolve();
  private isRunning = false;
  /** True after a write failed, until it succeeds or is given up. */
  hasFailed = false;
  /** Jobs that were not even taken, because too many waited. */
  refusedCount = 0;

  /** @param onFailure - hears of the first failure of a row of them */
  constructor(private readonly onFailure: (error: unknown) => void) {}

  get waitingCount(): number {
    return this.jobs.length + this.refusedCount;
  }

  push(job: Job): void {
    if (this.hasFailed && this.jobs.length >= WAITING_MAX_COUNT) {
      this.refusedCount++;
      return;
    }
    this.jobs.push(job);
    if (!this.hasFailed) this.run();
  }

  /** All that was pushed is written, or stands still after a failure. */
  async settled(): Promise<void> {
    await this.running;
  }

  /** Tries again what waits; the failure, if it goes on, is heard again. */
  async retry(): Promise<void> {
    this.hasFailed = false;
    this.refusedCount = 0;
    this.run();
    await this.settled();
  }

  /** Goes on without what waits; answers how many that were. */
  giveUp(): number {
    const { waitingCount } = this;
    this.jobs.length = 0;
    this.hasFailed = false;
    this.refusedCount = 0;
    return waitingCount;
  }

  private run(): void {
    if (this.isRunning) return;
    this.isRunning = true;
    this.running = this.work().finally(() => (this.isRunning = false));
  }

  private async work(): Promise<void> {
    for (let job = this.jobs[0]; job && !this.hasFailed; job = this.jobs[0]) {
      try {
        await job();
        if (this.jobs[0] === job) this.jobs.shift();
      } catch (error) {
        this.hasFailed = true;
        this.onFailure(error);
      }
    }
  }
}
