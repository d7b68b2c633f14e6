import {
  DRIVE_VALID_MS,
  LIVE_RATE_HZ,
  SimulatedStand,
  ZERO_THROTTLE,
  type LiveReading,
  type SimulatedFault,
  type SimulatedStandOptions,
} from '@zivvo/core';

/** A device as the runtime reads it, a hundred times a second. */
export interface RuntimeDevice {
  /** Readings of this hundredth of a second; null where it does not answer. */
  exchange(throttleRatio: number): LiveReading | null;
  /** Its clock [s]. */
  readonly timeS: number;
  /** Volts a cell while nothing turns; null where nobody knows yet. */
  readonly restingCellV: number | null;
  /** What the pack still holds; null where nobody knows. */
  readonly chargeRatio: number | null;
  /** What it says it holds; null before it said anything. */
  readonly isZeroHeld: boolean | null;
  /** Made-up trouble, for made-up devices. */
  break(fault: SimulatedFault | null): void;
}

/** The made-up stand. */
export class SimulatedDevice implements RuntimeDevice {
  private readonly stand: SimulatedStand;
  isZeroHeld: boolean | null = true;

  constructor(options: SimulatedStandOptions) {
    this.stand = new SimulatedStand(options);
  }

  get timeS(): number {
    return this.stand.timeS;
  }

  get restingCellV(): number {
    return this.stand.restingCellV;
  }

  get chargeRatio(): number {
    return this.stand.chargeRatio;
  }

  exchange(throttleRatio: number): LiveReading | null {
    const reading = this.stand.exchange(throttleRatio);
    if (reading) this.isZeroHeld = reading.throttleRatio < ZERO_THROTTLE;
    return reading;
  }

  break(fault: SimulatedFault | null): void {
    this.stand.break(fault);
  }
}

/** A reading stands for this long, so that five a second leave no gaps [s]. */
const FRESH_S = 0.25;

/**
 * A stand that is driven line by line: its last reading stands until the next one comes. It obeys orders by itself and
 * zeroes itself when none comes.
 */
export class DrivenDevice implements RuntimeDevice {
  timeS = 0;
  isZeroHeld: boolean | null = null;
  readonly chargeRatio = null;
  private latest: { reading: Omit<LiveReading, 'timeS'>; atS: number } | null = null;
  private sequence = 0;

  constructor(private readonly seriesCount: number) {}

  /** Cells as the device itself reads them, while it holds no throttle. */
  get restingCellV(): number | null {
    const volts = this.latest?.reading.voltageV ?? NaN;
    return this.isZeroHeld === true && Number.isFinite(volts) ? volts / this.seriesCount : null;
  }

  /** Takes what it read and holds. */
  take(reading: Omit<LiveReading, 'timeS'>): LiveReading {
    this.latest = { reading, atS: this.timeS };
    this.isZeroHeld = reading.throttleRatio < ZERO_THROTTLE;
    return { ...reading, timeS: this.timeS };
  }

  /** The next order; orders go on counting from where the device is. */
  order(throttleRatio: number, obeyed: number): { sequence: number; throttleRatio: number; validMs: number } {
    this.sequence = Math.max(this.sequence, obeyed) + 1;
    return { sequence: this.sequence, throttleRatio, validMs: DRIVE_VALID_MS };
  }

  exchange(): LiveReading | null {
    this.timeS += 1 / LIVE_RATE_HZ;
    const { latest } = this;
    return latest && this.timeS - latest.atS <= FRESH_S ? { ...latest.reading, timeS: this.timeS } : null;
  }

  break(): void {
    // A real device has troubles of its own.
  }
}
