import type { JudgeMattersDto, JudgeWeightsDto } from '@zivvo/contract';
import type { JudgeInput, Reason } from '@zivvo/core';
import { index, jsonb, pgTable, text, unique, uuid } from 'drizzle-orm/pg-core';
import { craft } from '../craft/craft.table.ts';
import { rowColumns } from '../database/columns.ts';
import { propModel } from '../rack/propModel.table.ts';

/** What one person wants of a craft's props; nobody is a person too. */
export const judgeWishes = pgTable(
  'judge_wishes',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    weights: jsonb().$type<JudgeWeightsDto>().notNull(),
    matters: jsonb().$type<JudgeMattersDto>().notNull(),
    addedPropModelIds: jsonb().$type<string[]>().notNull(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.personId),
    unique('judge_wishes_unique').on(t.craftId, t.personId).nullsNotDistinct(),
  ],
);

/** A verdict as it was kept, with all that it is made of. */
export const frozenVerdict = pgTable(
  'frozen_verdict',
  {
    ...rowColumns(),
    craftId: uuid()
      .notNull()
      .references(() => craft.id),
    input: jsonb().$type<JudgeInput>().notNull(),
    headline: jsonb().$type<Reason>().notNull(),
    winnerPropModelId: uuid().references(() => propModel.id),
    note: text(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.craftId, t.createdAt),
    index().on(t.personId),
    index().on(t.winnerPropModelId),
  ],
);
