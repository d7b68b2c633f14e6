/** The only place that tells the time; a fixed start makes it run from there. */
export class Clock {
  private readonly offsetMs: number;
  private heldMs: number | null = null;

  constructor(startMs: number | null = null) {
    this.offsetMs = startMs === null ? 0 : startMs - Date.now();
  }

  /** Stands still at a moment; null lets it run again. */
  hold(atMs: number | null): void {
    this.heldMs = atMs;
  }

  nowMs(): number {
    return this.heldMs ?? Date.now() + this.offsetMs;
  }

  now(): Date {
    return new Date(this.nowMs());
  }

  /** The day of a moment where the workshop is, as 2026-11-29: looks and logs are of days, not of hours. */
  localDay(at: Date): string {
    return `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`;
  }
}
