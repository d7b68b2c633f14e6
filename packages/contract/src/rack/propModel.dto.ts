import { MOST_PITCH_RATIO } from '@zivvo/core';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { AtMostTimes, Id, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { mountKinds, pieceLimits } from './limits.ts';
import { hands, materials, planforms, propModelLimits, tipShapes } from './propModelLimits.ts';

/** One model of propeller: its label as printed, what the label says, and what was measured beside it. */
export class PropModelDto {
  /** As moulded on the hub. */
  @Text(60)
  label!: string;

  @Nullable()
  @Text(NAME_MAX_LENGTH)
  makerName!: string | null;

  @Within(propModelLimits.diameterM)
  diameterM!: number;

  /** Beyond twice the diameter nothing is moulded, and no model says anything. */
  @AtMostTimes(MOST_PITCH_RATIO, 'diameterM')
  @Within(propModelLimits.pitchM)
  pitchM!: number;

  @WholeWithin(propModelLimits.bladeCount)
  bladeCount!: number;

  @OneOf(tipShapes)
  tipShape!: (typeof tipShapes)[number];

  @OneOf(materials)
  material!: (typeof materials)[number];

  /** How wide its blades look for their length; null while nobody said, which counts as usual. */
  @Nullable()
  @OneOf(planforms)
  planform?: (typeof planforms)[number] | null;

  /** Blade width at three quarters of the radius, measured. */
  @Nullable()
  @Within(propModelLimits.chord75M)
  chord75M?: number | null;

  /** Angle of the blade to the disc there, read off a gauge. */
  @Nullable()
  @Within(propModelLimits.angle75Rad)
  angle75Rad?: number | null;

  /** What the label says about the hand; null where it says nothing. */
  @Nullable()
  @OneOf(hands)
  labelHand!: (typeof hands)[number] | null;

  /** Measured values stand beside the label's, never over them. */
  @Nullable()
  @Within(propModelLimits.diameterM)
  measuredDiameterM!: number | null;

  @Nullable()
  @Within(propModelLimits.massKg)
  measuredMassKg!: number | null;

  /** The maker's speed limit. */
  @Nullable()
  @Within(propModelLimits.speedLimitRpm)
  speedLimitRpm!: number | null;

  /** Hole in the hub; a larger shaft needs it reamed, a smaller one a ring. */
  @Nullable()
  @Within(propModelLimits.boreDiameterM)
  boreDiameterM!: number | null;

  @Nullable()
  @OneOf(mountKinds)
  mountKind!: (typeof mountKinds)[number] | null;

  @Nullable()
  @Within(pieceLimits.hubThicknessM)
  hubThicknessM!: number | null;

  /** Letters that mean a hand on this maker's pieces, and no other's. */
  @Nullable()
  @Text(8)
  cwLetters!: string | null;

  @Nullable()
  @Text(8)
  ccwLetters!: string | null;

  /** The model that this one was cut from; the maker's limits do not hold for it. */
  @Nullable()
  @Id()
  cutFromModelId!: string | null;

  /** What a bag costs, in the workshop's money, and how many pieces are in it. */
  @Nullable()
  @Within(propModelLimits.bagPrice)
  bagPrice!: number | null;

  @Nullable()
  @WholeWithin(propModelLimits.bagCount)
  bagCount!: number | null;

  @Nullable()
  @Text(NAME_MAX_LENGTH)
  colour!: string | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

export class CreatePropModelDto extends PropModelDto {
  @Id()
  id!: string;
}

export class UpdatePropModelDto extends PropModelDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

/** Pieces of each hand, counted by hand. */
export class CountStockDto {
  @WholeWithin(propModelLimits.count)
  cwCount!: number;

  @WholeWithin(propModelLimits.count)
  ccwCount!: number;
}

/** Pieces that somebody wants to buy; none takes the wish back. */
export class WantDto {
  @WholeWithin(propModelLimits.wantedCount)
  count!: number;

  /** The craft they are for. */
  @Nullable()
  @Id()
  craftId!: string | null;
}
