import { checkLimits, type CheckPairDto } from '@zivvo/contract';
import { checkedQuantities, checkMethods, type CheckedQuantity, type CheckMethod } from '@zivvo/core';
import { boolean, doublePrecision, index, jsonb, pgTable, text } from 'drizzle-orm/pg-core';
import { oneOf, rowColumns, within } from '../database/columns.ts';

/** Checks of the stand's instruments; what was read stays, its correction is worked out from here. */
export const instrumentCheck = pgTable(
  'instrument_check',
  {
    ...rowColumns(),
    quantity: text().$type<CheckedQuantity>().notNull(),
    method: text().$type<CheckMethod>().notNull(),
    reachesBack: boolean().notNull(),
    armM: doublePrecision(),
    pairs: jsonb().$type<CheckPairDto[]>().notNull(),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.personId),
    oneOf('instrument_check', 'quantity', t.quantity, checkedQuantities),
    oneOf('instrument_check', 'method', t.method, [...new Set(Object.values(checkMethods).flat())]),
    within('instrument_check', 'arm_m', t.armM, checkLimits.armM),
  ],
);
