import { SegmentedControl, TextInput } from '@mantine/core';
import { balancedSubsets, CoreError, placeBlades, singleBladeBalance } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useMemo, useState } from 'react';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './TrueJobPage.module.css';
import { TrueTabs } from './TrueTabs.tsx';

type Tool = 'slots' | 'single';

/** Hubs with more slots than blades, blades that were weighed one by one, and the single blade with its washers. */
export function Component() {
  const [tool, setTool] = useState<Tool>('slots');
  return (
    <StationPage
      eyebrow="True · Slots"
      headline={tool === 'slots' ? 'Which blade into which slot' : 'A single blade and its washers'}
      tools={<TrueTabs />}
      reasons={<p style={{ margin: 0 }}>{tool === 'slots' ? 'Evenly spaced and merely balanced are not the same: a balanced set may still be uneven, and uneven spacing moves the sound to other orders.' : 'Washers balance its mass; its thrust still pulls beside the shaft once a turn. Run it in the cage only.'}</p>}
    >
      <SegmentedControl value={tool} onChange={(v) => setTool(v)} data={[{ value: 'slots', label: 'Slots' }, { value: 'single', label: 'Single blade' }]} style={{ alignSelf: 'start' }} aria-label="What to work out" />
      {tool === 'slots' ? <Slots /> : <SingleBlade />}
    </StationPage>
  );
}

const SLOTS_MOST = 24;

function Slots() {
  const [slots, setSlots] = useState('6');
  const [weights, setWeights] = useState('50.1 49.8 50.6 50.2');
  const slotCount = Number(slots);
  const moments = weights.split(/[\s;]+/).filter((t) => t !== '').map((t) => Number(t.replace(',', '.')));
  const isGood = Number.isInteger(slotCount) && slotCount >= 2 && slotCount <= SLOTS_MOST && moments.length >= 1 && moments.length <= slotCount && moments.every((m) => Number.isFinite(m) && m > 0);
  const key = JSON.stringify(moments);
  const found = useMemo(() => (isGood ? placeBlades(JSON.parse(key) as number[], slotCount) : null), [isGood, key, slotCount]);
  const alike = useMemo(() => (isGood && slotCount <= 16 ? balancedSubsets(slotCount, moments.length) : null), [isGood, slotCount, moments.length]);
  return (
    <div className={classes.bench}>
      <section className={classes.sheet} style={{ alignItems: 'stretch' }}>
        <TextInput label="Slots of the hub" value={slots} onChange={(e) => setSlots(e.currentTarget.value)} inputMode="numeric" error={Number.isInteger(slotCount) && slotCount >= 2 && slotCount <= SLOTS_MOST ? undefined : `2 to ${SLOTS_MOST}`} />
        <TextInput label="Moments of the blades, g·mm" value={weights} onChange={(e) => setWeights(e.currentTarget.value)} inputMode="decimal" description="weighed one by one, a space between" error={moments.length > slotCount ? `${moments.length} blades, ${slotCount} slots` : moments.every((m) => Number.isFinite(m) && m > 0) ? undefined : 'numbers above 0'} />
        {found && (
          <p aria-live="polite">
            <strong>{`${formatNumber(found.residualKgM, 2)} g·mm left`}</strong>
            {`; as they came ${formatNumber(found.identityKgM, 2)}, at worst ${formatNumber(found.worstKgM, 2)}.${found.isExact ? '' : ' Searched, not proved: more than ten slots.'}`}
          </p>
        )}
        {alike && (
          <p className="muted">
            {alike.count === 0 ? `No way to put ${moments.length} like blades into ${slotCount} slots balances.` : `Like blades balance in ${alike.classes.length} ${alike.classes.length === 1 ? 'pattern' : 'patterns'}: ${alike.classes.slice(0, 6).map((c) => c.map((s) => s + 1).join('-')).join(', ')}; ${alike.evenlySpacedCount > 0 ? 'one of them evenly spaced' : 'none of them evenly spaced'}.`}
          </p>
        )}
      </section>
      {found && <Hub slotCount={slotCount} slots={found.slots} />}
    </div>
  );
}

function Hub({ slotCount, slots }: { slotCount: number; slots: readonly number[] }) {
  return (
    <svg viewBox="-100 -100 200 200" width={320} height={320} role="img" aria-label={`Blade ${slots.map((s, i) => `${i + 1} in slot ${s + 1}`).join(', blade ')}`} style={{ maxWidth: '100%' }}>
      <circle r={46} fill="var(--hatch-ground)" stroke="var(--ink)" />
      {Array.from({ length: slotCount }, (_, i) => {
        const angle = ((i * 360) / slotCount - 90) * (Math.PI / 180);
        const blade = slots.indexOf(i);
        const [x, y] = [Math.cos(angle), Math.sin(angle)];
        return (
          <g key={i}>
            {blade >= 0 && <line x1={46 * x} y1={46 * y} x2={84 * x} y2={84 * y} stroke="var(--fjord)" strokeWidth={9} strokeLinecap="round" />}
            <text x={34 * x} y={34 * y} fontSize={9} textAnchor="middle" dominantBaseline="central" fill="var(--muted)">
              {i + 1}
            </text>
            {blade >= 0 && (
              <text x={66 * x} y={66 * y} fontSize={10} fontWeight={700} textAnchor="middle" dominantBaseline="central" fill="var(--on-fjord)">
                {blade + 1}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

function SingleBlade() {
  const [values, setValues] = useState({ blade: '4.0', centre: '50', washer: '0.8', at: '20', count: '12', thrust: '2', thrustAt: '70' });
  const n = (key: keyof typeof values): number => Number(values[key].replace(',', '.'));
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

function workedOut<T>(work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}
