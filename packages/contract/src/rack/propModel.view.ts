import type { ListView } from '../shared/listView.ts';
import type { RowView } from '../shared/rowView.ts';
import type { PropModelDto } from './propModel.dto.ts';

export interface PropModelView extends RowView, Required<PropModelDto> {
  /** Place in the workshop's order of colours and markers; given once. */
  seriesIndex: number;
  /** Pieces to buy, and for which craft; 0 when nobody wants any. */
  wantedCount: number;
  wantedCraftId: string | null;
  /** Null until somebody has counted. */
  /**
   * As somebody counted it; where nobody has, the tagged pieces that could be fitted, with no time. Null without
   * either.
   */
  stock: { cwCount: number; ccwCount: number; countedAt: string | null } | null;
}

export type PropModelListView = ListView<PropModelView>;
