import { NativeSelect } from '@mantine/core';
import type { PropModelView } from '@zivvo/contract';
import { figureDimension, type ComparedFigure, type PointFigure, type PointName } from '@zivvo/core';
import { figureNames, formatShare } from '@zivvo/words';
import { useMatrixQuery } from '../shared/api/standApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import table from '../shared/table/Table.module.css';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { rigName } from './rigName.ts';
import classes from './ResultsTable.module.css';

/** Figures in which motors and packs are compared, and whether less is better. */
const COMPARED: readonly PointFigure[] = [
  'thrustN',
  'thrustPerPowerNPerW',
  'thrustPerCurrentNPerA',
  'powerW',
  'currentA',
  'throttleRatio',
];
const LESS_IS_BETTER: readonly PointFigure[] = ['powerW', 'currentA', 'throttleRatio'];

interface RigMatrixProps {
  campaignId: string;
  throttleRatio: number;
  point: PointName;
  models: readonly PropModelView[];
}

/** Every prop on every motor and pack that it was run on, in one figure at one point. */
export function RigMatrix({ campaignId, throttleRatio, point, models }: RigMatrixProps) {
  const matrix = useMatrixQuery({ id: campaignId, throttleRatio });
  const [asked, setAsked] = useAddressParam('figure');
  const format = useFormat();
  const figure = COMPARED.find((f) => f === asked) ?? (point === 'hover' ? 'powerW' : 'thrustN');
  return (
    <Ready query={matrix}>
      {({ rigs }) => {
        const propIds = [...new Set(rigs.flatMap((r) => r.results.props.map((p) => p.propModelId)))];
        const cellOf = (rig: (typeof rigs)[number], propId: string): ComparedFigure | undefined =>
          rig.results.props.find((p) => p.propModelId === propId)?.points[point][figure];
        // Grams per amp say nothing across cell counts: each count has a best of its own.
        const groups = figure === 'thrustPerCurrentNPerA' ? [...new Set(rigs.map((r) => r.seriesCount))] : [null];
        const best = groups.flatMap((count) => {
          const cells = rigs
            .filter((r) => count === null || r.seriesCount === count)
            .flatMap((r) => propIds.flatMap((id) => cellOf(r, id) ?? []));
          const values = cells.map((c) => c.figure.value);
          return values.length < 2 ? [] : [LESS_IS_BETTER.includes(figure) ? Math.min(...values) : Math.max(...values)];
        });
        return (
          <section aria-label="Props on motors and cells" className={table.sheet}>
            <div className={classes.matrixHead}>
              <h2>Props on motors and cells</h2>
              <NativeSelect
                aria-label="Compared figure"
                value={figure}
                onChange={(e) => setAsked(e.currentTarget.value)}
                data={COMPARED.map((f) => ({ value: f, label: figureNames[f] }))}
              />
            </div>
            <table className={table.table}>
              <thead>
                <tr>
                  <th>{`${figureNames[figure]} ${format.unit(figureDimension(figure))}`}</th>
                  {rigs.map((rig) => (
                    <th key={rig.kitId ?? ''} data-right>
                      {rigName(rig)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {propIds.map((propId) => {
                  const model = models.find((m) => m.id === propId);
                  return (
                    <tr key={propId} style={{ cursor: 'default' }}>
                      <td>{model ? propModelName(model) : 'deleted model'}</td>
                      {rigs.map((rig) => {
                        const cell = cellOf(rig, propId);
                        if (!cell)
                          return (
                            <td key={rig.kitId ?? ''} data-right className="muted">
                              –
                            </td>
                          );
                        const { value, dimension, uncertainty } = cell.figure;
                        return (
                          <td key={rig.kitId ?? ''} data-right className="mono">
                            {best.includes(value) ? (
                              <strong>{format.quantity(value, dimension).number}</strong>
                            ) : (
                              format.quantity(value, dimension).number
                            )}
                            {uncertainty !== null && value !== 0 && (
                              <span className={classes.sub}>{`± ${formatShare(Math.abs(uncertainty / value))}`}</span>
                            )}
                          </td>
                        );
                      })}
                    </tr>
                  );
                })}
              </tbody>
            </table>
            {figure === 'thrustPerCurrentNPerA' && groups.length > 1 && (
              <p className="muted">Thrust per amp compares at equal cell counts only; each count has its own best.</p>
            )}
          </section>
        );
      }}
    </Ready>
  );
}
