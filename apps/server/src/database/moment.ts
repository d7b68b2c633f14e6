import { timestamp } from 'drizzle-orm/pg-core';

/** A moment, stored with its zone to the millisecond. */
export const moment = () => timestamp({ withTimezone: true, mode: 'date', precision: 3 });
