import { SegmentedControl } from '@mantine/core';
import type { LookDto, PropModelView, TrueUpDto, TrueUpView } from '@zivvo/contract';
import { tapeLengthM, TAPE_RADIUS_RATIO, USUAL_TAPE } from '@zivvo/core';
import { formatNumber, formatUnbalance } from '@zivvo/words';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '../app/keys.ts';
import { Action } from '../shared/ui/Action.tsx';
import { Dial } from './Dial.tsx';
import { downOf, watchS } from './dialView.ts';
import classes from './TrueJobPage.module.css';
import { placeName } from './trueView.ts';

interface TapeTabProps {
  job: TrueUpView;
  model: PropModelView;
  onSet: (more: Partial<TrueUpDto>) => void;
}

const HUB_RADIUS_RATIO = 0.12;
const STEP_M = 0.001;

/** Let go, look, say what was seen; the next tape follows. */
export function TapeTab({ job, model, onSet }: TapeTabProps) {
  const { result, looks } = job;
  const places = result?.places ?? [];
  const proposed = result?.next ?? looks.at(-1)?.tape ?? places.map(() => 0);
  const [tape, setTape] = useState<readonly number[]>(proposed);
  const [pose, setPose] = useState({ turnDegrees: 0, isBackSeen: false });
  const [strokes, setStrokes] = useState<readonly number[]>([]);
  const proposedKey = JSON.stringify(proposed);
  const seen = useRef(proposedKey);
  useEffect(() => {
    if (seen.current === proposedKey) return;
    seen.current = proposedKey;
    setTape(JSON.parse(proposedKey) as number[]);
    setStrokes([]);
  }, [proposedKey]);
  const fallS = watchS(strokes);
  const radiusM = ((model.measuredDiameterM ?? model.diameterM) / 2) * TAPE_RADIUS_RATIO;
  const perMetre = (i: number): number => USUAL_TAPE.widthM * USUAL_TAPE.thicknessM * USUAL_TAPE.densityKgPerM3 * (places[i]?.kind === 'hub' ? (radiusM / TAPE_RADIUS_RATIO) * HUB_RADIUS_RATIO : radiusM);
  const lengthOf = (i: number): number => (tape[i]! > 0 ? tapeLengthM(tape[i]!, places[i]?.kind === 'hub' ? (radiusM / TAPE_RADIUS_RATIO) * HUB_RADIUS_RATIO : radiusM, USUAL_TAPE) : 0);
  const resize = (i: number, byM: number): void => setTape(tape.map((t, k) => (k === i ? Math.max(0, t + byM * perMetre(i)) : t)));
  const first = Math.max(0, tape.findIndex((t) => t > 0));
  const say = (kind: LookDto['kind']): void => {
    onSet({ looks: [...looks, { tape: [...tape], kind, downDegrees: kind === 'falls' ? downOf(pose) : null, fallS: kind === 'falls' ? fallS : null }] });
    setStrokes([]);
  };
  const strike = (): void => setStrokes(strokes.length === 1 ? [...strokes, performance.now()] : [performance.now()]);
  useKeys([
    { key: ' ', what: 'Watch: start when you let go, stop when the heavy side passes the bottom', run: strike },
    { key: '1', what: 'It stays wherever I leave it', run: () => say('stays') },
    { key: '2', what: 'It turned, and hangs like the dial', run: () => say('falls') },
    { key: '+', what: 'A millimetre more tape', run: () => resize(first, STEP_M) },
    { key: '-', what: 'A millimetre less tape', run: () => resize(first, -STEP_M) },
  ]);
  return (
    <div className={classes.bench}>
      <section className={classes.sheet}>
        <Dial shape={model} pose={pose} onTurn={(turnDegrees) => setPose({ ...pose, turnDegrees })} places={places} tape={tape} unbalance={result?.tape?.unbalance ?? null} targetKgM={result?.targetKgM ?? 1e-7} size={380} />
        <SegmentedControl size="sm" value={pose.isBackSeen ? 'back' : 'label'} onChange={(v) => setPose({ ...pose, isBackSeen: v === 'back' })} data={[{ value: 'label', label: 'I see the label' }, { value: 'back', label: 'I see the back' }]} aria-label="Which face looks at me" />
      </section>
      <section className={classes.steps}>
        <p className={classes.question}>Let go with a blade level. What does it do?</p>
        <button type="button" className={classes.choice} onClick={() => say('stays')}>
          <strong>It stays wherever I leave it</strong>
          <kbd>1</kbd>
        </button>
        <button type="button" className={classes.choice} onClick={() => say('falls')}>
          <strong>It turned and hangs like the dial</strong>
          <kbd>2</kbd>
          <span className="muted">Turn the dial until it looks like your prop: drag it, or arrow keys.</span>
        </button>
        <div className={classes.watch}>
          <Action hint="Space" onClick={strike}>
            {strokes.length === 1 ? 'Now it passes the bottom' : 'Time the fall'}
          </Action>
          <span className="muted">{fallS === null ? (strokes.length === 1 ? 'running…' : 'If you like: from letting go to the bottom.') : `${formatNumber(fallS, 2)} s`}</span>
        </div>
        {places.length > 0 && (
          <div className={classes.tape}>
            <h2>Tape that is on</h2>
            <p className="muted">Clear, 12 mm wide, on the face without the label, centred three quarters out, rubbed down, clear of the leading edge.</p>
            {places.map((place, i) => (
              <div key={i} className={classes.place}>
                <span>{placeName(place.kind, i, result!.job.bladeCount)}</span>
                <Action aria-label={`Less tape on ${placeName(place.kind, i, result!.job.bladeCount)}`} onClick={() => resize(i, -STEP_M)}>
                  −
                </Action>
                <strong>{`${formatNumber(lengthOf(i) * 1000, 0)} mm`}</strong>
                <Action aria-label={`More tape on ${placeName(place.kind, i, result!.job.bladeCount)}`} onClick={() => resize(i, STEP_M)}>
                  +
                </Action>
                <span className="muted">{tape[i]! > 0 ? formatUnbalance(tape[i]!) : ''}</span>
              </div>
            ))}
          </div>
        )}
        <Looks job={job} onSet={onSet} />
      </section>
    </div>
  );
}

function Looks({ job, onSet }: { job: TrueUpView; onSet: (more: Partial<TrueUpDto>) => void }) {
  const { looks, result } = job;
  if (looks.length === 0) return null;
  const contradicting = result?.tape?.contradicting ?? null;
  return (
    <div className={classes.tape}>
      <h2>Seen so far</h2>
      <ol className={classes.looks}>
        {looks.map((look, i) => (
          <li key={i} data-odd={i === contradicting}>
            {look.tape.some((t) => t > 0) ? look.tape.map((t, k) => (t > 0 ? `${placeName(result?.places[k]?.kind ?? 'blade', k, result?.job.bladeCount ?? 9)} ${formatUnbalance(t)}` : '')).filter((t) => t !== '').join(', ') : 'bare'}
            {': '}
            {look.kind === 'stays' ? 'stayed' : `turned, ${formatNumber(look.downDegrees ?? 0, 0)}° from blade 1 hangs down${look.fallS === null ? '' : `, ${formatNumber(look.fallS, 2)} s`}`}
            <button type="button" className={classes.out} aria-label={`Take look ${i + 1} out`} onClick={() => onSet({ looks: looks.filter((_, k) => k !== i) })}>
              out
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}
