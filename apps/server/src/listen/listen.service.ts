import { Inject, Injectable } from '@nestjs/common';
import {
  listenLimits,
  type ChangeListeningDto,
  type CreateListeningDto,
  type CreateTakeDto,
  type CreateVoteDto,
  type HeardPropView,
  type ListeningDto,
  type ListeningView,
  type ListenView,
} from '@zivvo/contract';
import { areLevelsAbsolute, carryThrustN, hearListening, layoutKind } from '@zivvo/core';
import { FieldError, NotFoundError } from '../common/featureError.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { ListeningFullError, SlotsError, TakenOtherwiseError, VoteError } from './listen.errors.ts';
import { countVotes, heardProps, toListeningView, toSetup, toSoundTake, toTakeView } from './listen.mapper.ts';
import {
  ListeningRepository,
  SoundTakeRepository,
  SoundVoteRepository,
  type ListeningRow,
  type SoundTakeRow,
} from './listen.repository.ts';
import { PredictedSounds } from './predictedSounds.service.ts';

/** Takes, and what they say side by side. */
@Injectable()
export class ListenService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly crafts: CraftRepository,
    private readonly models: PropModelRepository,
    private readonly listenings: ListeningRepository,
    private readonly takes: SoundTakeRepository,
    private readonly votes: SoundVoteRepository,
    private readonly predicted: PredictedSounds,
  ) {}

  /** @param openId - the listening that is shown; null for the newest */
  async ofCraft(craftId: string, openId: string | null, thrustN: number | null): Promise<ListenView> {
    const craft = await this.crafts.find(this.db, craftId);
    const rows = await this.listenings.ofCraft(this.db, craftId);
    const open = openId === null ? rows[0] : (rows.find((r) => r.id === openId) ?? rows[0]);
    return {
      listenings: rows.map(({ id, place, createdAt, takeCount, method }) => ({
        id,
        place,
        method,
        takeCount,
        listenedAt: createdAt.toISOString(),
      })),
      open: open ? await this.opened(open, craft, thrustN) : null,
      referencePropModelId: craft.referencePropModelId,
    };
  }

  /** A new place to listen at; sending it again changes nothing. */
  async begin(craftId: string, { id, ...dto }: CreateListeningDto): Promise<ListenView> {
    await this.crafts.find(this.db, craftId);
    const known = await this.listenings.ofCraft(this.db, craftId);
    if (known.length >= listenLimits.listeningsMost && !known.some((l) => l.id === id))
      throw new ListeningFullError('listenings of a craft', listenLimits.listeningsMost);
    await this.listenings.add(this.db, { ...this.rows.newRow(id), ...setup(dto), craftId });
    return this.ofCraft(craftId, id, null);
  }

  async change(craftId: string, id: string, { revision, ...dto }: ChangeListeningDto): Promise<ListenView> {
    const row = await this.ofThis(craftId, id);
    const isOther = dto.method !== row.method || dto.heardOn !== row.heardOn;
    if (isOther && (await this.takes.ofListenings(this.db, [id])).length > 0) throw new TakenOtherwiseError();
    await this.listenings.revise(this.db, id, revision, setup(dto), this.rows.now());
    return this.ofCraft(craftId, id, null);
  }

  async remove(craftId: string, id: string): Promise<void> {
    await this.ofThis(craftId, id);
    await this.listenings.remove(this.db, id, this.rows.now());
  }

  /** Brought back, or nothing is changed where it is another craft's. */
  async restore(craftId: string, id: string): Promise<ListenView> {
    await this.db.transaction(async (tx) => {
      await this.listenings.restore(tx, id);
      await this.ofThis(craftId, id, tx);
    });
    return this.ofCraft(craftId, id, null);
  }

  async take(craftId: string, listeningId: string, { id, ...dto }: CreateTakeDto): Promise<ListenView> {
    requireLevel(await this.ofThis(craftId, listeningId), dto);
    if (dto.propModelId !== null) await this.models.find(this.db, dto.propModelId);
    if (dto.pattern) requireSlots(dto.pattern);
    const known = await this.takes.ofListenings(this.db, [listeningId]);
    if (known.length >= listenLimits.takesMost && !known.some((t) => t.id === id))
      throw new ListeningFullError('takes of a listening', listenLimits.takesMost);
    await this.takes.add(this.db, {
      ...this.rows.newRow(id),
      ...dto,
      pattern: dto.propModelId === null ? null : (dto.pattern ?? null),
      listeningId,
    });
    return this.ofCraft(craftId, listeningId, null);
  }

  async removeTake(craftId: string, id: string): Promise<void> {
    const { listeningId } = await this.takes.find(this.db, id);
    await this.ofThis(craftId, listeningId);
    await this.takes.remove(this.db, id, this.rows.now());
  }

  async restoreTake(craftId: string, id: string): Promise<ListenView> {
    const listeningId = await this.db.transaction(async (tx) => {
      await this.takes.restore(tx, id);
      const take = await this.takes.find(tx, id);
      await this.ofThis(craftId, take.listeningId, tx);
      return take.listeningId;
    });
    return this.ofCraft(craftId, listeningId, null);
  }

  /** A vote between two takes that were played unseen. */
  async vote(
    craftId: string,
    listeningId: string,
    { id, likedTakeId, otherTakeId }: CreateVoteDto,
  ): Promise<ListenView> {
    await this.ofThis(craftId, listeningId);
    const known = (await this.takes.ofListenings(this.db, [listeningId])).map((t) => t.id);
    if (likedTakeId === otherTakeId || !known.includes(likedTakeId) || !known.includes(otherTakeId))
      throw new VoteError();
    const votes = await this.votes.ofListening(this.db, listeningId);
    if (votes.length >= listenLimits.votesMost && !votes.some((v) => v.id === id))
      throw new ListeningFullError('votes of a listening', listenLimits.votesMost);
    await this.votes.add(this.db, { ...this.rows.newRow(id), listeningId, likedTakeId, otherTakeId });
    return this.ofCraft(craftId, listeningId, null);
  }

  /** @throws {NotFoundError} if there is no such listening of this craft */
  private async ofThis(craftId: string, id: string, db: DbOrTx = this.db): Promise<ListeningRow> {
    const row = await this.listenings.find(db, id);
    if (row.craftId !== craftId) throw new NotFoundError('listening', id);
    return row;
  }

  private async opened(row: ListeningRow, craft: CraftRow, wantedN: number | null): Promise<ListeningView> {
    const taken = await this.takes.ofListenings(this.db, [row.id]);
    const modelIds = [...new Set(taken.flatMap((t) => t.propModelId ?? []))];
    const models = new Map((await this.models.byIds(this.db, modelIds)).map((m) => [m.id, m]));
    const props = heardProps(taken, models);
    const hoverThrustN = hoverThrust(row, craft);
    const sounds = taken.map((t) => toSoundTake(t, row));
    const isCalibrated = areLevelsAbsolute(row.method, row.chainOffsetDb);
    const at = (thrustN: number | null) =>
      hearListening({ ...row, isCalibrated }, sounds, props, craft.referencePropModelId, thrustN);
    const result = at(wantedN ?? (taken.some((t) => t.thrustN !== null) ? hoverThrustN : null));
    const heard = new Map(result.heard.map((h) => [h.id, h]));
    const takes = taken.map((t, i) => toTakeView(t, sounds[i]!.levelDb, models, heard.get(t.id)));
    // Predictions are made for the hover: only there is a measurement held against them.
    const hovering = isCalibrated ? at(hoverThrustN).ranking : null;
    const { correction, of } = this.predicted.beside(craft, row, props, hovering);
    return toListeningView(row, takes, result, {
      hoverThrustN,
      correction,
      votes: countVotes(await this.votes.ofListening(this.db, row.id), takes),
      props: props.map(({ soundKey, name, bladeCount, model, pattern }): HeardPropView => ({
        soundKey,
        propModelId: model.id,
        name,
        bladeCount,
        pattern,
        ...of(soundKey),
        ...heardOf(
          taken.filter((t) => t.propModelId === model.id && sameSlots(t, pattern)),
          result.thrustN,
        ),
      })),
    });
  }
}

const setup = (dto: ListeningDto): ListeningDto => toSetup(dto as ListeningRow);

function hoverThrust({ heardOn }: Pick<ListeningRow, 'heardOn'>, { massKg, rotors, layout }: CraftRow): number {
  const each = carryThrustN(massKg, rotors.length, layoutKind(layout));
  return heardOn === 'stand' ? each : each * rotors.length;
}

/** Who walks away has a distance and a prop and no level; everybody else has a level. */
function requireLevel(
  { method }: ListeningRow,
  { levelDb, propModelId }: Pick<CreateTakeDto, 'levelDb' | 'propModelId'>,
) {
  const isWalked = method === 'walkAway';
  if ((levelDb === null) !== isWalked)
    throw new FieldError(
      'levelDb',
      'method',
      isWalked ? 'levelDb must be left out where one walks away' : 'levelDb must be there',
    );
  if (isWalked && propModelId === null)
    throw new FieldError('propModelId', 'method', 'propModelId must be there where one walks away');
}

function requireSlots({ slotCount, slots }: NonNullable<CreateTakeDto['pattern']>): void {
  const places = slots.map((s) => s.slot);
  if (places.some((s) => s >= slotCount) || new Set(places).size < places.length) throw new SlotsError(slotCount);
}

const sameSlots = (take: SoundTakeRow, pattern: SoundTakeRow['pattern']): boolean =>
  JSON.stringify(take.pattern?.slots ?? null) === JSON.stringify(pattern?.slots ?? null);

/** What the recordings of one prop say beside its level: the take nearest the thrust speaks. */
function heardOf(
  own: readonly SoundTakeRow[],
  thrustN: number | null,
): Pick<HeardPropView, 'passing' | 'betweenDb' | 'spinDownS'> {
  const far = (t: SoundTakeRow): number => Math.abs(Math.log((t.thrustN ?? 1e-3) / (thrustN ?? 1)));
  const nearest = own.filter((t) => t.sound !== null).sort((a, b) => far(a) - far(b))[0]?.sound ?? null;
  const first = nearest?.lines.find((l) => l.order === 1);
  const times = own.flatMap((t) => t.spinDownS ?? []).sort((a, b) => a - b);
  return {
    passing: first ? { frequencyHz: first.frequencyHz, prominenceDb: first.prominenceDb } : null,
    betweenDb: nearest?.betweenDb ?? null,
    spinDownS: times[Math.floor(times.length / 2)] ?? null,
  };
}
