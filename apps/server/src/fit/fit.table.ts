import { sideThrusts, type ArmStateDto } from '@zivvo/contract';
import { boolean, jsonb, pgTable, text, uniqueIndex, index, uuid } from 'drizzle-orm/pg-core';
import { craft } from '../craft/craft.table.ts';
import { oneOf, rowColumns } from '../database/columns.ts';

/** What was seen on a craft, arm by arm; which piece is where stands in the lives of the pieces. */
export const fitting = pgTable(
  'fitting',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    arms: jsonb().$type<ArmStateDto[]>().notNull(),
    isHanging: boolean().notNull(),
    sideThrust: text().$type<(typeof sideThrusts)[number]>(),
    note: text(),
  },
  (t) => [
    uniqueIndex('fitting_craft_unique').on(t.craftId),
    index().on(t.workshopId),
    index().on(t.personId),
    oneOf('fitting', 'side_thrust', t.sideThrust, sideThrusts),
  ],
);
