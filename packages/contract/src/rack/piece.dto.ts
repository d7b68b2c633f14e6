import 'reflect-metadata';
import { ArrayMaxSize, ArrayMinSize, ArrayUnique, IsArray, IsUUID } from 'class-validator';
import { Transform } from 'class-transformer';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Digest, Flag, Id, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import {
  bearingFeels,
  boreFits,
  LOCATION_MAX_LENGTH,
  looks,
  PIECE_PAGE_MAX,
  pieceHands,
  pieceLimits,
  pieceStates,
  retirements,
  rotorPlaces,
  TAG_MAX_LENGTH,
} from './limits.ts';

/** A delivery of one model: how many of each hand came, and the scale they are weighed on. */
export class CreateBatchDto {
  @Id()
  id!: string;

  @Id()
  propModelId!: string;

  @WholeWithin(pieceLimits.batchCount)
  cwCount!: number;

  @WholeWithin(pieceLimits.batchCount)
  ccwCount!: number;

  @WholeWithin(pieceLimits.batchCount)
  eitherCount!: number;

  /** Smallest step of the scale. */
  @Within(pieceLimits.resolutionKg)
  resolutionKg!: number;

  /** Who sold it. */
  @Nullable()
  @Text(NAME_MAX_LENGTH)
  supplierName?: string | null;

  @Nullable()
  @Text(LOCATION_MAX_LENGTH)
  location!: string | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

/** What was measured and seen of one piece; written down row by row. Null is *not yet*. */
export class MeasurePieceDto {
  @Nullable()
  @Within(pieceLimits.massKg)
  massKg!: number | null;

  @Nullable()
  @Within(pieceLimits.diameterM)
  diameterM!: number | null;

  @Nullable()
  @OneOf(boreFits)
  boreFit!: (typeof boreFits)[number] | null;

  @Nullable()
  @OneOf(looks)
  look!: (typeof looks)[number] | null;
}

/** What else is known of a piece. */
export class DescribePieceDto extends MeasurePieceDto {
  @OneOf(pieceHands)
  hand!: (typeof pieceHands)[number];

  @Nullable()
  @Within(pieceLimits.hubThicknessM)
  hubThicknessM!: number | null;

  /** Droop of one blade under 50 g at its tip. */
  @Nullable()
  @Within(pieceLimits.droopM)
  droopM!: number | null;

  /** Tags of the blades of a folding prop, from the mark at the hub, a space between. */
  @Nullable()
  @Text(60)
  bladeTags?: string | null;

  @Nullable()
  @Text(NAME_MAX_LENGTH)
  colour!: string | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;

  /** Photo when new, as stored under its digest. */
  @Nullable()
  @Digest()
  photoSha256!: string | null;
}

/** What is known of a piece, over what was known when it was opened. */
export class UpdatePieceDto extends DescribePieceDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

export const pieceActionNames = [
  'checkIn',
  'true',
  'fit',
  'remove',
  'dress',
  'retire',
  'unretire',
  'move',
  'joinSet',
  'leaveSet',
] as const;

/** Something that happens to a piece; which of the other fields count follows from the action. */
export class PieceActionDto {
  @OneOf(pieceActionNames)
  action!: (typeof pieceActionNames)[number];

  @Nullable()
  @Flag()
  isDynamic!: boolean | null;

  @Nullable()
  @Id()
  craftId!: string | null;

  @Nullable()
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number] | null;

  @Nullable()
  @WholeWithin(pieceLimits.level)
  level!: number | null;

  @Nullable()
  @OneOf(retirements)
  as!: (typeof retirements)[number] | null;

  @Nullable()
  @Text(LOCATION_MAX_LENGTH)
  location!: string | null;

  @Nullable()
  @Id()
  setId!: string | null;

  /** Why, in words. */
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  reason!: string | null;
}

/** The same for many pieces at once. */
export class BulkPieceActionDto extends PieceActionDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(pieceLimits.bulkCount.max, { context: { max: pieceLimits.bulkCount.max } })
  @ArrayUnique()
  @IsUUID('all', { each: true })
  ids!: string[];
}

/** Which pieces to list. */
export class PieceQueryDto {
  @Nullable()
  @Text(60)
  words?: string | null;

  @Nullable()
  @OneOf(pieceStates)
  state?: (typeof pieceStates)[number] | null;

  @Nullable()
  @Id()
  propModelId?: string | null;

  @Nullable()
  @Id()
  batchId?: string | null;

  @Nullable()
  @Id()
  craftId?: string | null;

  @Nullable()
  @Id()
  setId?: string | null;

  /** Only what nobody touched for half a year. */
  @Nullable()
  @OneOf(['yes'])
  untouched?: string | null;

  @Nullable()
  @Transform(({ value }) => (value === undefined ? undefined : Number(value)))
  @WholeWithin({ min: 0, max: 100_000 })
  offset?: number | null;

  @Nullable()
  @Transform(({ value }) => (value === undefined ? undefined : Number(value)))
  @WholeWithin({ min: 1, max: PIECE_PAGE_MAX })
  limit?: number | null;
}

/** The pieces that belong on one craft together. */
export class PieceSetDto {
  @Text(NAME_MAX_LENGTH)
  name!: string;

  @Nullable()
  @Id()
  craftId!: string | null;
}

export class CreatePieceSetDto extends PieceSetDto {
  @Id()
  id!: string;
}

export class UpdatePieceSetDto extends PieceSetDto {
  /** Whether it rests; as it is when left out. */
  @Nullable()
  @Flag()
  isResting?: boolean | null;

  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

/** A physical motor. */
export class MotorPieceDto {
  @Text(TAG_MAX_LENGTH)
  tag!: string;

  @Nullable()
  @Id()
  craftId!: string | null;

  @Nullable()
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number] | null;

  @Within(pieceLimits.hours)
  hours!: number;

  @WholeWithin(pieceLimits.count)
  overLimitCount!: number;

  @WholeWithin(pieceLimits.count)
  strikeCount!: number;

  @Nullable()
  @OneOf(bearingFeels)
  bearing!: (typeof bearingFeels)[number] | null;

  /** Play of the shaft, and its run-out spun bare. */
  @Nullable()
  @Within(pieceLimits.runOutM)
  shaftPlayM!: number | null;

  @Nullable()
  @Within(pieceLimits.runOutM)
  shaftRunOutM!: number | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

export class CreateMotorPieceDto extends MotorPieceDto {
  @Id()
  id!: string;
}

export class UpdateMotorPieceDto extends MotorPieceDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

/** Small parts that get lost: screws, nuts, rings. */
export class SparePartDto {
  @Text(NAME_MAX_LENGTH)
  name!: string;

  @WholeWithin(pieceLimits.count)
  count!: number;

  /** How many go with one prop. */
  @WholeWithin({ min: 1, max: 12 })
  perPieceCount!: number;
}

export class CreateSparePartDto extends SparePartDto {
  @Id()
  id!: string;
}

export class UpdateSparePartDto extends SparePartDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}
