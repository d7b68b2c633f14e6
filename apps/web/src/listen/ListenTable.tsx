import { createColumnHelper } from '@tanstack/react-table';
import type { HeardPropView, ListeningView } from '@zivvo/contract';
import type { RankedSound } from '@zivvo/core';
import { formatMilliseconds, formatNumber } from '@zivvo/words';
import { useMemo } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import table from '../shared/table/Table.module.css';
import { SortedHead } from '../shared/table/SortedHead.tsx';
import { useSortedGrid } from '../shared/table/useSortedGrid.ts';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import classes from './Listen.module.css';
import { againstReference, betweenText, columnText, levelText, modelText } from './listenView.ts';

/** A prop with what was heard of it. */
interface Row {
  prop: HeardPropView;
  sound: RankedSound;
}

const column = createColumnHelper<Row>();
const columns = [
  column.accessor((r) => r.prop.name, { id: 'name', header: 'Prop', sortDescFirst: false }),
  column.accessor((r) => r.sound.levelDb, { id: 'level', header: 'Level' }),
  column.accessor((r) => r.sound.differenceDb ?? 0, { id: 'against', header: 'Against the reference' }),
  column.accessor((r) => r.prop.passing?.frequencyHz, { id: 'passing', header: 'Blades pass', sortUndefined: 'last' }),
  column.accessor((r) => r.prop.betweenDb ?? undefined, { id: 'between', header: 'Uneven', sortUndefined: 'last' }),
  column.accessor((r) => r.prop.riseTimeS ?? undefined, { id: 'rise', header: 'To thrust', sortUndefined: 'last' }),
  column.accessor((r) => r.prop.spinDownS ?? undefined, { id: 'down', header: 'Spin-down', sortUndefined: 'last' }),
];

/** Props at equal thrust, the quietest first, with the two things that are argued about beside: how fast it answers. */
export function ListenTable({ listening, referenceKey }: { listening: ListeningView; referenceKey: string | null }) {
  const { data: models } = usePropModelsQuery();
  const rows = useMemo(
    () =>
      (listening.ranking?.sounds ?? []).flatMap((sound): Row[] => {
        const prop = listening.props.find((p) => p.soundKey === sound.soundKey);
        return prop ? [{ prop, sound }] : [];
      }),
    [listening],
  );
  const grid = useSortedGrid(rows, columns, (r) => r.prop.soundKey);
  return (
    <div className={table.sheet}>
      <table className={table.table} aria-label="Props as they sound">
        <SortedHead grid={grid} />
        <tbody>
          {grid.getRowModel().rows.map(({ original: { prop, sound }, id }) => {
            const model = models?.items.find((m) => m.id === prop.propModelId);
            return (
              <tr key={id}>
                <td>
                  <span style={{ display: 'flex', gap: 10, alignItems: 'center' }}>
                    {model && (
                      <BladeGlyph
                        size={28}
                        bladeCount={prop.bladeCount}
                        tipShape={model.tipShape}
                        diameterM={model.diameterM}
                        pitchM={model.pitchM}
                      />
                    )}
                    <span>
                      <strong>{prop.name}</strong>
                      <span className={classes.under}>
                        {sound.takeCount === 1 ? '1 take counts' : `${sound.takeCount} takes count`}
                        {sound.isExtended ? ', extended' : ''}
                      </span>
                    </span>
                  </span>
                </td>
                <td data-right>
                  <span className={classes.value}>{levelText(sound.levelDb, listening)}</span>
                  <span className={classes.under}>
                    {`± ${formatNumber(sound.halfWidthDb, 1)}`}
                    {prop.predictedDb === null || !listening.isAbsolute
                      ? ''
                      : ` · model ${formatNumber(prop.predictedDb, 0)}`}
                  </span>
                </td>
                <td data-right>
                  {prop.soundKey === referenceKey ? (
                    <span className="muted">reference</span>
                  ) : (
                    <span className={classes.value}>{againstReference(sound)}</span>
                  )}
                </td>
                <td data-right>
                  {prop.passing === null ? (
                    <span className="muted">–</span>
                  ) : (
                    <>
                      <span className={classes.value}>{`${formatNumber(prop.passing.frequencyHz, 0)} Hz`}</span>
                      {prop.passing.prominenceDb !== null && (
                        <span className={classes.under}>{`${formatNumber(prop.passing.prominenceDb, 0)} dB out`}</span>
                      )}
                    </>
                  )}
                </td>
                <td data-right>
                  <span className={classes.value}>{betweenText(prop)}</span>
                </td>
                <td data-right>{prop.riseTimeS === null ? '–' : formatMilliseconds(prop.riseTimeS)}</td>
                <td data-right>{prop.spinDownS === null ? '–' : `${formatNumber(prop.spinDownS, 2)} s`}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {[modelText(listening), columnText(listening)].map((text) =>
        text === null ? null : (
          <p key={text} className={classes.caption}>
            {text}
          </p>
        ),
      )}
    </div>
  );
}
