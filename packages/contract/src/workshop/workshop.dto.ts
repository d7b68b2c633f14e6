import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Id, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { craftLimits, packChemistries } from '../craft/limits.ts';
import { standLimits } from '../stand/limits.ts';

export class CreatePersonDto {
  @Id()
  id!: string;

  @Text(NAME_MAX_LENGTH)
  name!: string;
}

/** The air in the workshop, read today. */
export class ReadAirDto {
  @Id()
  id!: string;

  @Within(standLimits.temperatureC)
  temperatureC!: number;

  @Within(standLimits.pressurePa)
  pressurePa!: number;

  @Within(standLimits.humidityRatio)
  humidityRatio!: number;
}

/** A physical pack with its tag. */
export class PackPieceDto {
  @Text(20)
  tag!: string;

  @OneOf(packChemistries)
  chemistry!: (typeof packChemistries)[number];

  @WholeWithin(craftLimits.seriesCount)
  seriesCount!: number;

  @WholeWithin(craftLimits.parallelCount)
  parallelCount!: number;

  @Within(craftLimits.capacityAh)
  capacityAh!: number;

  @Nullable()
  @Within(craftLimits.cellResistanceOhm)
  cellResistanceOhm!: number | null;

  /** Discharge rate as printed. */
  @Nullable()
  @Within(craftLimits.cRating)
  cRating?: number | null;

  /** Charges so far, as its charger or its owner counts them; null is not counted. */
  @Nullable()
  @WholeWithin({ min: 0, max: 10_000 })
  cycleCount?: number | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note?: string | null;
}

export class CreatePackPieceDto extends PackPieceDto {
  @Id()
  id!: string;
}

export class UpdatePackPieceDto extends PackPieceDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}
