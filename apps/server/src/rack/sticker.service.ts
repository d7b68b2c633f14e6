import { Inject, Injectable } from '@nestjs/common';
import { PIECE_PAGE_MAX } from '@zivvo/contract';
import type { Content } from 'pdfmake/interfaces.js';
import { createRequire } from 'node:module';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { propModelName } from './propModel.mapper.ts';
import { PropModelRepository } from './propModel.repository.ts';
import { PieceRepository, type LivingPiece } from './piece.repository.ts';

const require = createRequire(import.meta.url);
const font = (weight: number): string =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-${weight}-normal.woff`,
  );
const COLUMNS = 3;
const HAND_WORDS = { cw: 'CW', ccw: 'CCW', either: 'either way' } as const;

/** The PDF writer with its fonts; it comes when a sheet is asked for, not with the server. */
async function printer() {
  const { default: pdfmake } = await import('pdfmake');
  pdfmake.setFonts({ Mono: { normal: font(400), bold: font(700), italics: font(400), bolditalics: font(700) } });
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy(() => true);
  return pdfmake;
}

/** Sheets of stickers for the pouches that pieces are kept in. */
@Injectable()
export class StickerService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly pieces: PieceRepository,
    private readonly models: PropModelRepository,
  ) {}

  async sheet({ batchId, setId }: { batchId: string | null; setId: string | null }): Promise<Buffer> {
    const { rows } = await this.pieces.page(this.db, { batchId, setId }, this.clock.now(), PIECE_PAGE_MAX);
    const pieces = rows.filter((r) => r.life.state !== 'retired').reverse();
    const names = new Map<string, string>();
    for (const id of new Set(pieces.map((p) => p.piece.propModelId)))
      names.set(id, propModelName(await this.models.find(this.db, id)));
    const stickers = pieces.map((living) => sticker(living, names.get(living.piece.propModelId)!));
    const body = Array.from({ length: Math.ceil(stickers.length / COLUMNS) }, (_, row) =>
      Array.from({ length: COLUMNS }, (_, column) => stickers[row * COLUMNS + column] ?? ''),
    );
    const document = (await printer()).createPdf({
      pageSize: 'A4',
      pageMargins: [24, 28, 24, 28],
      defaultStyle: { font: 'Mono', fontSize: 9 },
      info: { title: 'Stickers', creationDate: this.clock.now() },
      content:
        body.length === 0
          ? [{ text: 'No piece to label.' }]
          : [
              {
                table: { widths: Array<string>(COLUMNS).fill('*'), heights: 84, dontBreakRows: true, body },
                layout: {
                  hLineWidth: () => 0.3,
                  vLineWidth: () => 0.3,
                  hLineColor: () => '#999999',
                  vLineColor: () => '#999999',
                  paddingLeft: () => 8,
                  paddingTop: () => 8,
                },
              },
            ],
    });
    return document.getBuffer();
  }
}

/** Tag large enough to read at arm's length, its code beside it, the model and hand under it. */
function sticker({ piece }: LivingPiece, name: string): Content {
  const mass = piece.massKg === null ? '' : `${(piece.massKg * 1000).toFixed(2)} g`;
  return {
    columns: [
      { width: 60, qr: piece.tag, fit: 58 },
      {
        width: '*',
        stack: [
          { text: piece.tag, bold: true, fontSize: 22 },
          { text: name.replaceAll('x', '×'), fontSize: 9 },
          { text: [HAND_WORDS[piece.hand], mass].filter((t) => t !== '').join(' · '), fontSize: 9 },
        ],
      },
    ],
    columnGap: 8,
  };
}
