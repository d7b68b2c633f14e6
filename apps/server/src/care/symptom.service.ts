import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type RecentChangeView,
  type SymptomCaseDto,
  type SymptomCaseView,
  type SymptomStartView,
} from '@zivvo/contract';
import { diagnose, type RecordFact } from '@zivvo/core';
import { RevisionConflictError } from '../common/featureError.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { SymptomCaseRepository, type SymptomCaseRow } from './care.repository.ts';
import { SymptomRecord } from './symptomRecord.service.ts';

/** What is wrong with a craft: the record speaks first, then questions. */
@Injectable()
export class SymptomService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly cases: SymptomCaseRepository,
    private readonly crafts: CraftRepository,
    private readonly record: SymptomRecord,
    private readonly ledger: EventLedger,
  ) {}

  /** What the record says of a craft before anybody is asked. */
  async start(craftId: string): Promise<SymptomStartView> {
    const rows = await this.cases.ofCraft(this.db, craftId, LIST_MAX);
    const [facts, recent] = [await this.record.factsOf(craftId), await this.record.recentOf(craftId)];
    const open = rows.find((r) => r.closedAt === null);
    return {
      facts,
      recent,
      openCase: open ? toCaseView(open, facts, recent) : null,
      solved: rows.flatMap((r) =>
        r.mendedCause !== null && r.closedAt !== null ? [{ cause: r.mendedCause, at: r.closedAt.toISOString() }] : [],
      ),
    };
  }

  /** Writes the whole case down at each answer; the first one opens it. */
  async save(
    craftId: string,
    id: string,
    { symptoms, changes, answers, mendedCause, revision }: SymptomCaseDto,
  ): Promise<SymptomCaseView> {
    await this.crafts.find(this.db, craftId);
    const now = this.rows.now();
    await this.db.transaction(async (tx) => {
      const known = (await this.cases.ofCraft(tx, craftId, LIST_MAX)).find((r) => r.id === id);
      const columns = {
        symptoms,
        changes: changes ?? null,
        answers,
        mendedCause: mendedCause ?? null,
        closedAt: mendedCause ? now : null,
      };
      if (known) await this.cases.revise(tx, id, revision, columns, now);
      else if (revision !== 0) throw new RevisionConflictError('case', revision, 0);
      else await this.cases.add(tx, { ...this.rows.newRow(id), craftId, ...columns });
      if (mendedCause)
        await this.ledger.record(tx, craftId, { kind: 'faultFound', craftId, caseId: id, cause: mendedCause });
    });
    return toCaseView(
      await this.cases.find(this.db, id),
      await this.record.factsOf(craftId),
      await this.record.recentOf(craftId),
    );
  }

  async drop(id: string): Promise<void> {
    await this.cases.remove(this.db, id, this.rows.now());
  }
}

function toCaseView(row: SymptomCaseRow, facts: RecordFact[], recent: RecentChangeView[]): SymptomCaseView {
  const { craftId, symptoms, changes, answers, mendedCause, createdAt } = row;
  return {
    ...toRowView(row),
    craftId,
    openedAt: createdAt.toISOString(),
    symptoms,
    changes,
    answers,
    mendedCause,
    facts,
    recent,
    diagnosis: diagnose({ symptoms, changes, facts, answers }),
  };
}
