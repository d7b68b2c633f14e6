import { Drawer } from '@mantine/core';
import type { Working } from '@zivvo/core';
import {
  formatQuantity,
  inputName,
  markNames,
  originNames,
  reasonSentence,
  sourceSentence,
  workingTitle,
} from '@zivvo/words';
import { dimensions } from '@zivvo/core';
import { Link } from 'react-router';
import { useFormat } from '../format/useFormat.ts';
import { EvidenceDot } from '../ui/EvidenceDot.tsx';
import { ProblemNote } from '../ui/PageStates.tsx';
import classes from './WorkingDrawer.module.css';

interface WorkingDrawerProps {
  /** Null while it is on its way. */
  working: Working | null;
  error?: unknown;
  /** Whose figure it is. */
  subject: string;
  /** Where its readings stand as they were read. */
  sources?: readonly { label: string; to: string }[];
  onClose: () => void;
}

/** How a figure came about: inputs, formulas, result, source, uncertainty. */
export function WorkingDrawer({ working, error, subject, sources = [], onClose }: WorkingDrawerProps) {
  return (
    <Drawer
      opened
      onClose={onClose}
      position="right"
      size={560}
      title={working ? workingTitle(working) : 'Working'}
      overlayProps={{ backgroundOpacity: 0.25 }}
      transitionProps={{ duration: 0 }}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <p className="muted" style={{ marginTop: 0 }}>
        {subject}
      </p>
      <ProblemNote error={error} />
      {working ? <Shown working={working} /> : error === undefined && <p className="muted">working…</p>}
      {working && sources.length > 0 && (
        <>
          <h3>As it was read</h3>
          <ul className={classes.sources}>
            {sources.map(({ label, to }) => (
              <li key={to}>
                <Link to={to}>{label}</Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </Drawer>
  );
}

function Shown({ working }: { working: Working }) {
  const { choices, quantity } = useFormat();
  const { result } = working;
  const si = (value: number, dimension: Working['result']['dimension']): string =>
    `${Number(value.toPrecision(6))} ${dimensions[dimension].siSymbol}`.trim();
  const shown = quantity(result.value, result.dimension);
  return (
    <>
      <p className={classes.result}>
        {shown.number} <span>{shown.unit}</span>
      </p>
      <p className={classes.mark}>
        <EvidenceDot mark={result.mark} origin={result.origin} /> {markNames[result.mark]}
        {result.origin !== null && `, ${originNames[result.origin]}`}
        {result.uncertainty !== null &&
          ', ± ' +
            `${formatQuantity(result.uncertainty, result.dimension, choices, moreDigits(result.dimension)).text} ` +
            '(95 %)'}
      </p>
      <h3>From</h3>
      <table className={classes.inputs}>
        <tbody>
          {working.inputs.map((input) => (
            <tr key={input.symbol}>
              <th scope="row">{input.symbol}</th>
              <td>
                <EvidenceDot mark={input.mark} /> {inputName(input.what)}
              </td>
              <td data-right>{si(input.value, input.dimension)}</td>
              <td data-right className="muted">
                {input.dimension !== 'number' && quantity(input.value, input.dimension).text}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <h3>Through</h3>
      <ol className={classes.lines}>
        {working.lines.map((line) => (
          <li key={line.symbol}>
            <code>
              {line.symbol} = {line.formula}
            </code>
            <span>
              = {si(line.value, line.dimension)}{' '}
              {line.dimension !== 'number' && (
                <span className="muted">({quantity(line.value, line.dimension).text})</span>
              )}
            </span>
          </li>
        ))}
      </ol>
      <h3>Why so</h3>
      <p>{sourceSentence(working.source)}</p>
      {working.notes.map((note) => (
        <p key={note.code} className="muted">
          {reasonSentence({ ...note, values: { name: 'this prop', ...note.values } }, choices)}
        </p>
      ))}
    </>
  );
}

/** An uncertainty is small: it deserves a digit more than its figure. */
function moreDigits(dimension: Working['result']['dimension']): number | undefined {
  return { force: 0, rotation: 0, power: 1, current: 2, ratio: 1, voltage: 2 }[dimension as string];
}
