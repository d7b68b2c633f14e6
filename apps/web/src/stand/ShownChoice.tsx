import { Checkbox, Popover } from '@mantine/core';
import type { PointFigure } from '@zivvo/core';
import { figureNames } from '@zivvo/words';
import { useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import classes from './ResultsTable.module.css';
import type { ResultRow } from './resultsView.ts';

interface ShownChoiceProps {
  figures: readonly PointFigure[];
  hiddenFigures: readonly PointFigure[];
  onFigures: (hidden: PointFigure[]) => void;
  rows: readonly ResultRow[];
  hiddenIds: readonly string[];
  onRows: (hidden: string[]) => void;
}

const toggled = <T,>(list: readonly T[], item: T): T[] =>
  list.includes(item) ? list.filter((i) => i !== item) : [...list, item];

/** Which columns and which props the table shows; what is hidden stays in the reckoning. */
export function ShownChoice({ figures, hiddenFigures, onFigures, rows, hiddenIds, onRows }: ShownChoiceProps) {
  const [isOpen, setOpen] = useState(false);
  const count = hiddenIds.filter((id) => rows.some((r) => r.id === id)).length;
  return (
    <Popover opened={isOpen} onChange={setOpen} position="bottom-start" trapFocus withinPortal>
      <Popover.Target>
        <Action weight="quiet" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {count === 0 ? 'Columns and rows' : `Columns and rows, ${count} ${count === 1 ? 'prop' : 'props'} hidden`}
        </Action>
      </Popover.Target>
      <Popover.Dropdown className={classes.choice} aria-label="Columns and rows">
        <fieldset>
          <legend>Columns</legend>
          {figures.map((figure) => (
            <Checkbox
              key={figure}
              label={figureNames[figure]}
              checked={!hiddenFigures.includes(figure)}
              onChange={() => onFigures(toggled(hiddenFigures, figure))}
            />
          ))}
        </fieldset>
        <fieldset>
          <legend>Props</legend>
          {rows.map(({ id, name }) => (
            <Checkbox
              key={id}
              label={name}
              checked={!hiddenIds.includes(id)}
              onChange={() => onRows(toggled(hiddenIds, id))}
            />
          ))}
        </fieldset>
      </Popover.Dropdown>
    </Popover>
  );
}
