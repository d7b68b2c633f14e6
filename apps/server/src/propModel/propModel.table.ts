import { hands, materials, propModelLimits, tipShapes } from '@zivvo/contract';
import { doublePrecision, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { oneOf, rowColumns, within } from '../database/columns.ts';

export const propModel = pgTable(
  'prop_model',
  {
    ...rowColumns(),
    label: text().notNull(),
    makerName: text(),
    diameterM: doublePrecision().notNull(),
    pitchM: doublePrecision().notNull(),
    bladeCount: integer().notNull(),
    tipShape: text().$type<(typeof tipShapes)[number]>().notNull(),
    material: text().$type<(typeof materials)[number]>().notNull(),
    labelHand: text().$type<(typeof hands)[number]>(),
    measuredDiameterM: doublePrecision(),
    measuredMassKg: doublePrecision(),
    speedLimitRpm: doublePrecision(),
    boreDiameterM: doublePrecision(),
    bagPrice: doublePrecision(),
    bagCount: integer(),
    colour: text(),
    note: text(),
    /** Decides colour and marker on every page; given once. */
    seriesIndex: integer().notNull(),
    /** Pieces to buy, and the craft they are for. */
    wantedCount: integer().notNull().default(0),
    wantedCraftId: uuid(),
  },
  (t) => [
    index().on(t.workshopId, t.label),
    index().on(t.personId),
    within('prop_model', 'diameter_m', t.diameterM, propModelLimits.diameterM),
    within('prop_model', 'pitch_m', t.pitchM, propModelLimits.pitchM),
    within('prop_model', 'blade_count', t.bladeCount, propModelLimits.bladeCount),
    within('prop_model', 'measured_diameter_m', t.measuredDiameterM, propModelLimits.diameterM),
    within('prop_model', 'measured_mass_kg', t.measuredMassKg, propModelLimits.massKg),
    within('prop_model', 'speed_limit_rpm', t.speedLimitRpm, propModelLimits.speedLimitRpm),
    within('prop_model', 'bore_diameter_m', t.boreDiameterM, propModelLimits.boreDiameterM),
    within('prop_model', 'bag_price', t.bagPrice, propModelLimits.bagPrice),
    within('prop_model', 'bag_count', t.bagCount, propModelLimits.bagCount),
    within('prop_model', 'wanted_count', t.wantedCount, propModelLimits.wantedCount),
    oneOf('prop_model', 'tip_shape', t.tipShape, tipShapes),
    oneOf('prop_model', 'material', t.material, materials),
    oneOf('prop_model', 'label_hand', t.labelHand, hands),
  ],
);
