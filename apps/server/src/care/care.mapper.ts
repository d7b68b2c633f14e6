import type {
  FlightView,
  JobTicketView,
  LogEntryView,
  ModelAlertView,
  PropLookView,
  StrikeView,
  WalkaroundView,
} from '@zivvo/contract';
import { isHurried, judgePiece, type PropMaterial } from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import type { StoredLook } from './care.table.ts';
import type { AlertRow, FlightRow, LogRow, StrikeRow, TicketRow, WalkaroundRow } from './care.repository.ts';

export function toAlertView(row: AlertRow): ModelAlertView {
  const { propModelId, batchId, reason, raisedAt, releasedAt, releaseReason } = row;
  return {
    ...toRowView(row),
    propModelId,
    batchId,
    reason,
    raisedAt: raisedAt.toISOString(),
    releasedAt: releasedAt?.toISOString() ?? null,
    releaseReason,
  };
}

export function toFlightView(row: FlightRow): FlightView {
  const { craftId, flownAt, durationS, packPieceId, note } = row;
  return { ...toRowView(row), craftId, flownAt: flownAt.toISOString(), durationS, packPieceId, note };
}

export function toStrikeView(row: StrikeRow): StrikeView {
  const { craftId, struckAt, thing, throttleRatio, severity, isCrash, arms, note } = row;
  return {
    ...toRowView(row),
    craftId,
    struckAt: struckAt.toISOString(),
    thing,
    throttleRatio,
    severity,
    isCrash,
    arms: arms,
    note,
  };
}

export function toWalkaroundView({
  row,
  personName,
}: {
  row: WalkaroundRow;
  personName: string | null;
}): WalkaroundView {
  const { craftId, lookedAt, durationS, outcome, note } = row;
  return {
    ...toRowView(row),
    craftId,
    lookedAt: lookedAt.toISOString(),
    personName,
    durationS,
    outcome,
    note,
    isHurried: isHurried(durationS, row.looks.length),
    looks: row.looks.map((look) => toLookView(look, row)),
  };
}

/** The outcome as it was judged then; its reasons follow from the same rule. */
function toLookView({ material, strike, ...look }: StoredLook, { isFolding, policy }: WalkaroundRow): PropLookView {
  const { reasons } = judgePiece({ material: material as PropMaterial, isFolding, strike }, look.findings, policy);
  return { ...look, reasons };
}

export function toTicketView(row: TicketRow): JobTicketView {
  const { craftId, ownerName, complaint, found, done, parts, minutes, createdAt, closedAt } = row;
  return {
    ...toRowView(row),
    craftId,
    ownerName,
    complaint,
    found,
    done,
    parts,
    minutes,
    openedAt: createdAt.toISOString(),
    closedAt: closedAt?.toISOString() ?? null,
  };
}

/** An event of the ledger as the log shows it: plain values, without ids. */
export function toLogEntry({ sequence, at, personName, fact, tag }: LogRow): LogEntryView {
  const { kind, ...rest } = fact;
  const values = Object.fromEntries(
    Object.entries(rest).filter(
      ([name, value]) => !name.endsWith('Id') && (value === null || typeof value !== 'object'),
    ),
  ) as LogEntryView['values'];
  return { sequence, at: at.toISOString(), personName, kind, tag, values };
}
