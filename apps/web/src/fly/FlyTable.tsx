import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import type { CraftView, FlyView, PropModelView } from '@zivvo/contract';
import { flightFigureNames, type FlightFigureName, type FlownProp } from '@zivvo/core';
import { formatShare } from '@zivvo/words';
import { useMemo, useState } from 'react';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import classes from './Fly.module.css';
import { againstText, airOverStand, flightFigureText } from './flyView.ts';
import { flightFigureTitles } from './flyWords.ts';

const column = createColumnHelper<FlownProp>();

/** Props as they flew, with what the stand said of them; sorted by any column, a second one joins with shift. */
export function FlyTable({
  craft,
  fly,
  models,
  onOpen,
}: {
  craft: CraftView;
  fly: FlyView;
  models: readonly PropModelView[];
  onOpen: (propId: string) => void;
}) {
  const [sorting, setSorting] = useState<SortingState>([]);
  // A multirotor takes off without a roll; a plane does not hover.
  const names = useMemo(
    () =>
      flightFigureNames.filter((name) =>
        craft.kind === 'plane' ? !name.startsWith('hover') : name !== 'takeOffRollM',
      ),
    [craft.kind],
  );
  const columns = useMemo(
    () => [
      column.accessor('propName', { header: 'Prop', sortDescFirst: false }),
      ...names.map((name) =>
        column.accessor((p) => p.figures[name]?.mean, {
          id: name,
          header: flightFigureTitles[name],
          sortUndefined: 'last',
          sortDescFirst: true,
        }),
      ),
    ],
    [names],
  );
  const grid = useReactTable({
    data: fly.comparison.props,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    maxMultiSortColCount: 2,
    getRowId: (p) => p.propId,
  });
  const shown = grid.getRowModel().rows;
  const rowKeys = useRowKeys({ onOpen: (i) => onOpen(shown[i]!.original.propId) });
  const figureCell = (prop: FlownProp, name: FlightFigureName) => {
    const figure = prop.figures[name];
    const ratio = airOverStand(prop, fly.static);
    return (
      <td key={name} data-right>
        {figure === null ? (
          <span className="muted">–</span>
        ) : (
          <>
            <span className={classes.value}>{flightFigureText(name, figure.mean)}</span>
            <span className={classes.against} data-comparison={figure.comparison ?? undefined}>
              {againstText(figure)}
            </span>
            {name === 'passCurrentA' && ratio !== null && (
              <span className={classes.against}>{`${formatShare(ratio, 0)} of the stand’s`}</span>
            )}
          </>
        )}
      </td>
    );
  };
  return (
    <div className={table.sheet}>
      <table className={table.table} aria-label="Props as they flew">
        <thead>
          {grid.getHeaderGroups().map((group) => (
            <tr key={group.id}>
              {group.headers.map((header) => {
                const sorted = header.column.getIsSorted();
                return (
                  <th
                    key={header.id}
                    data-right={header.id === 'propName' ? undefined : true}
                    aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                  >
                    <button
                      type="button"
                      onClick={header.column.getToggleSortingHandler()}
                      title="Sort; with shift as a second column"
                    >
                      {flexRender(header.column.columnDef.header, header.getContext())}
                      {sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}
                    </button>
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody {...rowKeys}>
          {shown.map(({ original: prop, id }) => {
            const model = models.find((m) => m.id === prop.propId);
            return (
              <tr key={id} tabIndex={0} onClick={() => onOpen(prop.propId)}>
                <td>
                  <span style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
                    {model && (
                      <BladeGlyph
                        size={28}
                        bladeCount={model.bladeCount}
                        tipShape={model.tipShape}
                        diameterM={model.diameterM}
                        pitchM={model.pitchM}
                      />
                    )}
                    <span>
                      <strong className={classes.value}>{prop.propName}</strong>
                      <span className={classes.under}>
                        {prop.isReference ? 'reference · ' : ''}
                        {prop.flightCount === 1 ? '1 flight counts' : `${prop.flightCount} flights count`}
                      </span>
                    </span>
                  </span>
                </td>
                {names.map((name) => figureCell(prop, name))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
