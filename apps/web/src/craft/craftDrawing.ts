import type { Rotor, RotorPlace, Spin } from '@zivvo/core';

/** One shaft on the page, with the spins of its rotors, the upper one first. */
export interface DrawnShaft {
  place: RotorPlace;
  /** Right [m]. */
  x: number;
  /** Down the page, so toward the tail [m]. */
  y: number;
  spins: Spin[];
}

export interface Drawing {
  shafts: DrawnShaft[];
  radius: number | null;
  /** Half the side of a square that holds everything [m]. */
  half: number;
  /** The two nearest shafts and the free air between their discs [m]; null without discs or with one shaft. */
  gap: { from: DrawnShaft; to: DrawnShaft; freeM: number } | null;
  /** Size of the body that is drawn [m]. */
  body: number;
}

/** Places of everything on the top view, nose up, in metres. */
export function craftDrawing(rotors: readonly Rotor[], discDiameterM: number | null): Drawing {
  const shafts: DrawnShaft[] = [];
  for (const { place, xM, yM, spin } of rotors) {
    const shaft = shafts.find((s) => s.place === place);
    if (shaft) shaft.spins.push(spin);
    else shafts.push({ place, x: yM, y: -xM, spins: [spin] });
  }
  const radius = discDiameterM === null ? null : discDiameterM / 2;
  const reach = Math.max(...shafts.map((s) => Math.max(Math.abs(s.x), Math.abs(s.y))), (radius ?? 0) * 0.8, 0.01);
  return {
    shafts,
    radius,
    half: (reach + (radius ?? reach * 0.5)) * 1.04,
    gap: discDiameterM === null ? null : nearestGap(shafts, discDiameterM),
    body: reach * 0.52,
  };
}

function nearestGap(shafts: readonly DrawnShaft[], diameterM: number): Drawing['gap'] {
  let gap: Drawing['gap'] = null;
  shafts.forEach((from, i) => {
    for (const to of shafts.slice(i + 1)) {
      const freeM = Math.hypot(from.x - to.x, from.y - to.y) - diameterM;
      if (gap === null || freeM < gap.freeM - 1e-9) gap = { from, to, freeM };
    }
  });
  return gap;
}
