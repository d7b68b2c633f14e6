import { TextInput } from '@mantine/core';
import { fromPolar, spinnerPositions } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useKept } from '../shared/forms/kept.ts';
import { numberOf, workedOut } from './benchFields.ts';
import classes from './BalanceJobPage.module.css';

const KG_M_PER_G_MM = 1e-6;
const EXAMPLE = { prop: '1.2', propAt: '0', spinner: '0.8', spinnerAt: '40', count: '4' };

/** A spinner that was balanced alone, turned against its prop until the rest of both cancels best. */
export function SpinnerTool() {
  const [values, setValues] = useKept('bench/spinner', () => ({
    prop: '',
    propAt: '',
    spinner: '',
    spinnerAt: '',
    count: '',
  }));
  const n = (key: keyof typeof values): number => numberOf(values[key]);
  const field = (
    key: keyof typeof values,
    label: string,
    unit: string,
    isGood: (value: number) => boolean,
    allowed: string,
  ) => (
    <TextInput
      key={key}
      label={label}
      value={values[key]}
      onChange={(e) => setValues({ ...values, [key]: e.currentTarget.value })}
      rightSection={unit}
      rightSectionWidth={52}
      inputMode="decimal"
      placeholder={EXAMPLE[key]}
      error={values[key] === '' || isGood(n(key)) ? undefined : allowed}
    />
  );
  const isAmount = (x: number): boolean => Number.isFinite(x) && x >= 0;
  const found = workedOut(() =>
    isAmount(n('prop')) && isAmount(n('spinner')) && Number.isFinite(n('propAt')) && Number.isFinite(n('spinnerAt'))
      ? spinnerPositions(
          fromPolar(n('prop') * KG_M_PER_G_MM, n('propAt')),
          fromPolar(n('spinner') * KG_M_PER_G_MM, n('spinnerAt')),
          n('count'),
        )
      : null,
  );
  const onMark = found?.find((p) => p.position === 0);
  return (
    <section className={classes.sheet} style={{ alignItems: 'stretch', maxWidth: 620 }}>
      <div className={classes.fields}>
        {field('prop', 'What is left of the prop', 'g·mm', isAmount, '0 or more')}
        {field('propAt', 'pointing, from its mark', '°', Number.isFinite, 'a number')}
        {field('spinner', 'What is left of the spinner', 'g·mm', isAmount, '0 or more')}
        {field('spinnerAt', 'pointing, from its own mark', '°', Number.isFinite, 'a number')}
        {field('count', 'Positions it can sit in', '', (x) => Number.isInteger(x) && x >= 1 && x <= 36, '1 to 36')}
      </div>
      {!found && (
        <p className="muted">
          What is left of both and where each points: then it stands here how far the spinner is turned.
        </p>
      )}
      {found && onMark && (
        <>
          <p aria-live="polite">
            <strong>{`Turn it ${formatNumber(found[0]!.turnDegrees, 0)}°`}</strong>
            {` from mark on mark: ${formatNumber(found[0]!.unbalanceKgM / KG_M_PER_G_MM, 2)} g·mm left, against ` +
              `${formatNumber(onMark.unbalanceKgM / KG_M_PER_G_MM, 2)} on the mark and ` +
              `${formatNumber(found.at(-1)!.unbalanceKgM / KG_M_PER_G_MM, 2)} at worst. Then mark both: this ` +
              'holds for that position only.'}
          </p>
          <ol className={classes.positions}>
            {found.slice(0, 8).map((p) => (
              <li
                key={p.position}
              >{`${formatNumber(p.turnDegrees, 0)}°: ${formatNumber(p.unbalanceKgM / KG_M_PER_G_MM, 2)} g·mm`}</li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}
