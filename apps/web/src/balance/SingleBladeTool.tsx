import { TextInput } from '@mantine/core';
import { singleBladeBalance } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useState } from 'react';
import { numberOf, workedOut } from './benchFields.ts';
import classes from './TrueJobPage.module.css';

/** A single blade and the washers against it. */
export function SingleBladeTool() {
  const [values, setValues] = useState({ blade: '4.0', centre: '50', washer: '0.8', at: '20', count: '12', thrust: '2', thrustAt: '70' });
  const n = (key: keyof typeof values): number => numberOf(values[key]);
  const field = (key: keyof typeof values, label: string, unit: string) => <TextInput key={key} label={label} value={values[key]} onChange={(e) => setValues({ ...values, [key]: e.currentTarget.value })} rightSection={unit} inputMode="decimal" error={n(key) > 0 ? undefined : 'above 0'} />;
  const found = workedOut(() => singleBladeBalance({ bladeMassKg: n('blade') / 1000, centreOfMassM: n('centre') / 1000, washerMassKg: n('washer') / 1000, washerRadiusM: n('at') / 1000, washerCount: Math.round(n('count')) }, n('thrust'), n('thrustAt') / 1000));
  return (
    <section className={classes.sheet} style={{ alignItems: 'stretch', maxWidth: 560 }}>
      <div className={classes.fields}>
        {field('blade', 'Blade', 'g')}
        {field('centre', 'Its centre of mass at', 'mm')}
        {field('washer', 'A washer', 'g')}
        {field('at', 'Washers at', 'mm')}
        {field('count', 'Washers on now', '')}
        {field('thrust', 'Thrust of the blade', 'N')}
        {field('thrustAt', 'acting at', 'mm')}
      </div>
      {found && (
        <p aria-live="polite">
          <strong>{`${found.washerCount} washers`}</strong>
          {` leave ${formatNumber(found.leftKgM * 1e6, 1)} g·mm; the ${values.count} on now leave ${formatNumber(found.nowKgM * 1e6, 1)}. Its thrust still turns the craft over with ${formatNumber(found.thrustMomentNm, 3)} N·m once a turn.`}
        </p>
      )}
    </section>
  );
}
