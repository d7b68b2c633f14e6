import 'reflect-metadata';
import { NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Flag, Id, ListOf, Nullable, OneOf, Text, WholeWithin } from '../shared/rules.ts';
import { pieceHands, pieceLimits, rotorPlaces, TAG_MAX_LENGTH } from '../piece/limits.ts';
import { armChecks, fitLimits, threads } from './limits.ts';
import { spins } from '../craft/limits.ts';

/** One hardware check that was done at an arm. */
export class ArmCheckDto {
  @OneOf(armChecks)
  what!: (typeof armChecks)[number];
}

/** What was seen at one arm. */
export class ArmStateDto {
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number];

  @WholeWithin(pieceLimits.level)
  level!: number;

  /** Spin as somebody saw it; null while it is only drawn. */
  @Nullable()
  @OneOf(spins)
  seenSpin!: (typeof spins)[number] | null;

  /** Hand of a piece without a tag; a tagged one knows its own. */
  @Nullable()
  @OneOf(pieceHands)
  hand!: (typeof pieceHands)[number] | null;

  @Flag()
  isLabelForward!: boolean;

  @Nullable()
  @OneOf(threads)
  thread!: (typeof threads)[number] | null;

  /** Hardware checks that were done. */
  @ListOf(() => ArmCheckDto, fitLimits.checkCount)
  checks!: ArmCheckDto[];
}

/** Everything that was seen on one craft; the whole of it is sent at each step. */
export class UpdateFittingDto {
  @ListOf(() => ArmStateDto, fitLimits.armCount)
  arms!: ArmStateDto[];

  @Flag()
  isHanging!: boolean;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;

  @WholeWithin({ min: 0, max: 1_000_000_000 })
  revision!: number;
}

/** A tagged piece onto an arm. */
export class FitPieceDto {
  @Text(TAG_MAX_LENGTH)
  tag!: string;

  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number];

  @WholeWithin(pieceLimits.level)
  level!: number;

  /** Tag read off the piece that comes off; asked for where one is on. */
  @Nullable()
  @Text(TAG_MAX_LENGTH)
  oldTag!: string | null;

  /** Why it is put on although it was refused. */
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  overrideReason!: string | null;
}

export class SwapPiecesDto {
  @Id()
  firstPieceId!: string;

  @Id()
  secondPieceId!: string;
}

/** Somebody looked at the whole craft and signs for it. */
export class ConfirmFittingDto {
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}
