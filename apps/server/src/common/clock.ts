/** The only place that tells the time; a fixed start makes it run from there. */
export class Clock {
  private readonly offsetMs: number;

  constructor(startMs: number | null = null) {
    this.offsetMs = startMs === null ? 0 : startMs - Date.now();
  }

  nowMs(): number {
    return Date.now() + this.offsetMs;
  }

  now(): Date {
    return new Date(this.nowMs());
  }
}
