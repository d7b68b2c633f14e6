import { TextInput } from '@mantine/core';
import {
  amountOf,
  degreesOf,
  fromPolar,
  planeCorrections,
  wrapDegrees,
  WORST_CONDITION,
  type Complex,
} from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useKept } from '../shared/forms/kept.ts';
import table from '../shared/table/Table.module.css';
import { numberOf, workedOut } from './benchFields.ts';
import classes from './BalanceJobPage.module.css';

const RUNS = ['bare', 'trial in front', 'trial behind'] as const;
const SENSORS = ['front', 'rear'] as const;
type Cells = Record<string, string>;

/** Amplitude and phase of each sensor in each run, and the trial masses, as an example. */
const EXAMPLE: Cells = {
  'bare/front/a': '2.4',
  'bare/front/p': '40',
  'bare/rear/a': '1.6',
  'bare/rear/p': '210',
  'trial in front/front/a': '3.3',
  'trial in front/front/p': '78',
  'trial in front/rear/a': '1.4',
  'trial in front/rear/p': '236',
  'trial behind/front/a': '2.9',
  'trial behind/front/p': '25',
  'trial behind/rear/a': '2.7',
  'trial behind/rear/p': '176',
  'trial in front/g': '0.5',
  'trial in front/deg': '90',
  'trial behind/g': '0.5',
  'trial behind/deg': '90',
};

/** Long hubs, spinner and prop on one shaft: two sensors, two planes, three runs. */
export function TwoPlanesTool() {
  const [cells, setCells] = useKept<Cells>('bench/planes', () => ({}));
  const value = (key: string): number => numberOf(cells[key] ?? '');
  const reading = (run: string, sensor: string): Complex =>
    fromPolar(value(`${run}/${sensor}/a`), value(`${run}/${sensor}/p`));
  const isWhole =
    Object.keys(EXAMPLE).every((key) => Number.isFinite(value(key))) &&
    value('trial in front/g') > 0 &&
    value('trial behind/g') > 0;
  const found = isWhole
    ? workedOut(() =>
        planeCorrections({
          before: SENSORS.map((s) => reading('bare', s)),
          trials: [RUNS[1], RUNS[2]].map((run) => ({
            mass: fromPolar(value(`${run}/g`) / 1000, value(`${run}/deg`)),
            readings: SENSORS.map((s) => reading(run, s)),
          })),
        }),
      )
    : null;
  const cell = (key: string, label: string) => {
    const isAmount = key.endsWith('/a') || key.endsWith('/g');
    const isEmpty = (cells[key] ?? '') === '';
    const problem = isEmpty
      ? undefined
      : !Number.isFinite(value(key))
        ? 'a number'
        : isAmount && value(key) < 0
          ? '0 or more'
          : undefined;
    return (
      <TextInput
        aria-label={label}
        size="sm"
        value={cells[key] ?? ''}
        placeholder={EXAMPLE[key]}
        onChange={(e) => setCells({ ...cells, [key]: e.currentTarget.value })}
        inputMode="decimal"
        error={problem}
      />
    );
  };
  const isAlike = found !== null && !(found.condition <= WORST_CONDITION);
  return (
    <section className={classes.sheet} style={{ alignItems: 'stretch' }}>
      <p>
        Two sensors with phase, front and rear. Three runs at one speed: bare, with a trial mass in the front plane,
        with it in the rear plane instead. Degrees and phases count what comes after the mark, against the turn.
      </p>
      <div className={table.sheet}>
        <table className={table.table}>
          <thead>
            <tr>
              <th>Run</th>
              <th>Mass, g</th>
              <th>At, °</th>
              <th>Front sensor</th>
              <th>its phase, °</th>
              <th>Rear sensor</th>
              <th>its phase, °</th>
            </tr>
          </thead>
          <tbody>
            {RUNS.map((run) => (
              <tr key={run} style={{ cursor: 'default' }}>
                <td>{run}</td>
                <td>{run === 'bare' ? 'none' : cell(`${run}/g`, `Mass, ${run}`)}</td>
                <td>{run === 'bare' ? '' : cell(`${run}/deg`, `Angle, ${run}`)}</td>
                {SENSORS.map((sensor) => [
                  <td key={`${sensor}a`}>{cell(`${run}/${sensor}/a`, `Amplitude, ${run}, ${sensor} sensor`)}</td>,
                  <td key={`${sensor}p`}>{cell(`${run}/${sensor}/p`, `Phase, ${run}, ${sensor} sensor`)}</td>,
                ])}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p aria-live="polite">
        {found === null ? (
          'Every cell needs its number; a trial that changed nothing tells nothing.'
        ) : (
          <>
            <strong>
              {SENSORS.map(
                (side, i) =>
                  `${formatNumber(amountOf(found.corrections[i]!) * 1000, 2)} g at ` +
                  `${formatNumber(wrapDegrees(degreesOf(found.corrections[i]!)), 0)}° in the ${side} plane`,
              ).join(', ')}
            </strong>
            {', at the radius of the trials; the trial comes off. ' +
              `${isAlike ? `The two planes act almost alike (condition ${formatNumber(found.condition, 0)}, over ${WORST_CONDITION}): small errors of reading become large masses. Move the planes or the sensors apart.` : `The planes are told apart well (condition ${formatNumber(found.condition, 1)}).`}`}
          </>
        )}
      </p>
    </section>
  );
}
