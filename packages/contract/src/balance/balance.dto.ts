import 'reflect-metadata';
import { ArrayMaxSize, IsArray, IsNumber, Max, Min } from 'class-validator';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Flag, Id, Inside, ListOf, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { applyDecorators, type PropertyRule } from '../shared/applyDecorators.ts';
import { balanceLimits, lookKinds, schoolNames, shakeTargetNames, sides } from './limits.ts';

/** A bounded list of bounded numbers. */
function NumbersWithin({ min, max }: { min: number; max: number }, most: number): PropertyRule {
  const each = { each: true, context: { min, max } };
  return applyDecorators(
    IsArray(),
    ArrayMaxSize(most, { context: { max: most } }),
    IsNumber({ allowNaN: false, allowInfinity: false }, each),
    Min(min, each),
    Max(max, each),
  );
}

/** A balancing rig and what it cannot show. */
export class RigDto {
  @Text(NAME_MAX_LENGTH)
  name!: string;

  /** Moment that its friction holds. */
  @Within(balanceLimits.unbalanceKgM)
  frictionKgM!: number;

  @Within(balanceLimits.borePlayM)
  borePlayM!: number;

  @Within(balanceLimits.largestM)
  largestM!: number;

  /** Of arbor and cones. */
  @Within(balanceLimits.inertiaKgM2)
  inertiaKgM2!: number;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

export class CreateRigDto extends RigDto {
  @Id()
  id!: string;
}

export class UpdateRigDto extends RigDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

/** One look at the shaft. */
export class LevelObservationDto {
  /** Moments of the tape that was on, by place. */
  @NumbersWithin(balanceLimits.momentKgM, balanceLimits.placeCount.max)
  tape!: number[];

  @OneOf(lookKinds)
  kind!: (typeof lookKinds)[number];

  @Nullable()
  @Within(balanceLimits.degrees)
  downDegrees!: number | null;

  @Nullable()
  @Within(balanceLimits.fallS)
  fallS!: number | null;
}

/** One swing that was tapped. */
export class SwingDto {
  @NumbersWithin(balanceLimits.tapS, balanceLimits.tapCount.max)
  tapsS!: number[];

  @Flag()
  isHalf!: boolean;

  @Within(balanceLimits.swingDegrees)
  startDegrees!: number;

  @Within(balanceLimits.momentKgM)
  tapeKgM!: number;

  @OneOf(sides)
  side!: (typeof sides)[number];
}

export class VibrationReadingDto {
  @Within(balanceLimits.amplitude)
  amplitude!: number;

  @Nullable()
  @Within(balanceLimits.phaseDegrees)
  phaseDegrees!: number | null;
}

/** One run with the sensor. */
export class VibrationRunDto {
  @Within(balanceLimits.trialKg)
  massKg!: number;

  @Within(balanceLimits.degrees)
  degrees!: number;

  @ListOf(() => VibrationReadingDto, balanceLimits.readingCount)
  readings!: VibrationReadingDto[];

  @Flag()
  isCheck!: boolean;
}

/** Something taken off or put on for good: what was seen, timed and weighed before it counts no more. */
export class CorrectionDto {
  @OneOf(schoolNames)
  school!: (typeof schoolNames)[number];

  /** As the places of tape count. */
  @WholeWithin(balanceLimits.placeCount)
  place!: number;

  /** How many observations and swings came before, and whether blades had been weighed. */
  @WholeWithin(balanceLimits.observationCount)
  observationCount!: number;

  @WholeWithin(balanceLimits.swingCount)
  swingCount!: number;

  @Flag()
  isWeighed!: boolean;
}

/** A single blade against its washers. */
export class SingleBladeDto {
  @Within(balanceLimits.bladeMassKg)
  bladeMassKg!: number;

  @Within(balanceLimits.centreOfMassM)
  centreOfMassM!: number;

  @Within(balanceLimits.washerMassKg)
  washerMassKg!: number;

  @Within(balanceLimits.centreOfMassM)
  washerRadiusM!: number;

  @WholeWithin(balanceLimits.washerCount)
  washerCount!: number;
}

/** What was seen, timed, weighed and measured of one piece; the whole of it is sent at each step. */
export class BalanceJobDto {
  @OneOf(shakeTargetNames)
  target!: (typeof shakeTargetNames)[number];

  @ListOf(() => LevelObservationDto, balanceLimits.observationCount)
  observations!: LevelObservationDto[];

  @ListOf(() => SwingDto, balanceLimits.swingCount)
  swings!: SwingDto[];

  @Nullable()
  @Within(balanceLimits.degrees)
  heavyDegrees!: number | null;

  @NumbersWithin(balanceLimits.bladeMomentKgM, balanceLimits.bladeCount.max)
  bladeMomentsKgM!: number[];

  @ListOf(() => VibrationRunDto, balanceLimits.runCount)
  runs!: VibrationRunDto[];

  @ListOf(() => CorrectionDto, balanceLimits.correctionCount)
  corrections!: CorrectionDto[];

  /** Of a prop with one blade; null until it was weighed. */
  @Nullable()
  @Inside(() => SingleBladeDto)
  singleBlade!: SingleBladeDto | null;

  /** Speed of the vibration runs. */
  @Nullable()
  @Within(balanceLimits.speedRpm)
  runSpeedRpm!: number | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

export class CreateBalanceJobDto {
  @Id()
  id!: string;

  @Id()
  pieceId!: string;

  @Id()
  rigId!: string;

  /** The craft it is balanced for. */
  @Id()
  craftId!: string;

  /** Whether somebody looked for cracks; asked of a piece that has flown. */
  @Flag()
  isLookedAt!: boolean;
}

export class UpdateBalanceJobDto extends BalanceJobDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

export const balanceJobEnds = ['trued', 'truedDynamic', 'sentBack'] as const;

/** The end of a job. */
export class FinishBalanceJobDto {
  @OneOf(balanceJobEnds)
  as!: (typeof balanceJobEnds)[number];

  /** What was put where, in words. */
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}
