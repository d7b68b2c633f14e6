import { requirePositive } from '../errors/guards.ts';
import { CURVE_CORNERS_HZ, levelOfMeanSquare } from './levels.ts';

const [F1, F2, F3, F4] = CURVE_CORNERS_HZ;
/** Above this share of the sampling rate the curve's upper corner cannot be made, nor is there anything to weaken. */
const MOST_CORNER_RATIO = 0.42;
/** Time constant of a meter on *fast* [s]. */
const FAST_S = 0.125;
/** Before this the filter still rings of the beginning [s]. */
const SETTLED_S = 0.5;
/** Length of the stretches whose levels are told one by one [s]. */
export const LEVEL_STEP_S = 0.125;

/** One second-order section, b over a. */
type Section = [b0: number, b1: number, b2: number, a1: number, a2: number];

/**
 * A-weighted level as a meter shows it on *fast*, sample by sample.
 *
 * The A curve as three second-order sections by the bilinear transform with its corners where they belong; within
 * 1.2 dB of the curve up to a fifth of the sampling rate, where a meter of class 1 may be off by as much.
 *
 * @see IEC 61672-1 for the curve and the time constant
 */
export class FastLevel {
  /** Highest level so far [Pa²]. */
  private most = 0;
  private smooth = 0;
  private seen = 0;
  private stepSum = 0;
  private stepCount = 0;
  private readonly stepLength: number;
  private readonly steps: number[] = [];
  private readonly sections: [Section, Section, Section];
  private state: [number, number, number, number, number, number] = [0, 0, 0, 0, 0, 0];

  constructor(private readonly rateHz: number) {
    requirePositive('rateHz', rateHz);
    this.sections = aSections(rateHz);
    this.stepLength = Math.round(LEVEL_STEP_S * rateHz);
  }

  push(samples: Float32Array): void {
    // Written out and in locals: every sample of a long recording passes here.
    const [[a0, a1, a2, a3, a4], [b0, b1, b2, b3, b4], [c0, c1, c2, c3, c4]] = this.sections;
    let [s0, s1, s2, s3, s4, s5] = this.state;
    const follow = 1 - Math.exp(-1 / (FAST_S * this.rateHz));
    const settled = SETTLED_S * this.rateHz;
    let { smooth, most, stepSum, stepCount } = this;
    for (let i = 0; i < samples.length; i++) {
      const input = samples[i]!;
      const x = a0 * input + s0;
      s0 = a1 * input - a3 * x + s1;
      s1 = a2 * input - a4 * x;
      const y = b0 * x + s2;
      s2 = b1 * x - b3 * y + s3;
      s3 = b2 * x - b4 * y;
      const z = c0 * y + s4;
      s4 = c1 * y - c3 * z + s5;
      s5 = c2 * y - c4 * z;
      const square = z * z;
      smooth += (square - smooth) * follow;
      if (smooth > most && this.seen + i >= settled) most = smooth;
      stepSum += square;
      if (++stepCount === this.stepLength) {
        this.steps.push(stepSum / stepCount);
        stepSum = 0;
        stepCount = 0;
      }
    }
    this.seen += samples.length;
    this.state = [s0, s1, s2, s3, s4, s5];
    Object.assign(this, { smooth, most, stepSum, stepCount });
  }

  /** Highest level on *fast* [dB]; null in silence, or where nothing settled. */
  get highestDb(): number | null {
    return levelOfMeanSquare(this.most);
  }

  /** Equivalent A-weighted mean square of each whole stretch of LEVEL_STEP_S [Pa²]. */
  get stepMeanSquares(): readonly number[] {
    return this.steps;
  }
}

/** What lets everything through. */
const OPEN: Section = [1, 0, 0, 0, 0];

function aSections(rateHz: number): [Section, Section, Section] {
  const corner = (f: number): number => Math.tan((Math.PI * f) / rateHz);
  const upper = F4 < MOST_CORNER_RATIO * rateHz ? lowPass(corner(F4)) : OPEN;
  const sections: [Section, Section, Section] = [
    highPass(corner(F1), corner(F1)),
    highPass(corner(F2), corner(F3)),
    upper,
  ];
  const at1kHz = sections.reduce((gain, section) => gain * gainOf(section, (2 * Math.PI * 1000) / rateHz), 1);
  const [b0, b1, b2, a1, a2] = sections[0];
  sections[0] = [b0 / at1kHz, b1 / at1kHz, b2 / at1kHz, a1, a2];
  return sections;
}

/** s²/((s + p)(s + q)) with s = (1 − z⁻¹)/(1 + z⁻¹). */
function highPass(p: number, q: number): Section {
  const scale = (1 + p) * (1 + q);
  return [1 / scale, -2 / scale, 1 / scale, (2 * (p * q - 1)) / scale, ((1 - p) * (1 - q)) / scale];
}

/** p²/(s + p)². */
function lowPass(p: number): Section {
  const scale = (1 + p) ** 2;
  const b = p ** 2 / scale;
  return [b, 2 * b, b, (2 * (p ** 2 - 1)) / scale, (1 - p) ** 2 / scale];
}

/** Gain of a section at an angle of the sampling circle. */
function gainOf([b0, b1, b2, a1, a2]: Section, angle: number): number {
  const size = (x0: number, x1: number, x2: number): number =>
    Math.hypot(x0 + x1 * Math.cos(angle) + x2 * Math.cos(2 * angle), x1 * Math.sin(angle) + x2 * Math.sin(2 * angle));
  return size(b0, b1, b2) / size(1, a1, a2);
}
