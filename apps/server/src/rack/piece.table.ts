import {
  boreFits,
  looks,
  pieceHands,
  pieceLimits,
  type pieceStates,
  type retirements,
  type rotorPlaces,
} from '@zivvo/contract';
import { boolean, doublePrecision, index, integer, pgTable, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns, within, workshopColumn } from '../database/columns.ts';
import { moment } from '../database/moment.ts';
import { propModel } from './propModel.table.ts';

/** One delivery of a model. */
export const batch = pgTable(
  'batch',
  {
    ...rowColumns(),
    propModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    /** Smallest step of the scale it was weighed on. */
    resolutionKg: doublePrecision().notNull(),
    /** Who sold it. */
    supplierName: text(),
    location: text(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId, t.createdAt),
    index().on(t.propModelId),
    index().on(t.personId),
    within('batch', 'resolution_kg', t.resolutionKg, pieceLimits.resolutionKg),
  ],
);

/** One physical propeller: what was measured and seen of it. Where it stands is in its projection. */
export const propPiece = pgTable(
  'prop_piece',
  {
    ...rowColumns(),
    /** Running number in the workshop, from which the tag follows. */
    serialNumber: integer().notNull(),
    tag: text().notNull(),
    propModelId: uuid()
      .notNull()
      .references(() => propModel.id),
    batchId: uuid().references(() => batch.id),
    hand: text().$type<(typeof pieceHands)[number]>().notNull(),
    massKg: doublePrecision(),
    diameterM: doublePrecision(),
    boreFit: text().$type<(typeof boreFits)[number]>(),
    look: text().$type<(typeof looks)[number]>(),
    hubThicknessM: doublePrecision(),
    droopM: doublePrecision(),
    colour: text(),
    /** Tags of the blades of a folding prop, in their order from the mark at the hub, a space between. */
    bladeTags: text(),
    note: text(),
    photoSha256: text(),
  },
  (t) => [
    uniqueIndex('prop_piece_tag_unique').on(t.workshopId, t.tag),
    index().on(t.propModelId),
    index().on(t.batchId),
    index().on(t.personId),
    oneOf('prop_piece', 'hand', t.hand, pieceHands),
    oneOf('prop_piece', 'bore_fit', t.boreFit, boreFits),
    oneOf('prop_piece', 'look', t.look, looks),
    within('prop_piece', 'mass_kg', t.massKg, pieceLimits.massKg),
    within('prop_piece', 'diameter_m', t.diameterM, pieceLimits.diameterM),
    within('prop_piece', 'hub_thickness_m', t.hubThicknessM, pieceLimits.hubThicknessM),
    within('prop_piece', 'droop_m', t.droopM, pieceLimits.droopM),
  ],
);

/** The pieces that belong on one craft together; which they are stands in their lives. */
export const pieceSet = pgTable(
  'piece_set',
  {
    ...rowColumns(),
    name: text().notNull(),
    craftId: uuid().references(() => craft.id),
    /** Since when it rests; null while it may fly. */
    restedAt: moment(),
  },
  (t) => [index().on(t.workshopId, t.name), index().on(t.craftId), index().on(t.personId)],
);

/** Projection: where a piece stands, replayed from its events. */
export const pieceLife = pgTable(
  'piece_life',
  {
    pieceId: uuid()
      .primaryKey()
      .references(() => propPiece.id),
    workshopId: workshopColumn(),
    state: text().$type<(typeof pieceStates)[number]>().notNull(),
    stateBefore: text().$type<(typeof pieceStates)[number]>(),
    retiredAs: text().$type<(typeof retirements)[number]>(),
    craftId: uuid().references(() => craft.id),
    place: text().$type<(typeof rotorPlaces)[number]>(),
    level: integer().notNull(),
    setId: uuid().references(() => pieceSet.id),
    location: text(),
    isTruedStatic: boolean().notNull(),
    isTruedDynamic: boolean().notNull(),
    touchedAt: moment().notNull(),
  },
  (t) => [
    index().on(t.workshopId, t.state),
    uniqueIndex('piece_life_arm_unique').on(t.craftId, t.place, t.level),
    index().on(t.setId),
  ],
);
