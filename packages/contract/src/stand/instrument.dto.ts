import 'reflect-metadata';
import { checkedQuantities, checkMethods, type CheckedQuantity, type CheckMethod } from '@zivvo/core';
import { NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Flag, Id, ListOf, Nullable, OneOf, Text, Within } from '../shared/rules.ts';
import { checkLimits } from './limits.ts';

/** What the instrument showed beside what was there. */
export class CheckPairDto {
  @Within(checkLimits.reading)
  shown!: number;

  @Within(checkLimits.reading)
  actual!: number;
}

/** One check of an instrument of the stand; it is dated by when it is sent. */
export class CreateInstrumentCheckDto {
  @Id()
  id!: string;

  @OneOf(checkedQuantities)
  quantity!: CheckedQuantity;

  @OneOf([...new Set(Object.values(checkMethods).flat())])
  method!: CheckMethod;

  /** Whether what was read since the check before was read with the instrument as it was found. */
  @Flag()
  reachesBack!: boolean;

  /** Of a torque arm. */
  @Nullable()
  @Within(checkLimits.armM)
  armM!: number | null;

  @ListOf(() => CheckPairDto, checkLimits.pairCount)
  pairs!: CheckPairDto[];

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}
