import { useEffect, useRef, useState } from 'react';
import { Action } from '../../shared/ui/Action.tsx';
import classes from './Live.module.css';

/** How long the button is held before the stand is armed [ms]. */
const HOLD_MS = 1200;

interface ArmPanelProps {
  isPilot: boolean;
  onArm: () => void;
  onTare: () => void;
}

/** Arming is deliberate: a hardware stop is stated, then the button is held. */
export function ArmPanel({ isPilot, onArm, onTare }: ArmPanelProps) {
  const [hasStop, setHasStop] = useState(false);
  const [isHeld, setHeld] = useState(false);
  const arm = useRef(onArm);
  useEffect(() => {
    arm.current = onArm;
  });
  const isArming = isHeld && isPilot && hasStop;
  useEffect(() => {
    if (!isArming) return;
    const timer = setTimeout(() => arm.current(), HOLD_MS);
    return () => clearTimeout(timer);
  }, [isArming]);
  const release = (): void => setHeld(false);
  return (
    <section className={classes.arm} aria-label="Arming">
      <label>
        <input
          type="checkbox"
          checked={hasStop}
          disabled={!isPilot}
          onChange={(e) => setHasStop(e.currentTarget.checked)}
        />{' '}
        A switch that cuts the power is within my reach; cage on, rig bolted down, nobody else in the room.
      </label>
      <button
        type="button"
        className={classes.hold}
        data-held={isArming}
        disabled={!isPilot || !hasStop}
        onPointerDown={() => setHeld(true)}
        onPointerUp={release}
        onPointerLeave={release}
        onKeyDown={(e) => (e.key === ' ' || e.key === 'Enter') && setHeld(true)}
        onKeyUp={release}
        onBlur={release}
      >
        {isArming ? 'Hold…' : 'Hold to arm'}
      </button>
      <Action disabled={!isPilot} onClick={onTare}>
        Tare again
      </Action>
    </section>
  );
}
