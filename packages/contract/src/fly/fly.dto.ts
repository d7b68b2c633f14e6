import 'reflect-metadata';
import { CreateFlightDto } from '../care/care.dto.ts';
import { pieceLimits, rotorPlaces } from '../rack/limits.ts';
import { NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Digest, Flag, Id, Inside, ListOf, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { flightViews, flyLimits, motorTouches, opinionTopics } from './limits.ts';

/** One climb; without a time where the angle could not be held. */
export class FlownClimbDto {
  @Nullable()
  @Within(flyLimits.climbDurationS)
  durationS!: number | null;
}

export class FlownPassDto {
  @Within(flyLimits.groundSpeedMPerS)
  groundSpeedMPerS!: number;

  /** Made good over ground, clockwise from north. */
  @Within(flyLimits.trackDegrees)
  trackDegrees!: number;

  @Within(flyLimits.throttleRatio)
  throttleRatio!: number;

  @Nullable()
  @Within(flyLimits.currentA)
  currentA!: number | null;
}

/** A motor within twenty seconds of landing: a number, or how it felt. */
export class MotorHeatDto {
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number];

  @WholeWithin(pieceLimits.level)
  level!: number;

  @Nullable()
  @Within(flyLimits.motorTemperatureC)
  temperatureC!: number | null;

  @Nullable()
  @OneOf(motorTouches)
  touch!: (typeof motorTouches)[number] | null;
}

export class OpinionDto {
  @OneOf(opinionTopics)
  topic!: (typeof opinionTopics)[number];

  @WholeWithin(flyLimits.stars)
  stars!: number;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  words!: string | null;
}

/** How climbs are flown; each change is another version. */
export class FlightProtocolDto {
  @Within(flyLimits.angleDegrees)
  angleDegrees!: number;

  @Within(flyLimits.heightM)
  lowerM!: number;

  @Within(flyLimits.heightM)
  upperM!: number;
}

/** A card: one flight by protocol. It is the flight of Care's log as well, entered once. */
export class CreateFlightCardDto {
  @Id()
  id!: string;

  @Inside(() => CreateFlightDto)
  flight!: CreateFlightDto;

  @Id()
  propModelId!: string;

  @OneOf(flightViews)
  view!: (typeof flightViews)[number];

  @Within(flyLimits.payloadKg)
  payloadKg!: number;

  @Nullable()
  @Within(flyLimits.restCellV)
  restCellV!: number | null;

  @Nullable()
  @Within(flyLimits.windMPerS)
  windMPerS!: number | null;

  @ListOf(() => FlownClimbDto, flyLimits.climbCount)
  climbs!: FlownClimbDto[];

  @ListOf(() => FlownPassDto, flyLimits.passCount)
  passes!: FlownPassDto[];

  @Nullable()
  @Within(flyLimits.throttleRatio)
  hoverThrottleRatio!: number | null;

  @Nullable()
  @Within(flyLimits.currentA)
  hoverCurrentA!: number | null;

  @Nullable()
  @Within(flyLimits.takeOffRollM)
  takeOffRollM!: number | null;

  @Nullable()
  @Within(flyLimits.usedAh)
  usedAh!: number | null;

  @ListOf(() => MotorHeatDto, flyLimits.motorCount)
  motors!: MotorHeatDto[];

  @ListOf(() => OpinionDto, flyLimits.opinionCount)
  opinions!: OpinionDto[];

  /** The log it was read from, stored under its digest. */
  @Nullable()
  @Digest()
  logSha256!: string | null;

  /** A first flight with these props is marked as not used to yet. */
  @Flag()
  isCarefulFirst!: boolean;
}
