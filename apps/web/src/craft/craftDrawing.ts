import type { ArmPlace, Rotor } from '@zivvo/core';

export interface DrawnRotor {
  place: ArmPlace;
  /** Right [m]. */
  x: number;
  /** Down the page, so toward the tail [m]. */
  y: number;
  spin: 'cw' | 'ccw';
}

export interface Drawing {
  rotors: DrawnRotor[];
  radius: number | null;
  /** Half the side of a square that holds everything [m]. */
  half: number;
  /** Distance of neighbouring motors [m]. */
  spacing: number;
  /** Free air between neighbouring discs [m]; null without discs. */
  gap: number | null;
  /** Size of the body that is drawn [m]. */
  body: number;
}

/** Places of everything on the top view, nose up, in metres. */
export function craftDrawing(rotors: readonly Rotor[], discDiameterM: number | null): Drawing {
  const drawn = rotors.map((r): DrawnRotor => ({ place: r.place, x: r.yM, y: -r.xM, spin: r.spin }));
  const reach = Math.max(...drawn.map((r) => Math.max(Math.abs(r.x), Math.abs(r.y))), 0.01);
  const [first, second] = drawn;
  const spacing = first && second ? Math.hypot(first.x - second.x, first.y - second.y) : 0;
  const radius = discDiameterM === null ? null : discDiameterM / 2;
  return { rotors: drawn, radius, half: (reach + (radius ?? reach * 0.5)) * 1.04, spacing, gap: discDiameterM === null ? null : spacing - discDiameterM, body: reach * 0.52 };
}
