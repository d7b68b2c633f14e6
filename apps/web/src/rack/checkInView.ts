import { type boreFits, type looks, type MeasurePieceDto, type PieceView } from '@zivvo/contract';
import { boreFitOf, findUnit, readQuantity, type CheckInFinding } from '@zivvo/core';
import { unitFor, type UnitChoices } from '@zivvo/words';

/** One row as it is typed. */
export interface CheckInRow {
  mass: string;
  diameter: string;
  bore: (typeof boreFits)[number] | '';
  look: (typeof looks)[number] | '';
}

/** A row that shows what is written down already; nothing is preset to good. */
export function rowOf(piece: PieceView, choices: UnitChoices): CheckInRow {
  return {
    mass: piece.massKg === null ? '' : trimmed(piece.massKg * 1000, 2),
    diameter:
      piece.diameterM === null
        ? ''
        : choices.length === 'mm'
          ? trimmed(piece.diameterM * 1000, 1)
          : trimmed(piece.diameterM / 0.0254, 3),
    bore: piece.boreFit ?? '',
    look: piece.look ?? '',
  };
}

function trimmed(value: number, digits: number): string {
  return String(Number(value.toFixed(digits)));
}

/** What a row says in SI; undefined where a cell cannot be read. */
export function measuresOf(
  row: CheckInRow,
  choices: UnitChoices,
): { body: MeasurePieceDto; bad: ('mass' | 'diameter')[] } {
  const mass = readQuantity(row.mass, 'mass', findUnit('mass', 'g')!);
  const diameter = readQuantity(row.diameter, 'length', unitFor('length', choices));
  const bad: ('mass' | 'diameter')[] = [];
  if (mass.status !== 'read' && mass.status !== 'empty') bad.push('mass');
  if (diameter.status !== 'read' && diameter.status !== 'empty') bad.push('diameter');
  if (mass.status === 'read' && !(mass.valueSi >= 0.00005 && mass.valueSi <= 3)) bad.push('mass');
  if (diameter.status === 'read' && !(diameter.valueSi >= 0.02 && diameter.valueSi <= 1.1)) bad.push('diameter');
  return {
    body: {
      massKg: mass.status === 'read' ? mass.valueSi : null,
      diameterM: diameter.status === 'read' ? diameter.valueSi : null,
      boreFit: row.bore === '' ? null : row.bore,
      look: row.look === '' ? null : row.look,
    },
    bad,
  };
}

/** Whether two rows mean the same; `7.90` and `7.9` do. */
export function isSameRow(a: CheckInRow, b: CheckInRow, choices: UnitChoices): boolean {
  return JSON.stringify(measuresOf(a, choices).body) === JSON.stringify(measuresOf(b, choices).body);
}

/** What the model's bore says about a craft's shaft, in a word that may be taken over; null where either is unknown. */
export function expectedFit(boreM: number | null, shaftM: number | null): (typeof boreFits)[number] | null {
  return boreM === null || shaftM === null ? null : boreFitOf(boreM, shaftM);
}

/** Findings by piece. */
export function findingsByPiece(findings: readonly CheckInFinding[]): Map<string, CheckInFinding[]> {
  const byPiece = new Map<string, CheckInFinding[]>();
  for (const finding of findings) byPiece.set(finding.id, [...(byPiece.get(finding.id) ?? []), finding]);
  return byPiece;
}
