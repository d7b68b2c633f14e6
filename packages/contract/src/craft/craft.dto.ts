import 'reflect-metadata';
import { ArrayMaxSize, ArrayUnique, IsArray, IsIn } from 'class-validator';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Id, Inside, ListOf, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { craftLimits, estimableFields, layouts, packChemistries, spinTables, spins, uses } from './limits.ts';

/** One arm that was measured: where its shaft is, and how it turns. */
export class ArmDto {
  @Within(craftLimits.armM)
  xM!: number;

  @Within(craftLimits.armM)
  yM!: number;

  @OneOf(spins)
  spin!: (typeof spins)[number];
}

/** Another pack of a kit. */
export class KitPackDto {
  @OneOf(packChemistries)
  chemistry!: (typeof packChemistries)[number];

  @WholeWithin(craftLimits.seriesCount)
  seriesCount!: number;

  @Within(craftLimits.capacityAh)
  capacityAh!: number;
}

/** Other motors of a kit. */
export class KitMotorDto {
  @Text(60)
  label!: string;

  @Within(craftLimits.statorDiameterM)
  statorDiameterM!: number;

  @Within(craftLimits.statorHeightM)
  statorHeightM!: number;

  @Within(craftLimits.kvRpmPerV)
  kvRpmPerV!: number;
}

/** One way in which the airframe flies: what differs from how it is described. */
export class KitDto {
  @Id()
  id!: string;

  @Text(NAME_MAX_LENGTH)
  name!: string;

  /** Beside the described take-off mass; negative where something is left off. */
  @Within(craftLimits.addedMassKg)
  addedMassKg!: number;

  @Nullable()
  @Inside(() => KitPackDto)
  pack!: KitPackDto | null;

  @Nullable()
  @Inside(() => KitMotorDto)
  motor!: KitMotorDto | null;

  @Nullable()
  @Within(craftLimits.limitA)
  escLimitA!: number | null;
}

/** One aircraft with its powertrain. Where the rotors are follows from the layout, its distance and measured arms. */
export class CraftDto {
  @Text(NAME_MAX_LENGTH)
  name!: string;

  @Nullable()
  @Text(NAME_MAX_LENGTH)
  ownerName!: string | null;

  @OneOf(layouts)
  layout!: (typeof layouts)[number];

  /** Take-off mass with pack and payload. */
  @Within(craftLimits.massKg)
  massKg!: number;

  /** Twice the distance from the centre to a motor; twins: between the shafts. Null where the layout has none. */
  @Nullable()
  @Within(craftLimits.diagonalM)
  diagonalM!: number | null;

  /** Arms of a measured layout; null for the others. */
  @Nullable()
  @ListOf(() => ArmDto, craftLimits.armCount)
  arms!: ArmDto[] | null;

  /** The controller's table: props in, props out, or rotor by rotor. */
  @Nullable()
  @OneOf(spinTables)
  spinTable!: (typeof spinTables)[number] | null;

  /** Of an own table: the spin of every rotor, in the order of the layout. */
  @Nullable()
  @IsArray()
  @ArrayMaxSize(craftLimits.armCount.max)
  @IsIn([...spins], { each: true })
  ownSpins!: (typeof spins)[number][] | null;

  /** Turns of the motors for one of their shafts, negative where one stage reverses them; null without gears. */
  @Nullable()
  @Within(craftLimits.gearRatio)
  gearRatio!: number | null;

  /** Largest disc that clears the frame, wires, antennas and camera view. */
  @Nullable()
  @Within(craftLimits.clearanceDiameterM)
  clearanceDiameterM!: number | null;

  /** Planes: height of the shaft over the ground, wheels pressed in. */
  @Nullable()
  @Within(craftLimits.freeM)
  groundClearanceM!: number | null;

  /** Planes: from the shaft to the nearest boom, tail or float. */
  @Nullable()
  @Within(craftLimits.freeM)
  boomClearanceM!: number | null;

  /** Of the shaft or adapter that a prop's bore goes over. */
  @Nullable()
  @Within(craftLimits.shaftDiameterM)
  shaftDiameterM!: number | null;

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

  /** The pack of the shelf that it flies with: what is known of that one stands for the fields here. */
  @Nullable()
  @Id()
  packPieceId?: string | null;

  /** Measured resistance of one series step. */
  @Nullable()
  @Within(craftLimits.cellResistanceOhm)
  packCellResistanceOhm?: number | null;

  /** Discharge rate as printed on the pack. */
  @Nullable()
  @Within(craftLimits.cRating)
  packCRating?: number | null;

  /** Draw of avionics, video and payload; null for a usual one of that weight. */
  @Nullable()
  @Within(craftLimits.standbyPowerW)
  standbyPowerW?: number | null;

  /** Thrust of a rotor in its duct over that of a free one: an assumption. Null without ducts. */
  @Nullable()
  @Within(craftLimits.ductThrustRatio)
  ductThrustRatio?: number | null;

  /** The prop it has now, against which others are held. */
  @Nullable()
  @Id()
  referencePropModelId!: string | null;

  /** Other ways in which it flies: payload on or off, other packs, other motors. */
  @Nullable()
  @ListOf(() => KitDto, craftLimits.kitCount)
  kits?: KitDto[] | null;

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

/** How much each wish counts, 0 to 10. */
export class WeightsDto {
  @Within(craftLimits.weight)
  minutes!: number;

  @Within(craftLimits.weight)
  thrust!: number;

  @Within(craftLimits.weight)
  answer!: number;

  @Within(craftLimits.weight)
  quiet!: number;

  @Within(craftLimits.weight)
  speed!: number;

  @Within(craftLimits.weight)
  cool!: number;

  @Within(craftLimits.weight)
  gentle!: number;

  @Within(craftLimits.weight)
  tough!: number;
}

/** What a craft is flown for, and weights where somebody changed the proposed ones. */
export class CraftUseDto {
  @OneOf(uses)
  use!: (typeof uses)[number];

  @Nullable()
  @Inside(() => WeightsDto)
  weights!: WeightsDto | null;
}
