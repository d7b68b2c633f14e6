import { SegmentedControl, TextInput } from '@mantine/core';
import type { PieceView, PropModelView, BalanceJobView, VibrationRunDto } from '@zivvo/contract';
import type { Spin } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { useState } from 'react';
import table from '../shared/table/Table.module.css';
import { Action } from '../shared/ui/Action.tsx';
import { ShakeFile } from './ShakeFile.tsx';
import classes from './BalanceJobPage.module.css';
import { useKept } from '../shared/forms/kept.ts';
import type { JobChange } from './balanceView.ts';
import { TurnDial, type DialMass } from './TurnDial.tsx';

/** Runs with the sensor: bare, with a trial mass, with the correction. */
export function VibrationTab({
  job,
  piece,
  model,
  onSet,
}: {
  job: BalanceJobView;
  piece: Pick<PieceView, 'hand'>;
  model: PropModelView;
  onSet: (change: JobChange) => void;
}) {
  const state = job.vibration;
  const [chosenTurn, setChosenTurn] = useState<Spin>('cw');
  const turn = piece.hand === 'either' ? chosenTurn : piece.hand;
  const [{ mass, degrees, amplitudes, phases }, setReading] = useKept(`reading/${job.id}`, () => ({
    mass: '',
    degrees: '',
    amplitudes: '',
    phases: '',
  }));
  const set = (change: Partial<{ mass: string; degrees: string; amplitudes: string; phases: string }>): void =>
    setReading((now) => ({ ...now, ...change }));
  const isFirst = state?.status === 'needsFirst';
  const isCheck = state?.status === 'found';
  const numbers = (text: string): number[] =>
    text
      .split(/[\s;]+/)
      .filter((t) => t !== '')
      .map((t) => Number(t.replace(',', '.')));
  const [a, p] = [numbers(amplitudes), numbers(phases)];
  const problem =
    a.length > 0 && !a.every((x) => Number.isFinite(x) && x >= 0)
      ? 'numbers, with a space between'
      : p.length > 0 && p.length !== a.length
        ? `${a.length} amplitudes but ${p.length} phases`
        : undefined;
  const next = degrees === '' ? (state?.nextTrialDegrees ?? state?.correction?.degrees ?? 0) : Number(degrees);
  const keep = (): void => {
    const run: VibrationRunDto = {
      massKg: isFirst ? 0 : Number(mass.replace(',', '.')) / 1000,
      degrees: isFirst ? 0 : ((next % 360) + 360) % 360,
      readings: a.map((amplitude, i) => ({ amplitude, phaseDegrees: p[i] ?? null })),
      isCheck,
    };
    onSet(({ runs }) => ({ runs: [...runs, run] }));
    set({ amplitudes: '', phases: '', degrees: '' });
  };
  const masses: DialMass[] = [
    ...job.runs.filter((r) => r.massKg > 0 && !r.isCheck).map((r) => ({ degrees: r.degrees, kind: 'trial' as const })),
    ...(state?.correction ? [{ degrees: state.correction.degrees, kind: 'correction' as const }] : []),
  ];
  const canKeep =
    a.length > 0 &&
    problem === undefined &&
    (isFirst || (isCheck && mass === '') || Number(mass.replace(',', '.')) > 0) &&
    Number.isFinite(next);
  return (
    <div className={classes.bench}>
      <section className={classes.sheet} style={{ display: 'grid', gap: 12 }}>
        <p className={classes.question}>
          {isFirst
            ? 'First run, no mass on it'
            : isCheck
              ? 'Correction on, trial off: run once more'
              : 'Run with the trial mass'}
        </p>
        <TextInput
          label="Speed of the runs"
          defaultValue={job.runSpeedRpm === null ? '' : String(job.runSpeedRpm)}
          placeholder={String(Math.round(job.hoverSpeedRpm))}
          rightSection="rpm"
          rightSectionWidth={44}
          inputMode="decimal"
          onBlur={(e) => {
            const value = Number(e.currentTarget.value);
            if (value >= 200 && value <= 60_000 && value !== job.runSpeedRpm) onSet(() => ({ runSpeedRpm: value }));
          }}
        />
        {!isFirst && (
          <div className={classes.fields}>
            <TextInput
              label={isCheck ? 'Mass that is on' : 'Trial mass'}
              value={mass}
              onChange={(e) => set({ mass: e.currentTarget.value })}
              rightSection="g"
              inputMode="decimal"
              description={state ? `${formatNumber(state.largestTrialKg * 1000, 2)} g at most` : undefined}
            />
            <TextInput
              label="At"
              value={degrees}
              placeholder={formatNumber(next, 0)}
              onChange={(e) => set({ degrees: e.currentTarget.value })}
              rightSection="°"
              inputMode="decimal"
              description="after the mark"
            />
          </div>
        )}
        <div className={classes.fields}>
          <TextInput
            label="Amplitudes"
            value={amplitudes}
            onChange={(e) => set({ amplitudes: e.currentTarget.value })}
            inputMode="decimal"
            placeholder="2.01 2.03 1.98"
            description="several readings, one after another"
            error={problem}
          />
          <TextInput
            label="Phases"
            value={phases}
            onChange={(e) => set({ phases: e.currentTarget.value })}
            inputMode="decimal"
            placeholder="if the sensor tells them"
            description="° from the mark to the peak; beyond 360 is wrapped"
          />
        </div>
        <div className={classes.watch}>
          <Action weight={canKeep ? 'main' : 'plain'} disabled={!canKeep} onClick={keep}>
            Keep the run
          </Action>
        </div>
        <ShakeFile
          speedRpm={job.runSpeedRpm ?? job.hoverSpeedRpm}
          onRead={({ amplitude, phaseDegrees }) => {
            set({ amplitudes: `${amplitudes} ${formatNumber(amplitude, 4).replaceAll(',', '')}`.trim() });
            if (phaseDegrees !== null) set({ phases: `${phases} ${formatNumber(phaseDegrees, 1)}`.trim() });
          }}
        />
      </section>
      <section className={classes.steps}>
        <div className={classes.sheet}>
          <TurnDial shape={model} turn={turn} masses={masses} size={300} />
          {piece.hand === 'either' && (
            <SegmentedControl
              aria-label="It turns, seen from the label"
              value={turn}
              onChange={(v) => setChosenTurn(v)}
              data={[
                { value: 'cw', label: 'turns CW' },
                { value: 'ccw', label: 'turns CCW' },
              ]}
            />
          )}
          <p className="muted" style={{ margin: 0 }}>
            The label faces you. Masses and phases count what passes after the mark: against the turn. Filled: the
            correction; hollow: trials.
          </p>
        </div>
        <div className={table.sheet}>
          <table className={table.table}>
            <thead>
              <tr>
                <th>Run</th>
                <th data-right>Mass</th>
                <th data-right>At</th>
                <th data-right>Amplitude</th>
                <th data-right>Phase</th>
              </tr>
            </thead>
            <tbody>
              {job.runs.map((run, i) => (
                <tr key={i} style={{ cursor: 'default' }}>
                  <td>{run.isCheck ? 'check' : run.massKg === 0 ? 'bare' : `trial ${i}`}</td>
                  <td data-right>{run.massKg === 0 ? '–' : `${formatNumber(run.massKg * 1000, 2)} g`}</td>
                  <td data-right>{run.massKg === 0 ? '–' : `${formatNumber(run.degrees, 0)}°`}</td>
                  <td data-right>{run.readings.map((r) => formatNumber(r.amplitude, 2)).join(' ')}</td>
                  <td data-right>
                    {run.readings
                      .map((r) => (r.phaseDegrees === null ? '–' : formatNumber(r.phaseDegrees, 0)))
                      .join(' ')}
                  </td>
                </tr>
              ))}
              {job.runs.length === 0 && (
                <tr>
                  <td colSpan={5} className="muted">
                    No run yet. Nobody level with the disc, cage on, a switch within reach.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
          {state?.correction && (
            <p style={{ padding: '0 12px' }}>
              {`Put ${formatNumber(state.correction.massKg * 1000, 2)} g at ` +
                `${formatNumber(state.correction.degrees, 0)}° after the mark, as drawn. It holds for this motor ` +
                'and this angle only: mark both.'}
            </p>
          )}
        </div>
      </section>
    </div>
  );
}
