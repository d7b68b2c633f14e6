import 'reflect-metadata';
import { simulatedFaults, type SimulatedFault } from '@zivvo/core';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsNumber, Max, Min } from 'class-validator';
import { Id, Nullable, OneOf, Within } from '../shared/rules.ts';
import { LADDER_MAX_COUNT, liveCommandNames, ladderLimits, type LiveCommandName } from './limits.ts';

/** Puts a prop on the live stand. */
export class StartLiveRunDto {
  /** Of the run. */
  @Id()
  id!: string;

  @Id()
  propModelId!: string;

  @Nullable()
  @Id()
  packPieceId!: string | null;
}

/** The browser tab that speaks. */
export class LiveTabDto {
  @Id()
  tabId!: string;
}

export class LiveCommandDto extends LiveTabDto {
  @OneOf(liveCommandNames)
  name!: LiveCommandName;

  /** For `throttle`. */
  @Nullable()
  @Within({ min: 0, max: 1 })
  throttleRatio!: number | null;

  /** For `ladder`. */
  @Nullable()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(LADDER_MAX_COUNT)
  @IsNumber({ allowNaN: false, allowInfinity: false }, { each: true })
  @Min(0, { each: true })
  @Max(1, { each: true })
  throttles!: number[] | null;

  /** For `ladder`: time to settle at each step [s]. */
  @Nullable()
  @Within(ladderLimits.settleS)
  settleS!: number | null;

  /** For `arm`: somebody stated that a hardware stop is within reach. */
  @Nullable()
  @IsBoolean()
  hasHardwareStop!: boolean | null;

  /** For `fault`, on a simulated stand: what goes wrong; null mends it. */
  @Nullable()
  @OneOf(simulatedFaults)
  fault!: SimulatedFault | null;
}
