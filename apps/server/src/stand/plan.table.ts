import { planLimits, type PlannedRunDto } from '@zivvo/contract';
import { protocolKinds, type ProtocolKind } from '@zivvo/core';
import { doublePrecision, index, integer, jsonb, pgTable, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { oneOf, rowColumns, within } from '../database/columns.ts';
import { campaign } from './stand.table.ts';

/** What is to be run on a stand evening; what was run fills its places by itself. */
export const eveningPlan = pgTable(
  'evening_plan',
  {
    ...rowColumns(),
    campaignId: uuid()
      .notNull()
      .references(() => campaign.id),
    kind: text().$type<ProtocolKind>().notNull(),
    stepCount: integer().notNull(),
    holdS: doublePrecision().notNull(),
    /** Of own steps and of a hold; null for all others. */
    throttles: doublePrecision().array().$type<number[]>(),
    changeS: doublePrecision().notNull(),
    runsPerPack: integer().notNull(),
    runs: jsonb().$type<PlannedRunDto[]>().notNull(),
  },
  (t) => [
    index().on(t.workshopId),
    index().on(t.personId),
    uniqueIndex('evening_plan_campaign_unique').on(t.campaignId),
    oneOf('evening_plan', 'kind', t.kind, protocolKinds),
    within('evening_plan', 'step_count', t.stepCount, planLimits.stepCount),
    within('evening_plan', 'hold_s', t.holdS, planLimits.holdS),
    within('evening_plan', 'change_s', t.changeS, planLimits.changeS),
    within('evening_plan', 'runs_per_pack', t.runsPerPack, planLimits.runsPerPack),
  ],
);
