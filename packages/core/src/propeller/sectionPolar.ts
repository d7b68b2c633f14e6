import type { BladeSection } from './propGeometry.ts';

/** Taken once: these are called hundreds of times a point. */
const { sin, cos, exp, min, max, sqrt, abs, sign } = Math;

const DEGREE = Math.PI / 180;

/** What a kind of section does differently: zero-lift angle, reach of lift, lift at least drag, least drag. */
const SECTIONS: Record<
  BladeSection,
  { zeroLiftRad: number; mostLift: number; thriftyLift: number; leastDrag: number }
> = {
  flat: { zeroLiftRad: 2 * DEGREE, mostLift: 0.88, thriftyLift: 0.05, leastDrag: 1.1 },
  cambered: { zeroLiftRad: 4.5 * DEGREE, mostLift: 1, thriftyLift: 0.15, leastDrag: 1 },
  hollow: { zeroLiftRad: 6 * DEGREE, mostLift: 1.07, thriftyLift: 0.25, leastDrag: 1.08 },
};

/** How soon the blades of a propeller disturb each other: more drag and earlier stall with every blade above two. */
export interface Crowding {
  dragFactor: number;
  mostLiftFactor: number;
}

/** Stall sets in over this much of angle. */
const STALL_WIDTH_RAD = 3.2 * DEGREE;
/** Drag rises from this Mach number on. */
const DRAG_RISE_MACH = 0.68;
/** Most lift lost for every degree that the tip untwists, as a share. */
const LIFT_LOST_PER_DEGREE = 0.025;

/** One section in the flow of one operating point: everything of its polar that does not depend on the angle. */
export class SectionPolar {
  private zeroLiftRad = 0;
  private slope = 0;
  private mostLiftStiff = 0;
  private mostLift = 0;
  private stallRad = 0;
  private stalledLift = 0;
  private profileDrag = 0;
  private liftDrag = 0;
  private thriftyLift = 0;
  private waveDrag = 0;
  private dragFactor = 1;
  /** Lift coefficient of the last angle asked for. */
  lift = 0;
  /** Drag coefficient of the last angle asked for. */
  drag = 0;
  /** How far the flow had left the section at that angle, 0 to 1. */
  separation = 0;

  /** Slope of lift [1/rad], for first guesses. */
  get liftSlope(): number {
    return this.slope;
  }

  /** Angle at which it lifts nothing, below the chord line [rad]. */
  get zeroLift(): number {
    return this.zeroLiftRad;
  }

  /**
   * Puts the section into a flow.
   *
   *   slope = 5.7·min(Re5^0.03, 1.05)/√(1 − M²), c_l,max = 1.42·Re5^0.12 (0.70 to 1.15)·(1 + 1.4·(c/r)²),
   *   c_d = 0.02·Re5^−0.4 + 0.04·Re5^−0.25·(c_l − 0.15)² + drag rise; Re5 = Re/100,000
   *
   * @param reynolds - of the chord; held within 8,000 and 1,000,000
   * @param mach - of the section; held below 0.95
   * @param chordPerRadius - chord over the station's radius: rotation delays the stall near the hub
   */
  enter(section: BladeSection, crowding: Crowding, reynolds: number, mach: number, chordPerRadius: number): void {
    const { zeroLiftRad, mostLift, thriftyLift, leastDrag } = SECTIONS[section];
    const logRe = Math.log(min(1e6, max(8e3, reynolds)) / 1e5);
    const m = min(mach, 0.95);
    const compressible = min(m, 0.75);
    const rotation = min(chordPerRadius, 0.8) ** 2;
    const rise = max(m - DRAG_RISE_MACH, 0);
    this.zeroLiftRad = zeroLiftRad;
    this.slope = (5.7 * min(exp(0.03 * logRe), 1.05)) / sqrt(1 - compressible * compressible);
    this.mostLiftStiff =
      1.42 * mostLift * crowding.mostLiftFactor * min(1.15, max(0.7, exp(0.12 * logRe))) * (1 + 1.4 * rotation);
    this.stalledLift = 0.9 * (1 + 0.7 * rotation);
    this.profileDrag = 0.02 * leastDrag * exp(-0.4 * logRe);
    this.liftDrag = 0.04 * exp(-0.25 * logRe);
    this.thriftyLift = thriftyLift;
    this.waveDrag = 20 * rise ** 3 + 0.6 * rise ** 2;
    this.dragFactor = crowding.dragFactor;
  }

  /** Takes the blade's untwist into account: soft tips stall earlier. */
  loosen(untwistDegrees: number): void {
    this.mostLift = this.mostLiftStiff * (1 - LIFT_LOST_PER_DEGREE * untwistDegrees);
    this.stallRad = this.mostLift / this.slope;
  }

  /**
   * Lift and drag at an angle of attack, attached and stalled flow blended over the stall.
   *
   * @param attackRad - angle between chord line and flow [rad]
   */
  at(attackRad: number): void {
    const angle = attackRad + this.zeroLiftRad;
    const sine = sin(angle);
    const attached = this.slope * sine;
    const separation = min(
      1,
      logistic((angle - this.stallRad) / STALL_WIDTH_RAD) + logistic((-angle - 0.75 * this.stallRad) / STALL_WIDTH_RAD),
    );
    const stalled = min(abs(this.stalledLift * 2 * sine * cos(angle)), abs(attached)) * sign(attached);
    this.separation = separation;
    this.lift = attached * (1 - separation) + stalled * separation;
    this.drag =
      ((this.profileDrag + this.liftDrag * (attached - this.thriftyLift) ** 2) * (1 - separation) +
        (this.profileDrag + 1.55 * sine * sine) * separation +
        this.waveDrag) *
      this.dragFactor;
  }
}

function logistic(z: number): number {
  return 1 / (1 + exp(-min(40, max(-40, z))));
}
