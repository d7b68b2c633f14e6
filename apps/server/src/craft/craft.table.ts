import { craftKinds, craftLimits, packChemistries, type estimableFields } from '@zivvo/contract';
import type { Rotor } from '@zivvo/core';
import { doublePrecision, index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { propModel } from '../propModel/propModel.table.ts';

/** One aircraft. `rotors` holds any multirotor: place, position, spin, coaxial level, gear. */
export const craft = pgTable(
  'craft',
  {
    ...rowColumns(),
    name: text().notNull(),
    ownerName: text(),
    kind: text().$type<(typeof craftKinds)[number]>().notNull(),
    massKg: doublePrecision().notNull(),
    diagonalM: doublePrecision().notNull(),
    clearanceDiameterM: doublePrecision(),
    /** Planes: free height under the prop's axis with the wheels pressed in. */
    groundClearanceM: doublePrecision(),
    rotors: jsonb().$type<Rotor[]>().notNull(),
    motorLabel: text().notNull(),
    statorDiameterM: doublePrecision().notNull(),
    statorHeightM: doublePrecision().notNull(),
    kvRpmPerV: doublePrecision().notNull(),
    motorResistanceOhm: doublePrecision().notNull(),
    motorNoLoadCurrentA: doublePrecision().notNull(),
    motorMassKg: doublePrecision().notNull(),
    estimatedFields: text().array().$type<(typeof estimableFields)[number][]>().notNull(),
    motorLimitA: doublePrecision(),
    escLimitA: doublePrecision(),
    packChemistry: text().$type<(typeof packChemistries)[number]>().notNull(),
    packSeriesCount: integer().notNull(),
    packParallelCount: integer().notNull(),
    packCapacityAh: doublePrecision().notNull(),
    referencePropModelId: uuid().references(() => propModel.id),
    note: text(),
  },
  (column) => [
    index().on(column.workshopId, column.name),
    index().on(column.referencePropModelId),
    index().on(column.personId),
    oneOf('craft', 'kind', column.kind, craftKinds),
    oneOf('craft', 'pack_chemistry', column.packChemistry, packChemistries),
    within('craft', 'mass_kg', column.massKg, craftLimits.massKg),
    within('craft', 'diagonal_m', column.diagonalM, craftLimits.diagonalM),
    within('craft', 'clearance_diameter_m', column.clearanceDiameterM, craftLimits.clearanceDiameterM),
    within('craft', 'ground_clearance_m', column.groundClearanceM, { min: 0.01, max: 3 }),
    within('craft', 'stator_diameter_m', column.statorDiameterM, craftLimits.statorDiameterM),
    within('craft', 'stator_height_m', column.statorHeightM, craftLimits.statorHeightM),
    within('craft', 'kv_rpm_per_v', column.kvRpmPerV, craftLimits.kvRpmPerV),
    within('craft', 'motor_resistance_ohm', column.motorResistanceOhm, craftLimits.motorResistanceOhm),
    within('craft', 'motor_no_load_current_a', column.motorNoLoadCurrentA, craftLimits.motorNoLoadCurrentA),
    within('craft', 'motor_mass_kg', column.motorMassKg, { min: 0.0005, max: 5 }),
    within('craft', 'motor_limit_a', column.motorLimitA, craftLimits.limitA),
    within('craft', 'esc_limit_a', column.escLimitA, craftLimits.limitA),
    within('craft', 'pack_series_count', column.packSeriesCount, craftLimits.seriesCount),
    within('craft', 'pack_parallel_count', column.packParallelCount, craftLimits.parallelCount),
    within('craft', 'pack_capacity_ah', column.packCapacityAh, craftLimits.capacityAh),
  ],
);
