import 'reflect-metadata';
import { standQuantityNames, type ReadingKind, type StandQuantity } from '@zivvo/core';
import { ArrayMaxSize, IsArray, IsString, Matches, MaxLength, registerDecorator } from 'class-validator';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Id, Inside, ListOf, Nullable, OneOf, SomeOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import {
  CELL_MAX_LENGTH,
  COLUMN_MAX_COUNT,
  IMPORT_RUN_MAX_COUNT,
  RECIPE_HEADER_MAX_LENGTH,
  SAMPLE_COLUMN_MAX_COUNT,
  STEP_MAX_COUNT,
  readingLimits,
  standLimits,
} from './limits.ts';

/** A stand evening for one craft: reference, air, gate. */
export class CampaignDto {
  @Text(NAME_MAX_LENGTH)
  name!: string;

  @Nullable()
  @Id()
  referencePropModelId!: string | null;

  @Within(standLimits.temperatureC)
  temperatureC!: number;

  /** Station pressure, not reduced to sea level. */
  @Within(standLimits.pressurePa)
  pressurePa!: number;

  @Within(standLimits.humidityRatio)
  humidityRatio!: number;

  /** Resting volts per cell under which a run does not count. */
  @Nullable()
  @Within(standLimits.cellV)
  gateCellV!: number | null;

  /** What else may bear on the numbers: cage, wall, cart, distance to the ground. */
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

export class CreateCampaignDto extends CampaignDto {
  @Id()
  id!: string;

  @Id()
  craftId!: string;
}

export class UpdateCampaignDto extends CampaignDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

const READING_KINDS: readonly ReadingKind[] = ['settledMean', 'peakHold'];

/** A column of the typing grid or of an import. */
export class RunColumnDto {
  @Nullable()
  @OneOf(standQuantityNames)
  quantity!: StandQuantity | null;

  @IsString()
  @MaxLength(12)
  unitSymbol!: string;

  @OneOf(READING_KINDS)
  readingKind!: ReadingKind;
}

/** The typing grid exactly as it stands on the page, unread cells and all. */
export class RunDraftDto {
  @ListOf(() => RunColumnDto, { min: 0, max: COLUMN_MAX_COUNT })
  columns!: RunColumnDto[];

  /** Rows of cell texts, in the order of the columns. */
  @IsArray()
  @ArrayMaxSize(STEP_MAX_COUNT)
  @IsArray({ each: true })
  @DraftCells()
  cells!: string[][];

  @IsString()
  @MaxLength(CELL_MAX_LENGTH)
  restingCell!: string;

  @IsString()
  @MaxLength(CELL_MAX_LENGTH)
  zeroBefore!: string;

  @IsString()
  @MaxLength(CELL_MAX_LENGTH)
  zeroAfter!: string;
}

export class SaveDraftDto extends RunDraftDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

export class CreateRunDto {
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

  /** The kept run that this one corrects; it is of the same kit. */
  @Nullable()
  @Id()
  replacesRunId!: string | null;

  @Inside(() => RunDraftDto)
  draft!: RunDraftDto;
}

/** One throttle point, SI. */
export class StandStepDto implements Record<StandQuantity, number | null> {
  @Within(readingLimits.throttleRatio) throttleRatio!: number;
  @Within(readingLimits.thrustN) thrustN!: number;
  @Nullable() @Within(readingLimits.speedRpm) speedRpm!: number | null;
  @Nullable() @Within(readingLimits.currentA) currentA!: number | null;
  @Nullable() @Within(readingLimits.voltageV) voltageV!: number | null;
  @Nullable() @Within(readingLimits.powerW) powerW!: number | null;
  @Nullable() @Within(readingLimits.torqueNm) torqueNm!: number | null;
  @Nullable() @Within(readingLimits.temperatureC) temperatureC!: number | null;
  @Nullable() @Within(readingLimits.vibrationMPerS2) vibrationMPerS2!: number | null;
  @Nullable() @Within(readingLimits.levelDb) levelDb!: number | null;
}

export class ReadingKindDto {
  @OneOf(standQuantityNames)
  quantity!: StandQuantity;

  @OneOf(READING_KINDS)
  readingKind!: ReadingKind;
}

/** Readings of a run, ready to be kept. */
export class RunReadingsDto {
  @ListOf(() => StandStepDto, { min: 1, max: STEP_MAX_COUNT })
  steps!: StandStepDto[];

  @ListOf(() => ReadingKindDto, { min: 0, max: COLUMN_MAX_COUNT })
  readingKinds!: ReadingKindDto[];

  @Nullable()
  @Within(standLimits.cellV)
  restingCellV!: number | null;

  @Nullable()
  @Within(standLimits.zeroN)
  zeroBeforeN!: number | null;

  @Nullable()
  @Within(standLimits.zeroN)
  zeroAfterN!: number | null;

  @Nullable()
  @Id()
  packPieceId!: string | null;
}

export class KeepRunDto extends RunReadingsDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}

export class ImportedRunDto extends RunReadingsDto {
  @Id()
  id!: string;

  @Id()
  propModelId!: string;
}

/** How the columns under a row of headers were read: offered again where the same headers come back. */
export class ImportRecipeDto {
  @Text(RECIPE_HEADER_MAX_LENGTH)
  header!: string;

  /** A column that holds nothing and has a unit is the time. */
  @ListOf(() => RunColumnDto, { min: 1, max: SAMPLE_COLUMN_MAX_COUNT })
  columns!: RunColumnDto[];
}

/** Runs read from one file or paste: all are kept or none. */
export class ImportRunsDto {
  @ListOf(() => ImportedRunDto, { min: 1, max: IMPORT_RUN_MAX_COUNT })
  runs!: ImportedRunDto[];

  /** Kit of the craft whose motor or pack they were run on; null as the craft is described. */
  @Nullable()
  @Id()
  kitId?: string | null;

  /** The raw text as dropped or pasted, kept beside what was read from it. */
  @Nullable()
  @Matches(/^[0-9a-f]{64}$/, { context: { allowed: 'SHA-256' } })
  blobSha256!: string | null;

  /** To be remembered; null for a table without headers. */
  @Nullable()
  @Inside(() => ImportRecipeDto)
  recipe!: ImportRecipeDto | null;
}

/** Begins the import of a logger's samples: room for them, before the run that they belong to is kept. */
export class BeginSamplesDto {
  /** Of the recording that takes them. */
  @Id()
  id!: string;

  @Id()
  campaignId!: string;

  @SomeOf(standQuantityNames, standQuantityNames.length)
  quantities!: StandQuantity[];
}

export class AttachBlobDto {
  @Matches(/^[0-9a-f]{64}$/, { context: { allowed: 'SHA-256' } })
  blobSha256!: string;
}

/** Cells of the grid: rows of short texts, no more a row than there may be columns. */
function DraftCells(): PropertyDecorator {
  return (target, propertyKey) => {
    draftCellsRule(target, propertyKey as string);
  };
}

function draftCellsRule(target: object, propertyName: string): void {
  registerDecorator({
    name: 'draftCells',
    target: target.constructor,
    propertyName,
    options: {
      message: `cells must be rows of at most ${COLUMN_MAX_COUNT} texts of at most ${CELL_MAX_LENGTH} characters`,
      context: { columns: COLUMN_MAX_COUNT, characters: CELL_MAX_LENGTH },
    },
    validator: {
      validate: (rows: unknown) =>
        Array.isArray(rows) &&
        rows.every(
          (row) =>
            Array.isArray(row) &&
            row.length <= COLUMN_MAX_COUNT &&
            row.every((cell) => typeof cell === 'string' && cell.length <= CELL_MAX_LENGTH),
        ),
    },
  });
}
