import 'reflect-metadata';
import { simulatedFaults, type SimulatedFault } from '@zivvo/core';
import { IsBoolean, Matches } from 'class-validator';
import { Id, Inside, Nullable, OneOf, Within } from '../shared/rules.ts';
import { RunProtocolDto } from '../stand/plan.dto.ts';
import { DRIVEN_NAME, liveCommandNames, type LiveCommandName } from './limits.ts';

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

  /** Kit of the craft whose motor or pack it runs on; null as the craft is described. */
  @Nullable()
  @Id()
  kitId?: string | null;

  /** The driven stand that it is put on; null for the simulated one. */
  @Nullable()
  @Matches(DRIVEN_NAME, { context: { allowed: 'letters, digits, blank . - _' } })
  deviceName?: string | null;
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

  /** For `program`. */
  @Nullable()
  @Inside(() => RunProtocolDto)
  protocol!: RunProtocolDto | null;

  /** For `arm`: somebody stated that a hardware stop is within reach. */
  @Nullable()
  @IsBoolean()
  hasHardwareStop!: boolean | null;

  /** For `fault`, on a simulated stand: what goes wrong; null mends it. */
  @Nullable()
  @OneOf(simulatedFaults)
  fault!: SimulatedFault | null;
}
