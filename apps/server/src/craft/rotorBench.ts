import { Injectable } from '@nestjs/common';
import { carrySpeedRpm, CoefficientTables, pickBench, pickCraftOf, STANDARD_ROTOR_AIR, type PickBench, type PropGeometry } from '@zivvo/core';

const USUAL_AIR_C = 15;
/** Tips of a prop that never carries its craft are taken to run at this speed [m/s]. */
const FALLBACK_TIP_M_PER_S = 100;

/** What of a craft its rotors need. */
type PickedCraft = Parameters<typeof pickCraftOf>[0];

/** Rotors of craft in the standard air; the tables are shared by all requests. */
@Injectable()
export class RotorBench {
  private readonly tables = new CoefficientTables(STANDARD_ROTOR_AIR);

  of(craft: PickedCraft): PickBench {
    return pickBench(pickCraftOf(craft, USUAL_AIR_C), this.tables);
  }

  /** Speed at which a prop carries the craft; where it never does, that of a tip at 100 m/s. */
  hoverSpeedRpm(craft: PickedCraft, geometry: PropGeometry): number {
    return carrySpeedRpm(this.of(craft), { ...geometry, massKg: null }) ?? (60 * FALLBACK_TIP_M_PER_S) / (Math.PI * geometry.diameterM);
  }
}
