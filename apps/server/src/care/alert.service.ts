import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CreateModelAlertDto,
  type ModelAlertView,
  type ReleaseAlertDto,
  type ListView,
} from '@zivvo/contract';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { AlertReleasedError } from './care.errors.ts';
import { toAlertView } from './care.mapper.ts';
import { AlertRepository } from './care.repository.ts';

/** Grounds all pieces of a kind until somebody releases them, with reasons. */
@Injectable()
export class AlertService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly alerts: AlertRepository,
    private readonly models: PropModelRepository,
    private readonly ledger: EventLedger,
  ) {}

  async list(): Promise<ListView<ModelAlertView>> {
    return toListView(await this.alerts.list(this.db, LIST_MAX), toAlertView);
  }

  async raise({ id, propModelId, batchId, reason }: CreateModelAlertDto): Promise<ModelAlertView> {
    await this.db.transaction(async (tx) => {
      await this.models.find(tx, propModelId);
      const isNew = await this.alerts.add(tx, {
        ...this.rows.newRow(id),
        propModelId,
        batchId: batchId ?? null,
        reason: reason.trim(),
        raisedAt: this.clock.now(),
        releasedAt: null,
        releaseReason: null,
      });
      if (isNew)
        await this.ledger.record(tx, propModelId, {
          kind: 'alertRaised',
          propModelId,
          alertId: id,
          reason: reason.trim(),
        });
    });
    return toAlertView(await this.alerts.find(this.db, id));
  }

  async release(id: string, { reason }: ReleaseAlertDto): Promise<ModelAlertView> {
    await this.db.transaction(async (tx) => {
      const row = await this.alerts.find(tx, id);
      if (row.releasedAt !== null) throw new AlertReleasedError();
      await this.alerts.revise(
        tx,
        id,
        row.revision,
        { releasedAt: this.clock.now(), releaseReason: reason.trim() },
        this.clock.now(),
      );
      await this.ledger.record(tx, row.propModelId, {
        kind: 'alertReleased',
        propModelId: row.propModelId,
        alertId: id,
        reason: reason.trim(),
      });
    });
    return toAlertView(await this.alerts.find(this.db, id));
  }
}
