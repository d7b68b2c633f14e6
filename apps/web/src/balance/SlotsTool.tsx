import { TextInput } from '@mantine/core';
import { balancedSubsets } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useMemo } from 'react';
import { useKept } from '../shared/forms/kept.ts';
import { numbersOf } from './benchFields.ts';
import { usePlacing } from './useBench.ts';
import classes from './BalanceJobPage.module.css';

const SLOTS_MOST = 24;

/** Which individually weighed blade goes into which slot; worked out in a worker. */
export function SlotsTool() {
  const [{ slots, weights }, setTyped] = useKept('bench/slots', () => ({ slots: '', weights: '' }));
  const slotCount = Number(slots);
  const moments = numbersOf(weights);
  const isGood =
    Number.isInteger(slotCount) &&
    slotCount >= 2 &&
    slotCount <= SLOTS_MOST &&
    moments.length >= 1 &&
    moments.length <= slotCount &&
    moments.every((m) => Number.isFinite(m) && m > 0);
  const found = usePlacing(isGood ? moments : null, slotCount);
  const alike = useMemo(
    () => (isGood && slotCount <= 16 ? balancedSubsets(slotCount, moments.length) : null),
    [isGood, slotCount, moments.length],
  );
  return (
    <div className={classes.bench}>
      <section className={classes.sheet} style={{ alignItems: 'stretch' }}>
        <TextInput
          label="Slots of the hub"
          value={slots}
          placeholder="6"
          onChange={(e) => setTyped({ slots: e.currentTarget.value, weights })}
          inputMode="numeric"
          error={
            slots === '' || (Number.isInteger(slotCount) && slotCount >= 2 && slotCount <= SLOTS_MOST)
              ? undefined
              : `2 to ${SLOTS_MOST}`
          }
        />
        <TextInput
          label="Moments of the blades, g·mm"
          value={weights}
          placeholder="50.1 49.8 50.6 50.2"
          onChange={(e) => setTyped({ slots, weights: e.currentTarget.value })}
          inputMode="decimal"
          description="weighed one by one, a space between"
          error={
            slots !== '' && moments.length > slotCount
              ? `${moments.length} blades, ${slotCount} slots`
              : moments.every((m) => Number.isFinite(m) && m > 0)
                ? undefined
                : 'numbers above 0'
          }
        />
        {!isGood && (
          <p className="muted">
            How many slots the hub has, and what each blade weighs times its balance point: then it stands here which
            blade goes where.
          </p>
        )}
        {isGood && (
          <p aria-live="polite">
            {found === null ? (
              'working…'
            ) : (
              <>
                <strong>{`${formatNumber(found.residualKgM, 2)} g·mm left`}</strong>
                {`; as they came ${formatNumber(found.identityKgM, 2)}, at worst ` +
                  `${formatNumber(found.worstKgM, 2)}.${found.isExact ? '' : ' Searched, not proved: more than ten slots.'}`}
              </>
            )}
          </p>
        )}
        {alike && (
          <p className="muted">
            {alike.count === 0
              ? `No way to put ${moments.length} like blades into ${slotCount} slots balances.`
              : `Like blades balance in ${alike.classes.length} ` +
                `${alike.classes.length === 1 ? 'pattern' : 'patterns'}: ` +
                `${alike.classes
                  .slice(0, 6)
                  .map((c) => c.map((s) => s + 1).join('-'))
                  .join(', ')}; ` +
                `${alike.evenlySpacedCount > 0 ? 'one of them evenly spaced' : 'none of them evenly spaced'}.`}
          </p>
        )}
      </section>
      {found && <Hub slotCount={slotCount} slots={found.slots} />}
    </div>
  );
}

function Hub({ slotCount, slots }: { slotCount: number; slots: readonly number[] }) {
  return (
    <svg
      viewBox="-100 -100 200 200"
      width={320}
      height={320}
      role="img"
      aria-label={`Blade ${slots.map((s, i) => `${i + 1} in slot ${s + 1}`).join(', blade ')}`}
      style={{ maxWidth: '100%' }}
    >
      <circle r={46} fill="var(--hatch-ground)" stroke="var(--ink)" />
      {Array.from({ length: slotCount }, (_, i) => {
        const angle = ((i * 360) / slotCount - 90) * (Math.PI / 180);
        const blade = slots.indexOf(i);
        const [x, y] = [Math.cos(angle), Math.sin(angle)];
        return (
          <g key={i}>
            {blade >= 0 && (
              <line
                x1={46 * x}
                y1={46 * y}
                x2={84 * x}
                y2={84 * y}
                stroke="var(--fjord)"
                strokeWidth={9}
                strokeLinecap="round"
              />
            )}
            <text x={34 * x} y={34 * y} fontSize={9} textAnchor="middle" dominantBaseline="central" fill="var(--muted)">
              {i + 1}
            </text>
            {blade >= 0 && (
              <text
                x={66 * x}
                y={66 * y}
                fontSize={10}
                fontWeight={700}
                textAnchor="middle"
                dominantBaseline="central"
                fill="var(--on-fjord)"
              >
                {blade + 1}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
