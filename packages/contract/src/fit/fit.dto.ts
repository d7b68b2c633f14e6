import 'reflect-metadata';
import { NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Digest, Flag, Inside, ListOf, Nullable, OneOf, Text, WholeWithin } from '../shared/rules.ts';
import { pieceHands, pieceLimits, rotorPlaces, TAG_MAX_LENGTH } from '../rack/limits.ts';
import { armChecks, fitLimits, OUTPUT_NAME_MAX_LENGTH, sideThrusts, spinSources, threads } from './limits.ts';
import { spins } from '../craft/limits.ts';

/** One hardware check that was done at an arm. */
export class ArmCheckDto {
  @OneOf(armChecks)
  what!: (typeof armChecks)[number];
}

/** One arm; of a pair its upper or lower rotor. */
export class ArmRefDto {
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number];

  @WholeWithin(pieceLimits.level)
  level!: number;
}

/** What was seen at one arm. */
export class ArmStateDto extends ArmRefDto {
  /** Spin as somebody saw it; null while it is only drawn. */
  @Nullable()
  @OneOf(spins)
  seenSpin!: (typeof spins)[number] | null;

  /** How it came to be known; left out where it is not. */
  @Nullable()
  @OneOf(spinSources)
  spinBy!: (typeof spinSources)[number] | null;

  /** What the controller calls this motor's output; Zivvo itself names arms by place. */
  @Nullable()
  @Text(OUTPUT_NAME_MAX_LENGTH)
  outputName!: string | null;

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

  /** Planes: where the motor points, seen by the pilot; null while nobody looked. */
  @Nullable()
  @OneOf(sideThrusts)
  sideThrust!: (typeof sideThrusts)[number] | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;

  @WholeWithin({ min: 0, max: 1_000_000_000 })
  revision!: number;
}

/** A tagged piece onto an arm. */
export class FitPieceDto extends ArmRefDto {
  @Text(TAG_MAX_LENGTH)
  tag!: string;

  /** Tag read off the piece that comes off; asked for where one is on, unless its mark was photographed. */
  @Nullable()
  @Text(TAG_MAX_LENGTH)
  oldTag!: string | null;

  /** Photo of the old mark, taken before the piece comes off. */
  @Nullable()
  @Digest()
  oldMarkSha256!: string | null;

  /** Why it is put on although it was refused. */
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  overrideReason!: string | null;
}

/** What sits on two arms changes places. */
export class SwapArmsDto {
  @Inside(() => ArmRefDto)
  first!: ArmRefDto;

  @Inside(() => ArmRefDto)
  second!: ArmRefDto;
}

/** Somebody looked at the whole craft and signs for it. */
export class ConfirmFittingDto {
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}
