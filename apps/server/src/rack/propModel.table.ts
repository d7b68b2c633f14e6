import { hands, materials, mountKinds, pieceLimits, planforms, propModelLimits, tipShapes } from '@zivvo/contract';
import { doublePrecision, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { oneOf, rowColumns, within, workshopColumn } from '../database/columns.ts';
import { moment } from '../database/moment.ts';

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
    planform: text().$type<(typeof planforms)[number]>(),
    chord75M: doublePrecision('chord75_m'),
    angle75Rad: doublePrecision('angle75_rad'),
    labelHand: text().$type<(typeof hands)[number]>(),
    measuredDiameterM: doublePrecision(),
    measuredMassKg: doublePrecision(),
    speedLimitRpm: doublePrecision(),
    boreDiameterM: doublePrecision(),
    mountKind: text().$type<(typeof mountKinds)[number]>(),
    hubThicknessM: doublePrecision(),
    cwLetters: text(),
    ccwLetters: text(),
    cutFromModelId: uuid(),
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
    oneOf('prop_model', 'mount_kind', t.mountKind, mountKinds),
    within('prop_model', 'hub_thickness_m', t.hubThicknessM, pieceLimits.hubThicknessM),
    within('prop_model', 'bag_price', t.bagPrice, propModelLimits.bagPrice),
    within('prop_model', 'bag_count', t.bagCount, propModelLimits.bagCount),
    within('prop_model', 'wanted_count', t.wantedCount, propModelLimits.wantedCount),
    oneOf('prop_model', 'tip_shape', t.tipShape, tipShapes),
    oneOf('prop_model', 'planform', t.planform, planforms),
    within('prop_model', 'chord75_m', t.chord75M, propModelLimits.chord75M),
    within('prop_model', 'angle75_rad', t.angle75Rad, propModelLimits.angle75Rad),
    oneOf('prop_model', 'material', t.material, materials),
    oneOf('prop_model', 'label_hand', t.labelHand, hands),
  ],
);

/** Projection: pieces of each hand, as last counted. */
export const stockLevel = pgTable(
  'stock_level',
  {
    propModelId: uuid()
      .primaryKey()
      .references(() => propModel.id),
    workshopId: workshopColumn(),
    cwCount: integer().notNull(),
    ccwCount: integer().notNull(),
    countedAt: moment().notNull(),
  },
  (t) => [index().on(t.workshopId)],
);
