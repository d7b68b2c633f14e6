import { NativeSelect, TextInput } from '@mantine/core';
import { STEP_MAX_COUNT } from '@zivvo/contract';
import {
  standQuantities,
  standQuantityNames,
  unitSymbols,
  type AskedColumns,
  type RecognizedColumn,
  type StandQuantity,
  type StandStep,
} from '@zivvo/core';
import { formatNumber, quantityNames } from '@zivvo/words';
import { useState } from 'react';
import { numberIn } from '../../shared/forms/numberIn.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { Action } from '../../shared/ui/Action.tsx';
import { SeverityMark } from '../../shared/ui/ReasonList.tsx';
import classes from './Feed.module.css';
import { hasSerial } from './feedSource.ts';
import { useFeed, type Feed } from './useFeed.ts';

const BAUD_RATES = ['9600', '57600', '115200', '230400', '921600'];
const USUAL_BAUD = '115200';
/** A device that says nothing for longer is told to be silent [s]. */
const SILENT_S = 2;
const SHOWN = standQuantityNames.filter((q) => q !== 'throttleRatio');

interface TakeProps {
  /** The run takes no more rows. */
  isFull: boolean;
  onTake: (step: StandStep) => void;
}

/** A device that only reads: what it shows now, and taking that as a row of the run. */
export default function FeedPanel({ isFull, onTake }: TakeProps) {
  const feed = useFeed();
  const { ear, nowS } = feed;
  const isSilent = ear.silentS(nowS) > SILENT_S;
  return (
    <section className={classes.sheet} aria-label="Device">
      <p className={classes.caution}>
        <SeverityMark severity="caution" />
        This device only reads: Zivvo cannot cut it. Your own switch within reach, nobody level with the disc.
      </p>
      {ear.asked ? (
        <Columns key={ear.asked.key} asked={ear.asked} onAnswer={(columns) => ear.answer(columns)} />
      ) : isSilent ? (
        <Silent feed={feed} />
      ) : (
        <Now feed={feed} isFull={isFull} onTake={onTake} />
      )}
      {ear.fault !== null && (
        <p className={classes.fault} role="status">
          {`${ear.fault} ` +
            `${ear.faultCount === 1 ? 'One line was' : `${formatNumber(ear.faultCount, 0)} lines were`} not read.`}
        </p>
      )}
    </section>
  );
}

/** Nothing comes: how it would. */
function Silent({ feed: { ear, way, isThere, problem, openSerial, listenToPipe } }: { feed: Feed }) {
  const [baud, setBaud] = useState(USUAL_BAUD);
  return (
    <>
      <p role="status">
        {ear.readingCount > 0
          ? 'Nothing was heard for two seconds.'
          : way === 'serial'
            ? 'The port is open; nothing is heard yet.'
            : isThere
              ? 'Nothing is heard yet.'
              : 'Zivvo’s server does not answer.'}
      </p>
      <p>
        Let your program print one line a reading and pipe it in, <code>your-program | node scripts/feed.mjs send</code>
        , or post its lines to <code>{`${location.origin}/api/feed`}</code>. The first line names the columns with their
        units: <code>Thrust (g),Current (A),rpm</code>.
      </p>
      <div className={classes.row}>
        {hasSerial() && (
          <>
            <NativeSelect
              label="Baud"
              value={baud}
              onChange={(e) => setBaud(e.currentTarget.value)}
              data={BAUD_RATES}
            />
            <Action onClick={() => void openSerial(Number(baud))}>Choose a serial port</Action>
          </>
        )}
        {way === 'serial' && <Action onClick={listenToPipe}>Listen to what is piped in</Action>}
      </div>
      {problem !== null && <p role="alert">{problem}</p>}
    </>
  );
}

/** The mean of the last second, large, and taking it. */
function Now({ feed: { ear, nowS }, isFull, onTake }: TakeProps & { feed: Feed }) {
  const format = useFormat();
  const [throttle, setThrottle] = useState('');
  const mean = ear.window.meanAt(nowS);
  const typed = numberIn(throttle, { min: 0, max: 100 });
  const throttleRatio = mean?.step.throttleRatio ?? (typed.value === null ? null : typed.value / 100);
  const readsThrottle = ear.quantities.includes('throttleRatio');
  const take = (): void => {
    if (mean === null || throttleRatio === null || isFull) return;
    onTake({ ...mean.step, throttleRatio });
    setThrottle('');
  };
  return (
    <form
      aria-label="Reading now"
      onSubmit={(e) => {
        e.preventDefault();
        take();
      }}
    >
      <div className={classes.readings}>
        {SHOWN.filter((q) => ear.quantities.includes(q)).map((quantity) => (
          <Reading key={quantity} quantity={quantity} value={mean?.step[quantity] ?? null} />
        ))}
        {readsThrottle && <Reading quantity="throttleRatio" value={mean?.step.throttleRatio ?? null} />}
      </div>
      <div className={classes.row}>
        {!readsThrottle && (
          <TextInput
            label="Throttle now, %"
            inputMode="decimal"
            autoComplete="off"
            value={throttle}
            error={typed.error}
            onChange={(e) => setThrottle(e.currentTarget.value)}
          />
        )}
        <Action weight="main" type="submit" disabled={mean === null || throttleRatio === null || isFull}>
          Take this reading
        </Action>
        <span className={classes.rate}>
          {isFull
            ? `A run has at most ${STEP_MAX_COUNT} steps.`
            : mean === null
              ? 'too few readings for a mean'
              : mean.isSettled
                ? `settled · ${format.quantity(ear.window.rateHz, 'number', 0).text} a second`
                : 'thrust still moves'}
        </span>
      </div>
    </form>
  );
}

function Reading({ quantity, value }: { quantity: StandQuantity; value: number | null }) {
  const format = useFormat();
  const shown = value === null ? null : format.quantity(value, standQuantities[quantity]);
  return (
    <div className={classes.reading} data-big={quantity === 'thrustN'}>
      <span className={classes.name}>{quantityNames[quantity]}</span>
      <span className={classes.value}>
        {shown?.number ?? '–'}
        {shown && <small>{shown.unit}</small>}
      </span>
    </div>
  );
}

/** What the columns hold, where no header says it. */
function Columns({ asked, onAnswer }: { asked: AskedColumns; onAnswer: (columns: RecognizedColumn[]) => void }) {
  const [columns, setColumns] = useState(asked.columns);
  const set = (i: number, change: Partial<RecognizedColumn>): void =>
    setColumns((now) => now.map((c, k) => (k === i ? { ...c, ...change } : c)));
  const isWhole =
    columns.some((c) => c.quantity === 'thrustN') && columns.every((c) => c.quantity === null || c.unitSymbol !== '');
  return (
    <form
      aria-label="What the columns hold"
      onSubmit={(e) => {
        e.preventDefault();
        if (isWhole) onAnswer(columns);
      }}
    >
      <p>Say what each column holds and in which unit; the same columns are not asked about again.</p>
      {columns.map((column, i) => (
        <div key={i} className={classes.row}>
          <NativeSelect
            label={column.header}
            description={asked.cells[i] === undefined ? undefined : `now ${asked.cells[i]}`}
            value={column.quantity ?? ''}
            onChange={(e) => {
              const quantity = e.currentTarget.value === '' ? null : (e.currentTarget.value as StandQuantity);
              set(i, { quantity, unitSymbol: '' });
            }}
            data={[
              { value: '', label: 'left out' },
              ...standQuantityNames.map((q) => ({ value: q, label: quantityNames[q] })),
            ]}
          />
          {column.quantity !== null && (
            <NativeSelect
              label={`Unit of ${column.header}`}
              value={column.unitSymbol}
              onChange={(e) => set(i, { unitSymbol: e.currentTarget.value })}
              data={[{ value: '', label: 'which?' }, ...unitSymbols(column.quantity)]}
            />
          )}
        </div>
      ))}
      <div className={classes.row}>
        <Action weight="main" type="submit" disabled={!isWhole}>
          Read it so
        </Action>
      </div>
    </form>
  );
}
