import { createColumnHelper } from '@tanstack/react-table';
import type { CraftView, FlyView, PropModelView } from '@zivvo/contract';
import { flightFigureNames, type FlightFigureName, type FlownProp } from '@zivvo/core';
import { flightFigureTitles } from '@zivvo/words';
import { useMemo } from 'react';
import { useFormat } from '../shared/format/useFormat.ts';
import table from '../shared/table/Table.module.css';
import { SortedHead } from '../shared/table/SortedHead.tsx';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { useSortedGrid } from '../shared/table/useSortedGrid.ts';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import classes from './Fly.module.css';
import { againstText, besideTexts, flightFigureText } from './flyView.ts';

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
  const format = useFormat();
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
  const grid = useSortedGrid(fly.comparison.props, columns, (p) => p.propId);
  const shown = grid.getRowModel().rows;
  const rowKeys = useRowKeys({ onOpen: (i) => onOpen(shown[i]!.original.propId) });
  const standingOf = ({ propId }: FlownProp) => fly.static.find((s) => s.propModelId === propId);
  const figureCell = (prop: FlownProp, name: FlightFigureName) => {
    const figure = prop.figures[name];
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
            {besideTexts(name, figure.mean, standingOf(prop)).map((text) => (
              <span key={text} className={classes.against}>
                {text}
              </span>
            ))}
          </>
        )}
      </td>
    );
  };
  return (
    <div className={table.sheet}>
      <table className={`${table.table} ${classes.flown}`} aria-label="Props as they flew">
        <SortedHead grid={grid} />
        <tbody {...rowKeys}>
          {shown.map(({ original: prop, id }) => {
            const model = models.find((m) => m.id === prop.propId);
            const standing = standingOf(prop);
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
                      {standing !== undefined && standing.fullThrustN !== null && (
                        <span className={classes.under}>
                          {`${format.quantity(standing.fullThrustN, 'force').text} a motor on the ` +
                            `stand${standing.isSimulated ? ', simulated' : ''}`}
                        </span>
                      )}
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
