import { standLimits } from '@zivvo/contract';
import { doublePrecision, index, pgTable } from 'drizzle-orm/pg-core';
import { rowColumns, within } from '../database/columns.ts';

/** Readings of the workshop's air; the newest is today's. */
export const airReading = pgTable(
  'air_reading',
  {
    ...rowColumns(),
    temperatureC: doublePrecision().notNull(),
    pressurePa: doublePrecision().notNull(),
    humidityRatio: doublePrecision().notNull(),
  },
  (t) => [
    index().on(t.workshopId, t.createdAt),
    index().on(t.personId),
    within('air_reading', 'temperature_c', t.temperatureC, standLimits.temperatureC),
    within('air_reading', 'pressure_pa', t.pressurePa, standLimits.pressurePa),
    within('air_reading', 'humidity_ratio', t.humidityRatio, standLimits.humidityRatio),
  ],
);
