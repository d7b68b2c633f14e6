import { SegmentedControl, TextInput } from '@mantine/core';
import type { PropModelView, SwingDto, BalanceJobView } from '@zivvo/contract';
import { formatNumber, formatUnbalance } from '@zivvo/words';
import { useState } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { Action } from '../shared/ui/Action.tsx';
import { Dial } from './Dial.tsx';
import { downOf } from './dialView.ts';
import classes from './BalanceJobPage.module.css';
import type { JobChange } from './balanceView.ts';

interface SwingTabProps {
  job: BalanceJobView;
  model: PropModelView;
  onSet: (change: JobChange) => void;
}

const LEAST_TAPS = 5;

/** Tap at each swing: bare, then with a known tape; together they give unbalance and inertia. */
export function SwingTab({ job, model, onSet }: SwingTabProps) {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const [isHalf, setHalf] = useState(true);
  const [start, setStart] = useState('20');
  const [tape, setTape] = useState('');
  const [side, setSide] = useState<SwingDto['side']>('heavy');
  const [pose, setPose] = useState({ turnDegrees: 180, isBackSeen: false });
  // What was swung before the piece was changed for good counts no more.
  const before = job.swings.slice(0, job.corrections.at(-1)?.swingCount ?? 0);
  const fresh = job.swings.slice(before.length);
  const hasBare = fresh.some((s) => s.tapeKgM === 0);
  const tap = (): void => setTaps([...taps, performance.now()].slice(-40));
  const tapeKgM = hasBare ? Number(tape.replace(',', '.')) * 1e-6 : 0;
  const startDegrees = Number(start);
  const canKeep = taps.length >= LEAST_TAPS && startDegrees >= 0 && startDegrees <= 90 && (!hasBare || tapeKgM > 0);
  const keep = (): void => {
    if (!canKeep) return;
    const kept = hasBare ? fresh.filter((s) => s.tapeKgM === 0) : [];
    const swing: SwingDto = { tapsS: taps.map((t) => (t - taps[0]!) / 1000), isHalf, startDegrees, tapeKgM, side };
    onSet(() => ({ swings: [...before, ...kept, swing] }));
    setTaps([]);
  };
  useKeys([
    { key: ' ', what: 'Tap at each swing', run: tap },
    { key: 'k', what: 'Keep this swing', run: keep },
  ]);
  const swing = job.result?.swing;
  const seconds = taps.length > 1 ? (taps.at(-1)! - taps[0]!) / 1000 / (taps.length - 1) : null;
  return (
    <div className={classes.bench}>
      <section className={classes.steps}>
        <p className={classes.question}>
          {hasBare
            ? 'Now with a known tape on it, again: tap at each swing'
            : 'Let it swing a little about its rest, and tap at each end'}
        </p>
        <button type="button" className={classes.tapKey} onClick={tap}>
          Tap <kbd>Space</kbd>
          <span>
            {taps.length === 0 ? '' : `${taps.length}${seconds === null ? '' : ` · ${formatNumber(seconds, 2)} s`}`}
          </span>
        </button>
        <SegmentedControl
          value={isHalf ? 'half' : 'whole'}
          onChange={(v) => setHalf(v === 'half')}
          data={[
            { value: 'half', label: 'I tap at both ends' },
            { value: 'whole', label: 'I tap at the same end' },
          ]}
          aria-label="Where I tap"
        />
        <div className={classes.fields}>
          <TextInput
            label="Widest at the start"
            value={start}
            onChange={(e) => setStart(e.currentTarget.value)}
            rightSection="°"
            inputMode="decimal"
            error={startDegrees >= 0 && startDegrees <= 90 ? undefined : '0 to 90'}
            description="to one side; under 20 is best"
          />
          {hasBare && (
            <TextInput
              label="Tape moment"
              value={tape}
              onChange={(e) => setTape(e.currentTarget.value)}
              rightSection={<span className="muted">g·mm</span>}
              rightSectionWidth={52}
              inputMode="decimal"
              description={swing ? `about ${formatUnbalance(1.2 * swing.unbalanceKgM)} tells most` : undefined}
            />
          )}
        </div>
        {hasBare && (
          <SegmentedControl
            value={side}
            onChange={(v) => setSide(v)}
            data={[
              { value: 'heavy', label: 'on the heavy side' },
              { value: 'light', label: 'on the light side' },
            ]}
            aria-label="Where the tape is"
          />
        )}
        <div className={classes.watch}>
          <Action weight={canKeep ? 'main' : 'plain'} hint="k" disabled={!canKeep} onClick={keep}>
            Keep this swing
          </Action>
          <Action weight="quiet" onClick={() => setTaps([])}>
            Again
          </Action>
        </div>
        {swing && (
          <p>
            <strong>{formatUnbalance(swing.unbalanceKgM)}</strong>{' '}
            {`± ${formatNumber(swing.uncertaintyRatio * 100, 0)} %`}, inertia{' '}
            {`${formatNumber(swing.inertiaKgM2 * 1e7, 1)} g·cm²`}
          </p>
        )}
      </section>
      <section className={classes.sheet}>
        <p className={classes.question}>Where does it hang at rest?</p>
        <Dial
          shape={model}
          pose={pose}
          onTurn={(turnDegrees) => setPose({ ...pose, turnDegrees })}
          places={job.result?.places ?? []}
          tape={[]}
          unbalance={null}
          targetKgM={job.result?.targetKgM ?? 1e-7}
          size={300}
        />
        <Action onClick={() => onSet(() => ({ heavyDegrees: downOf(pose) }))}>
          {job.heavyDegrees === null
            ? 'It hangs like this'
            : `Noted: ${formatNumber(job.heavyDegrees, 0)}° from blade 1. Change`}
        </Action>
      </section>
    </div>
  );
}
