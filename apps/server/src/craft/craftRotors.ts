import { Injectable } from '@nestjs/common';
import {
  carrySpeedRpm,
  carryThrustN,
  CoefficientTables,
  modelGeometry,
  needsBalancing,
  prepareCraft,
  pickCraftOf,
  STANDARD_ROTOR_AIR,
  USUAL_FORCE_SHARE,
  usualMassKg,
  wearSpeedRpm,
  type PreparedCraft,
  type PropGeometry,
  type StandCalibration,
} from '@zivvo/core';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import type { CraftRow } from './craft.repository.ts';

const USUAL_AIR_C = 15;
/** Tips of a prop that never carries its craft are taken to run at this speed [m/s]. */
const FALLBACK_TIP_M_PER_S = 100;
/** Speeds that are remembered. */
const SPEEDS_MOST = 2000;

/** What of a craft its rotors need. */
type PickedCraft = Parameters<typeof pickCraftOf>[0];

/** Rotors of craft in the standard air; the tables are shared by all requests. */
@Injectable()
export class CraftRotors {
  private readonly tables = new CoefficientTables(STANDARD_ROTOR_AIR);
  private readonly speeds = new Map<string, number>();

  /** @param calibration - what the craft's own runs say; null leaves the model as it is */
  of(craft: PickedCraft, calibration: StandCalibration | null = null): PreparedCraft {
    return prepareCraft(pickCraftOf(craft, USUAL_AIR_C), this.tables, calibration);
  }

  /** Whether a piece is worth balancing for a craft: one that needs none counts as done. */
  isBalancingNeeded(
    craft: CraftRow,
    model: PropModelRow,
    { diameterM, massKg }: { diameterM: number | null; massKg: number | null },
  ): boolean {
    const geometry = modelGeometry(model, { diameterM, massKg });
    const piece = { massKg: massKg ?? usualMassKg(geometry), diameterM: geometry.diameterM };
    return needsBalancing(
      { kind: 'byForce', shareRatio: USUAL_FORCE_SHARE },
      piece,
      { massKg: craft.massKg, hoverSpeedRpm: this.hoverSpeedRpm(craft, geometry) },
      carryThrustN(craft.massKg, craft.rotors.length),
    );
  }

  /** One speed that wears a prop as the craft is flown; where it never carries, that of a tip at 100 m/s. */
  wearSpeedRpm(craft: PickedCraft, geometry: PropGeometry): number {
    return this.speedOf('wear', wearSpeedRpm, craft, geometry);
  }

  /** Speed at which a prop carries the craft; where it never does, that of a tip at 100 m/s. */
  hoverSpeedRpm(craft: PickedCraft, geometry: PropGeometry): number {
    return this.speedOf('hover', carrySpeedRpm, craft, geometry);
  }

  /** A speed follows from the craft and the prop as they are described; pieces of one bag ask for the same one. */
  private speedOf(
    what: string,
    work: (craft: PreparedCraft, geometry: PropGeometry) => number | null,
    craft: PickedCraft,
    geometry: PropGeometry,
  ): number {
    const massless = { ...geometry, massKg: null };
    const key = `${what} ${JSON.stringify(pickCraftOf(craft, USUAL_AIR_C))} ${JSON.stringify(massless)}`;
    let speed = this.speeds.get(key);
    if (speed === undefined) {
      speed = work(this.of(craft), massless) ?? (60 * FALLBACK_TIP_M_PER_S) / (Math.PI * geometry.diameterM);
      if (this.speeds.size >= SPEEDS_MOST) this.speeds.clear();
      this.speeds.set(key, speed);
    }
    return speed;
  }
}
