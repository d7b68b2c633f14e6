import { count } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { rig } from '../balance/balance.table.ts';
import { drillAnswer, flight, flightPiece, gainSheet, jobTicket, modelAlert, strike, strikePiece, symptomCase, walkaround } from '../care/care.table.ts';
import { craft } from '../craft/craft.table.ts';
import { fitting } from '../fit/fit.table.ts';
import { propModel } from '../propModel/propModel.table.ts';
import { campaign, run } from '../stand/stand.table.ts';
import { airReading } from '../workshop/air.table.ts';
import { batch, pieceSet, propPiece } from '../piece/piece.table.ts';
import { motorPiece, packPiece, sparePart } from '../workshop/pieces.table.ts';
import { person } from '../workshop/workshop.table.ts';

export interface DemoRows {
  people: (typeof person.$inferInsert)[];
  propModels: (typeof propModel.$inferInsert)[];
  crafts: (typeof craft.$inferInsert)[];
  packs: (typeof packPiece.$inferInsert)[];
  air: (typeof airReading.$inferInsert)[];
  campaigns: (typeof campaign.$inferInsert)[];
  runs: (typeof run.$inferInsert)[];
  batches: (typeof batch.$inferInsert)[];
  pieces: (typeof propPiece.$inferInsert)[];
  sets: (typeof pieceSet.$inferInsert)[];
  fittings: (typeof fitting.$inferInsert)[];
  motors: (typeof motorPiece.$inferInsert)[];
  spares: (typeof sparePart.$inferInsert)[];
  rigs: (typeof rig.$inferInsert)[];
  walkarounds: (typeof walkaround.$inferInsert)[];
  flights: (typeof flight.$inferInsert)[];
  flightPieces: (typeof flightPiece.$inferInsert)[];
  strikes: (typeof strike.$inferInsert)[];
  strikePieces: (typeof strikePiece.$inferInsert)[];
  alerts: (typeof modelAlert.$inferInsert)[];
  gainSheets: (typeof gainSheet.$inferInsert)[];
  tickets: (typeof jobTicket.$inferInsert)[];
  cases: (typeof symptomCase.$inferInsert)[];
  drills: (typeof drillAnswer.$inferInsert)[];
}

export class DemoRepository {
  async isEmpty(db: DbOrTx): Promise<boolean> {
    const [row] = await db.select({ people: count() }).from(person);
    return (row?.people ?? 0) === 0;
  }

  async insert(tx: DbOrTx, rows: DemoRows): Promise<void> {
    await tx.insert(person).values(rows.people);
    await tx.insert(propModel).values(rows.propModels);
    await tx.insert(craft).values(rows.crafts);
    await tx.insert(packPiece).values(rows.packs);
    await tx.insert(airReading).values(rows.air);
    await tx.insert(campaign).values(rows.campaigns);
    await tx.insert(run).values(rows.runs);
    await tx.insert(batch).values(rows.batches);
    await tx.insert(propPiece).values(rows.pieces);
    await tx.insert(pieceSet).values(rows.sets);
    await tx.insert(fitting).values(rows.fittings);
    await tx.insert(motorPiece).values(rows.motors);
    await tx.insert(sparePart).values(rows.spares);
    await tx.insert(rig).values(rows.rigs);
    await tx.insert(walkaround).values(rows.walkarounds);
    await tx.insert(flight).values(rows.flights);
    await tx.insert(flightPiece).values(rows.flightPieces);
    await tx.insert(strike).values(rows.strikes);
    await tx.insert(strikePiece).values(rows.strikePieces);
    await tx.insert(modelAlert).values(rows.alerts);
    await tx.insert(gainSheet).values(rows.gainSheets);
    await tx.insert(jobTicket).values(rows.tickets);
    await tx.insert(symptomCase).values(rows.cases);
    await tx.insert(drillAnswer).values(rows.drills);
  }
}
