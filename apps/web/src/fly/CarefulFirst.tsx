import { useEffect, useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import classes from './Fly.module.css';

const STEPS = [
  { what: 'Half a minute, gently', seconds: 30, then: 'Land, pack out, touch every motor within twenty seconds.' },
  { what: 'A minute, as you fly', seconds: 60, then: 'Land, pack out, touch every motor again.' },
  { what: 'Now hard', seconds: null, then: 'Hot but held is well; too hot to hold is too much prop.' },
] as const;

/** The first flight with other props, step by step with a clock. */
export function CarefulFirst({ onFlown }: { onFlown: () => void }) {
  const [at, setAt] = useState(0);
  const [endsMs, setEndsMs] = useState<number | null>(null);
  const [nowMs, setNowMs] = useState(0);
  const step = STEPS[at]!;
  const leftS = endsMs === null ? step.seconds : Math.max(0, Math.ceil((endsMs - nowMs) / 1000));
  useEffect(() => {
    if (endsMs === null) return;
    const timer = window.setInterval(() => setNowMs(performance.now()), 200);
    return () => window.clearInterval(timer);
  }, [endsMs]);
  const start = (): void => {
    setNowMs(performance.now());
    setEndsMs(performance.now() + step.seconds! * 1000);
  };
  const next = (): void => {
    setEndsMs(null);
    setAt(at + 1);
  };
  return (
    <section className={classes.sheet} aria-label="Careful first flight">
      <h2>{`First flight with these props: ${step.what.toLowerCase()}`}</h2>
      {leftS !== null && (
        <p className={classes.clock} role="timer" aria-live="off">
          {`${Math.floor(leftS / 60)}:${String(leftS % 60).padStart(2, '0')}`}
        </p>
      )}
      <p>
        {leftS === 0
          ? step.then
          : at === 2
            ? step.then
            : 'Stand well behind the discs; land at once if anything shakes.'}
      </p>
      <div className={classes.row}>
        {step.seconds !== null && endsMs === null && <Action onClick={start}>Start the clock</Action>}
        {step.seconds !== null && endsMs !== null && (
          <Action disabled={leftS !== 0} onClick={next}>
            Motors are fine
          </Action>
        )}
        {step.seconds === null && <Action onClick={onFlown}>Flown</Action>}
      </div>
    </section>
  );
}
