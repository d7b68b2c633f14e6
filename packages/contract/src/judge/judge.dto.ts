import 'reflect-metadata';
import { NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { EachId, Id, Inside, Nullable, Text, WholeWithin, Within } from '../shared/rules.ts';
import { WeightsDto } from '../craft/craft.dto.ts';
import { judgeLimits } from './limits.ts';

/** How much each wish counts, 0 to 10: those of Pick, and what Pick does not ask. */
export class JudgeWeightsDto extends WeightsDto {
  @Within(judgeLimits.weight)
  climb!: number;

  @Within(judgeLimits.weight)
  price!: number;

  @Within(judgeLimits.weight)
  usable!: number;

  @Within(judgeLimits.weight)
  life!: number;
}

/** Differences below which they do not matter: shares, decibels of sound, degrees of the motor. */
export class JudgeMattersDto {
  @Within(judgeLimits.matters)
  minutes!: number;

  @Within(judgeLimits.matters)
  thrust!: number;

  @Within(judgeLimits.matters)
  answer!: number;

  @Within(judgeLimits.matters)
  quiet!: number;

  @Within(judgeLimits.matters)
  speed!: number;

  @Within(judgeLimits.matters)
  cool!: number;

  @Within(judgeLimits.matters)
  gentle!: number;

  @Within(judgeLimits.matters)
  tough!: number;

  @Within(judgeLimits.matters)
  climb!: number;

  @Within(judgeLimits.matters)
  price!: number;

  @Within(judgeLimits.matters)
  usable!: number;

  @Within(judgeLimits.matters)
  life!: number;
}

/** What one person wants of one craft's props. */
export class JudgeWishesDto {
  /** Of the row, where there is none yet. */
  @Id()
  id!: string;

  /** Of the row that was seen; 0 where there was none. */
  @WholeWithin({ min: 0, max: 1_000_000_000 })
  revision!: number;

  @Inside(() => JudgeWeightsDto)
  weights!: JudgeWeightsDto;

  @Inside(() => JudgeMattersDto)
  matters!: JudgeMattersDto;

  /** Props that are judged though nothing was measured of them. */
  @EachId(judgeLimits.addedCount)
  addedPropModelIds!: string[];
}

/** Keeps the verdict as it is now, with all that it is made of. */
export class FreezeVerdictDto {
  @Id()
  id!: string;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}
