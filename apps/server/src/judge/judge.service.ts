import { Inject, Injectable } from '@nestjs/common';
import {
  judgeLimits,
  type FreezeVerdictDto,
  type JudgeView,
  type JudgeWishesDto,
  type SayingsView,
  type WholeVerdictView,
} from '@zivvo/contract';
import {
  answerSayings,
  changesSince,
  judge,
  modelGeometry,
  usualJudgeWeights,
  USUAL_USE,
  usualMatters,
  type JudgeInput,
  type JudgeMatters,
  type JudgeWeights,
  type Reason,
  type SaidProp,
} from '@zivvo/core';
import { NotFoundError } from '../common/featureError.ts';
import { currentPersonId } from '../common/requestContext.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { NothingToJudgeError, WeightlessError } from './judge.errors.ts';
import { toFrozenVerdictView } from './judge.mapper.ts';
import { FrozenVerdictRepository, JudgeWishesRepository, type JudgeWishesRow } from './judge.repository.ts';
import { JudgedEvidence, type Evidence } from './judgedEvidence.service.ts';
import { PredictedEvidence } from './predictedEvidence.service.ts';

interface Wished {
  row: JudgeWishesRow | null;
  /** Of the person at work. */
  isOwn: boolean;
}

/** What a person wants of a craft's props, and what was decided. */
@Injectable()
export class JudgeService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly models: PropModelRepository,
    private readonly wishes: JudgeWishesRepository,
    private readonly verdicts: FrozenVerdictRepository,
    private readonly evidence: JudgedEvidence,
    private readonly predicted: PredictedEvidence,
  ) {}

  async ofCraft(craftId: string): Promise<JudgeView> {
    const { row, isOwn, found, input } = await this.now(craftId);
    // A model that was deleted since is no prop any more.
    const addedPropModelIds = (row?.addedPropModelIds ?? []).filter((id) =>
      found.props.some((p) => p.propModelId === id),
    );
    const { rows, total } = await this.verdicts.ofCraft(this.db, craftId, judgeLimits.verdictsMost);
    const newest = rows[0] ? await this.verdicts.find(this.db, rows[0].id) : null;
    return {
      input,
      props: found.props,
      wishes: { id: row?.id ?? null, revision: isOwn ? row!.revision : 0, isOwn, addedPropModelIds },
      verdicts: rows.map(toFrozenVerdictView),
      verdictTotal: total,
      changes: newest && changesTo(newest.input, input),
      leftOutCount: found.leftOutCount,
      isSimulated: found.isSimulated,
    };
  }

  /** One that was kept, with its evidence and what has changed since. */
  async verdict(craftId: string, id: string): Promise<WholeVerdictView> {
    const row = await this.verdicts.find(this.db, id);
    if (row.craftId !== craftId) throw new NotFoundError('verdict', id);
    const { input } = await this.now(craftId);
    return { ...toFrozenVerdictView(row), input: row.input, changes: changesTo(row.input, input) };
  }

  /** Sayings of the trade, answered for this craft. */
  async sayings(craftId: string): Promise<SayingsView> {
    const { craft, found, input } = await this.now(craftId);
    const { referenceId, contenders } = found;
    const models = await this.models.byIds(
      this.db,
      contenders.map((c) => c.id),
    );
    const reference = models.find((m) => m.id === referenceId);
    if (!reference) return { referenceName: null, items: [] };
    const { prepared } = await this.predicted.prepared(craft);
    const props = contenders.flatMap(({ id, name, row: evidence }): SaidProp[] => {
      const model = models.find((m) => m.id === id);
      return model ? [{ id, name, geometry: modelGeometry(model), row: evidence }] : [];
    });
    return {
      referenceName: contenders.find((c) => c.id === referenceId)!.name,
      items: answerSayings(prepared, modelGeometry(reference), props, input.matters),
    };
  }

  /** Weights of whoever is at work; those of others stay. */
  async setWishes(craftId: string, { id, revision, ...dto }: JudgeWishesDto): Promise<JudgeView> {
    if (Object.values(dto.weights).every((w) => w === 0)) throw new WeightlessError();
    await this.crafts.find(this.db, craftId);
    await Promise.all(dto.addedPropModelIds.map((propModelId) => this.models.find(this.db, propModelId)));
    const { row, isOwn } = await this.wishesOf(craftId);
    if (isOwn) await this.wishes.revise(this.db, row!.id, revision, dto, this.rows.now());
    else await this.wishes.add(this.db, { ...this.rows.newRow(id), ...dto, craftId });
    return this.ofCraft(craftId);
  }

  /** Keeps the verdict with its evidence; sending it again changes nothing. */
  async freeze(craftId: string, { id, note }: FreezeVerdictDto): Promise<JudgeView> {
    const { input } = await this.now(craftId);
    if (input.contenders.length === 0) throw new NothingToJudgeError();
    const { winnerId: winnerPropModelId, headline } = judge(input);
    await this.verdicts.add(this.db, { ...this.rows.newRow(id), craftId, input, headline, winnerPropModelId, note });
    return this.ofCraft(craftId);
  }

  async remove(craftId: string, id: string): Promise<void> {
    if ((await this.verdicts.find(this.db, id)).craftId !== craftId) throw new NotFoundError('verdict', id);
    await this.verdicts.remove(this.db, id, this.rows.now());
  }

  /** Brought back, or nothing is changed where it is another craft's. */
  async restore(craftId: string, id: string): Promise<JudgeView> {
    await this.db.transaction(async (tx) => {
      await this.verdicts.restore(tx, id);
      if ((await this.verdicts.find(tx, id)).craftId !== craftId) throw new NotFoundError('verdict', id);
    });
    return this.ofCraft(craftId);
  }

  /** All that a verdict of now is made of. */
  private async now(craftId: string): Promise<Wished & { craft: CraftRow; found: Evidence; input: JudgeInput }> {
    const craft = await this.crafts.find(this.db, craftId);
    const wished = await this.wishesOf(craftId);
    const found = await this.evidence.of(craft, wished.row?.addedPropModelIds ?? []);
    return { ...wished, craft, found, input: inputOf(craft, wished.row, found) };
  }

  /** What the person at work wants; where they have not said, what the last one did. */
  private async wishesOf(craftId: string): Promise<Wished> {
    const rows = await this.wishes.ofCraft(this.db, craftId);
    const own = rows.find((r) => r.personId === currentPersonId());
    return { row: own ?? rows[0] ?? null, isOwn: own !== undefined };
  }
}

/** What has changed since a verdict; null where there is nothing to judge any more. */
const changesTo = (before: JudgeInput, now: JudgeInput): Reason[] | null =>
  now.contenders.length > 0 ? changesSince(before, now) : null;

function inputOf(craft: CraftRow, row: JudgeWishesRow | null, { referenceId, contenders }: Evidence): JudgeInput {
  // What was kept before there was a wish takes the usual of it.
  const weights: JudgeWeights = { ...usualJudgeWeights(craft.weights, craft.use ?? USUAL_USE), ...row?.weights };
  const matters: JudgeMatters = { ...usualMatters, ...row?.matters };
  return { craftName: craft.name, referenceId: referenceId ?? '', contenders, weights, matters };
}
