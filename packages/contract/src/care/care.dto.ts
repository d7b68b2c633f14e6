import 'reflect-metadata';
import { craftLimits } from '../craft/limits.ts';
import { pieceLimits, rotorPlaces } from '../rack/limits.ts';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Digest, Flag, Id, ListOf, Nullable, OneOf, SomeOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import {
  careLimits,
  carePlaces,
  carePolicies,
  causeNames,
  changeNames,
  drillKinds,
  findingKinds,
  gainAxes,
  gainPreconditions,
  lookSides,
  SEED_MAX_LENGTH,
  struckThings,
  symptomAnswers,
  symptomNames,
  symptomTestNames,
} from './limits.ts';

const REVISION = { min: 0, max: 1_000_000_000 };

/** How a craft's pieces are judged. */
export class CareSettingDto {
  @OneOf(carePolicies)
  policy!: (typeof carePolicies)[number];

  /** Folding or two-piece props: blades are changed in pairs. */
  @Flag()
  isFolding!: boolean;

  @WholeWithin(REVISION)
  revision!: number;
}

export class FindingDto {
  @OneOf(carePlaces)
  place!: (typeof carePlaces)[number];

  @OneOf(findingKinds)
  what!: (typeof findingKinds)[number];

  /** Which blade, counted from the mark at the hub; null where it is not told, or no blade's. */
  @Nullable()
  @WholeWithin(careLimits.blade)
  blade?: number | null;
}

/** One prop looked over. */
export class PropLookDto {
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number];

  @WholeWithin(pieceLimits.level)
  level!: number;

  @SomeOf(lookSides, 3)
  seen!: (typeof lookSides)[number][];

  @ListOf(() => FindingDto, careLimits.findingCount)
  findings!: FindingDto[];

  /** How it looks now, stored under its digest. */
  @Nullable()
  @Digest()
  photoSha256!: string | null;
}

export class CreateWalkaroundDto {
  @Id()
  id!: string;

  @Within(careLimits.walkDurationS)
  durationS!: number;

  @ListOf(() => PropLookDto, careLimits.lookCount)
  looks!: PropLookDto[];

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

/** An arm by its place. */
export class StruckArmDto {
  @OneOf(rotorPlaces)
  place!: (typeof rotorPlaces)[number];

  @WholeWithin(pieceLimits.level)
  level!: number;
}

/** Something was hit. */
export class StrikeDto {
  @Id()
  id!: string;

  @OneOf(struckThings)
  thing!: (typeof struckThings)[number];

  @Within(careLimits.throttleRatio)
  throttleRatio!: number;

  /** It came down by it. */
  @Flag()
  isCrash!: boolean;

  /** Arms whose props hit; their motors are asked about. */
  @ListOf(() => StruckArmDto, careLimits.armCount)
  arms!: StruckArmDto[];

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

/** A flight, as short as it can be told. */
export class CreateFlightDto {
  @Id()
  id!: string;

  @Within(careLimits.flightDurationS)
  durationS!: number;

  @Nullable()
  @Id()
  packPieceId!: string | null;

  @ListOf(() => StrikeDto, careLimits.strikeCount)
  strikes!: StrikeDto[];

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

/** An undamaged piece failed: all of its kind stay down until somebody releases them. */
export class CreateModelAlertDto {
  @Id()
  id!: string;

  @Id()
  propModelId!: string;

  /** Only one delivery; null for every piece of the model. */
  @Nullable()
  @Id()
  batchId!: string | null;

  @Text(NOTE_MAX_LENGTH)
  reason!: string;
}

export class ReleaseAlertDto {
  @Text(NOTE_MAX_LENGTH)
  reason!: string;
}

export class TestFlightDto {
  @OneOf(gainAxes)
  axis!: (typeof gainAxes)[number];

  @WholeWithin(careLimits.percent)
  percent!: number;

  @Flag()
  doesFlutter!: boolean;

  @Nullable()
  @Flag()
  doesReturn!: boolean | null;
}

/** Gains of one craft for one set, payload, guards and pack, in percent of stock. */
export class CreateGainSheetDto {
  @Id()
  id!: string;

  @Id()
  craftId!: string;

  @Id()
  oldPropModelId!: string;

  @Id()
  newPropModelId!: string;

  @Within(careLimits.payloadKg)
  payloadKg!: number;

  @Flag()
  hasGuards!: boolean;

  @WholeWithin(craftLimits.seriesCount)
  packSeriesCount!: number;

  @WholeWithin(careLimits.percent)
  pitchPercent!: number;

  @WholeWithin(careLimits.percent)
  rollPercent!: number;

  @WholeWithin(careLimits.percent)
  yawPercent!: number;

  @WholeWithin(careLimits.percent)
  verticalPercent!: number;
}

export class UpdateGainSheetDto {
  @SomeOf(gainPreconditions, 3)
  checks!: (typeof gainPreconditions)[number][];

  @ListOf(() => TestFlightDto, careLimits.testFlightCount)
  testFlights!: TestFlightDto[];

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;

  @WholeWithin(REVISION)
  revision!: number;
}

/** Work on somebody else's craft, on one page. */
export class JobTicketDto {
  @Nullable()
  @Text(NAME_MAX_LENGTH)
  ownerName!: string | null;

  @Text(NOTE_MAX_LENGTH)
  complaint!: string;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  found!: string | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  done!: string | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  parts!: string | null;

  @Nullable()
  @WholeWithin(careLimits.minutes)
  minutes!: number | null;

  @Flag()
  isClosed!: boolean;
}

export class CreateJobTicketDto extends JobTicketDto {
  @Id()
  id!: string;

  @Id()
  craftId!: string;
}

export class UpdateJobTicketDto extends JobTicketDto {
  @WholeWithin(REVISION)
  revision!: number;
}

export class SymptomAnswerDto {
  @OneOf(symptomTestNames)
  test!: (typeof symptomTestNames)[number];

  @OneOf(symptomAnswers)
  answer!: (typeof symptomAnswers)[number];
}

/** What is known of a craft that does not fly well. */
export class SymptomCaseDto {
  @SomeOf(symptomNames, careLimits.symptomCount.max)
  symptoms!: (typeof symptomNames)[number][];

  /** What changed since it last flew well; null while nobody was asked. */
  @Nullable()
  @SomeOf(changeNames, careLimits.changeCount.max)
  changes!: (typeof changeNames)[number][] | null;

  @ListOf(() => SymptomAnswerDto, careLimits.answerCount)
  answers!: SymptomAnswerDto[];

  /** What it turned out to be; closes the case. */
  @Nullable()
  @OneOf(causeNames)
  mendedCause!: (typeof causeNames)[number] | null;

  @WholeWithin(REVISION)
  revision!: number;
}

export class DrillAnswerDto {
  @Id()
  id!: string;

  @OneOf(drillKinds)
  kind!: (typeof drillKinds)[number];

  @Text(SEED_MAX_LENGTH)
  seed!: string;

  @WholeWithin(careLimits.optionIndex)
  chosen!: number;

  /** The craft whose arms were asked about; null for a usual one. */
  @Nullable()
  @Id()
  craftId?: string | null;
}
