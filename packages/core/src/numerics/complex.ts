/** A vector in the rotor's plane: along the first blade, and a quarter turn on. */
export interface Complex {
  re: number;
  im: number;
}

const TURN = 360;
const RADIANS = Math.PI / 180;

/** A vector by its length and its angle from the real axis [°], counter-clockwise. */
export function fromPolar(amount: number, degrees: number): Complex {
  return { re: amount * Math.cos(degrees * RADIANS), im: amount * Math.sin(degrees * RADIANS) };
}

/** Sum of two vectors in the same unit. */
export function add(a: Complex, b: Complex): Complex {
  return { re: a.re + b.re, im: a.im + b.im };
}

/** What leads from b to a. */
export function subtract(a: Complex, b: Complex): Complex {
  return { re: a.re - b.re, im: a.im - b.im };
}

/** Product: lengths multiply, angles add. */
export function multiply(a: Complex, b: Complex): Complex {
  return { re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re };
}

/** Quotient: lengths divide, angles subtract; not finite where b is zero. */
export function divide(a: Complex, b: Complex): Complex {
  const square = b.re * b.re + b.im * b.im;
  return { re: (a.re * b.re + a.im * b.im) / square, im: (a.im * b.re - a.re * b.im) / square };
}

/** A vector stretched by a plain factor. */
export function scale(a: Complex, factor: number): Complex {
  return { re: a.re * factor, im: a.im * factor };
}

/** Mirror image at the real axis. */
export function conjugate(a: Complex): Complex {
  return { re: a.re, im: -a.im };
}

/** Length, in the unit of the parts. */
export function amountOf(a: Complex): number {
  return Math.hypot(a.re, a.im);
}

/** Direction [degrees, 0 to 360). */
export function degreesOf(a: Complex): number {
  return wrapDegrees(Math.atan2(a.im, a.re) / RADIANS);
}

/** An angle brought into 0 to 360. */
export function wrapDegrees(degrees: number): number {
  const wrapped = ((degrees % TURN) + TURN) % TURN;
  return wrapped >= TURN ? 0 : wrapped;
}

/** The smaller way from one direction to another [degrees, 0 to 180]. */
export function degreesBetween(a: number, b: number): number {
  const apart = Math.abs(wrapDegrees(a - b));
  return Math.min(apart, TURN - apart);
}
