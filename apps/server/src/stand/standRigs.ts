import { Inject, Injectable } from '@nestjs/common';
import { estimateMotor, withKit, type CampaignInput } from '@zivvo/core';
import { NotFoundError } from '../common/featureError.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';

/** A craft's motor and cells as a prop is run on them. */
export interface StandRig {
  kitId: string | null;
  /** Of the kit; null for the craft as it is described, and for a kit that is gone. */
  name: string | null;
  /** The craft as the kit makes it. */
  craft: CraftRow;
  /** Its motors are not the described ones: what they do says nothing of those. */
  isOtherMotor: boolean;
  /** The craft has this kit no more: nobody knows what turned the props. */
  isGone: boolean;
}

/** A rig of a campaign with what is reduced of it. */
export interface RigInput {
  rig: StandRig;
  runCount: number;
  input: CampaignInput;
}

/** What props are run on: the motors and packs of a craft and of its kits. */
@Injectable()
export class StandRigs {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly crafts: CraftRepository,
  ) {}

  async of(craftId: string, kitId: string | null): Promise<StandRig> {
    return rigOf(await this.crafts.find(this.db, craftId), kitId);
  }

  /** @throws {NotFoundError} for a kit that the craft does not have */
  async require(craftId: string, kitId: string | null): Promise<void> {
    if (kitId !== null && (await this.of(craftId, kitId)).isGone) throw new NotFoundError('kit', kitId);
  }
}

/** A craft on one of its rigs. */
export function rigOf(craft: CraftRow, kitId: string | null): StandRig {
  const kit = craft.kits.find((k) => k.id === kitId);
  if (kitId === null || !kit) return { kitId, name: null, craft, isOtherMotor: kitId !== null, isGone: kitId !== null };
  const kitted = withKit(craft, {
    ...kit,
    pack: kit.pack ?? null,
    motor: kit.motor ?? null,
    escLimitA: kit.escLimitA ?? null,
  });
  const { resistanceOhm, noLoadCurrentA, massKg } = estimateMotor(
    kitted.statorDiameterM,
    kitted.statorHeightM,
    kitted.kvRpmPerV,
  );
  const motor = kit.motor
    ? { motorResistanceOhm: resistanceOhm, motorNoLoadCurrentA: noLoadCurrentA, motorMassKg: massKg }
    : {};
  return {
    kitId,
    name: kit.name,
    craft: { ...kitted, ...motor, estimatedFields: kitted.estimatedFields },
    isOtherMotor: kit.motor != null,
    isGone: false,
  };
}
