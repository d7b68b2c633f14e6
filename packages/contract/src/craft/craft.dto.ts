import { ArrayMaxSize, ArrayUnique, IsArray, IsIn } from 'class-validator';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Id, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { craftKinds, craftLimits, estimableFields, packChemistries } from './limits.ts';

/** One aircraft with its powertrain. The layout of the rotors follows from kind and diagonal: an X quad for now. */
export class CraftDto {
  @Text(NAME_MAX_LENGTH)
  name!: string;

  @Nullable()
  @Text(NAME_MAX_LENGTH)
  ownerName!: string | null;

  @OneOf(craftKinds)
  kind!: (typeof craftKinds)[number];

  /** Take-off mass with pack and payload. */
  @Within(craftLimits.massKg)
  massKg!: number;

  /** Distance between two opposite motors. */
  @Within(craftLimits.diagonalM)
  diagonalM!: number;

  /** Largest disc that clears the frame, wires, antennas and camera view. */
  @Nullable()
  @Within(craftLimits.clearanceDiameterM)
  clearanceDiameterM!: number | null;

  @Text(60)
  motorLabel!: string;

  @Within(craftLimits.statorDiameterM)
  statorDiameterM!: number;

  @Within(craftLimits.statorHeightM)
  statorHeightM!: number;

  @Within(craftLimits.kvRpmPerV)
  kvRpmPerV!: number;

  @Within(craftLimits.motorResistanceOhm)
  motorResistanceOhm!: number;

  @Within(craftLimits.motorNoLoadCurrentA)
  motorNoLoadCurrentA!: number;

  @Within({ min: 0.0005, max: 5 })
  motorMassKg!: number;

  /** Fields above that still hold the estimate from the motor's size. */
  @IsArray()
  @ArrayMaxSize(estimableFields.length)
  @ArrayUnique()
  @IsIn([...estimableFields], { each: true, context: { allowed: estimableFields.join(', ') } })
  estimatedFields!: (typeof estimableFields)[number][];

  @Nullable()
  @Within(craftLimits.limitA)
  motorLimitA!: number | null;

  @Nullable()
  @Within(craftLimits.limitA)
  escLimitA!: number | null;

  @OneOf(packChemistries)
  packChemistry!: (typeof packChemistries)[number];

  @WholeWithin(craftLimits.seriesCount)
  packSeriesCount!: number;

  @WholeWithin(craftLimits.parallelCount)
  packParallelCount!: number;

  @Within(craftLimits.capacityAh)
  packCapacityAh!: number;

  /** The prop it has now, against which others are held. */
  @Nullable()
  @Id()
  referencePropModelId!: string | null;

  /** What the flying must feel like, and anything else. */
  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

export class CreateCraftDto extends CraftDto {
  @Id()
  id!: string;
}

export class UpdateCraftDto extends CraftDto {
  @WholeWithin({ min: 1, max: 1_000_000_000 })
  revision!: number;
}
