import { v7 } from 'uuid';
import type { Clock } from '../common/clock.ts';
import type { Config } from '../config.ts';
import type { Db } from './database.ts';
import { WorkshopRepository } from './workshop.repository.ts';

export const WORKSHOP = Symbol('WORKSHOP');

/** The workshop that this server serves. */
export class Workshop {
  private constructor(
    readonly id: string,
    readonly name: string,
    readonly kind: 'own' | 'demo',
  ) {}

  /** Finds the folder's workshop, or founds it on the first start. */
  static async open(this: void, db: Db, config: Pick<Config, 'workshopKind'>, clock: Clock): Promise<Workshop> {
    const name = config.workshopKind === 'demo' ? 'Tarnholm Lift Shed' : 'My workshop';
    const row = await new WorkshopRepository(db).findOrFound({
      id: v7(),
      name,
      kind: config.workshopKind,
      createdAt: clock.now(),
    });
    return new Workshop(row.id, row.name, row.kind);
  }
}
