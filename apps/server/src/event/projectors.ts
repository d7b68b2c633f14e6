import { Injectable } from '@nestjs/common';
import type { DbOrTx } from '../database/database.ts';
import type { Fact, FactKind } from './facts.ts';

/** When and in which workshop something happened. */
export interface Occasion {
  at: Date;
  workshopId: string;
}

/** A table that follows from facts alone: emptied and replayed it is what it was. */
export interface Projector {
  name: string;
  /** What follows from each kind of fact, inside the transaction that records it. */
  apply: { [K in FactKind]?: (tx: DbOrTx, fact: Fact<K>, occasion: Occasion) => Promise<void> };
  reset(tx: DbOrTx): Promise<void>;
  /** All its rows in a fixed order, to be compared. */
  rows(db: DbOrTx): Promise<unknown[]>;
}

/** Every projection of the ledger; features add theirs when they start. */
@Injectable()
export class Projectors {
  private readonly all = new Map<string, Projector>();

  /** @throws {Error} if two features use one name */
  register(projector: Projector): void {
    if (this.all.has(projector.name)) throw new Error(`Two projections are called ${projector.name}.`);
    this.all.set(projector.name, projector);
  }

  async project(tx: DbOrTx, fact: Fact, occasion: Occasion): Promise<void> {
    for (const { apply } of this.all.values()) {
      const act = apply[fact.kind] as ((tx: DbOrTx, fact: Fact, occasion: Occasion) => Promise<void>) | undefined;
      await act?.(tx, fact, occasion);
    }
  }

  async reset(tx: DbOrTx): Promise<void> {
    for (const projector of this.all.values()) await projector.reset(tx);
  }

  /** All rows of all projections, by name. */
  async rows(db: DbOrTx): Promise<Record<string, unknown[]>> {
    const rows: Record<string, unknown[]> = {};
    for (const [name, projector] of this.all) rows[name] = await projector.rows(db);
    return rows;
  }
}
