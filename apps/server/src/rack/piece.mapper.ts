import type { MeasurePieceDto, PieceEventView, PieceView } from '@zivvo/contract';
import { toRowView } from '../common/rowMapper.ts';
import type { FactKind } from '../event/facts.ts';
import type { EventRepository } from '../event/event.repository.ts';
import type { LivingPiece } from './piece.repository.ts';

export function toPieceView({ piece, life }: LivingPiece): PieceView {
  const {
    tag,
    propModelId,
    batchId,
    hand,
    massKg,
    diameterM,
    boreFit,
    look,
    hubThicknessM,
    droopM,
    bladeTags,
    colour,
    note,
    photoSha256,
  } = piece;
  const { state, retiredAs, craftId, place, level, setId, location, isTruedStatic, isTruedDynamic, touchedAt } = life;
  return {
    ...toRowView(piece),
    tag,
    propModelId,
    batchId,
    hand,
    massKg,
    diameterM,
    boreFit,
    look,
    hubThicknessM,
    droopM,
    bladeTags,
    colour,
    note,
    photoSha256,
    state,
    retiredAs,
    craftId,
    place,
    level,
    setId,
    location,
    isTruedStatic,
    isTruedDynamic,
    touchedAt: touchedAt.toISOString(),
  };
}

export function toMeasureColumns(dto: MeasurePieceDto) {
  return {
    massKg: dto.massKg ?? null,
    diameterM: dto.diameterM ?? null,
    boreFit: dto.boreFit ?? null,
    look: dto.look ?? null,
  };
}

const ACTIONS: Partial<Record<FactKind, PieceEventView['action']>> = {
  pieceAdded: 'added',
  pieceMeasured: 'measured',
  pieceDescribed: 'described',
  pieceCheckedIn: 'checkIn',
  pieceTrued: 'true',
  pieceSentBack: 'sendBack',
  pieceFitted: 'fit',
  pieceRemoved: 'remove',
  pieceDressed: 'dress',
  pieceLooked: 'looked',
  pieceStruck: 'struck',
  pieceRetired: 'retire',
  pieceUnretired: 'unretire',
  pieceMoved: 'move',
  pieceJoinedSet: 'joinSet',
  pieceLeftSet: 'leaveSet',
};

export function toEventView({
  sequence,
  at,
  personId,
  personName,
  fact,
}: Awaited<ReturnType<EventRepository['ofSubject']>>[number]): PieceEventView {
  const { kind, ...rest } = fact;
  const values = Object.fromEntries(
    Object.entries(rest).filter(([name, value]) => name !== 'pieceId' && (value === null || typeof value !== 'object')),
  ) as PieceEventView['values'];
  return { sequence, at: at.toISOString(), personId, personName, action: ACTIONS[kind] ?? 'described', values };
}
