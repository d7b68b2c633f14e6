import { SegmentedControl, TextInput } from '@mantine/core';
import {
  NOTE_MAX_LENGTH,
  sideThrusts,
  type ArmStateDto,
  type ArmView,
  type CraftView,
  type FittingView,
} from '@zivvo/contract';
import { isLookedAt, otherSpin } from '@zivvo/core';
import { sideThrustNames } from '@zivvo/words';
import { pointerName } from './fitView.ts';
import { useState } from 'react';
import { useKeys } from '../shared/keys/keys.ts';
import { Action } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import classes from './FitPage.module.css';
import { armName, seenAs, type ArmKey, type withFacts } from './fitView.ts';

type SpinBy = NonNullable<ArmStateDto['spinBy']>;

const BY = [
  { value: 'strip', label: 'paper strip' },
  { value: 'table', label: 'the controller’s table' },
] satisfies { value: SpinBy; label: string }[];

interface SpinCheckProps {
  craft: CraftView;
  view: FittingView;
  /** The arm that is looked at, by its order. */
  at: number;
  /** Goes to another arm; null ends the check. */
  onAt: (at: number | null) => void;
  onSeen: (key: ArmKey, change: Partial<ArmStateDto>) => void;
}

/** The guided check: pack out, props off, then arm after arm with one key each. */
export function SpinCheck({ craft, view, at, onAt, onSeen }: SpinCheckProps) {
  const [by, setBy] = useState<SpinBy>('strip');
  const arm = view.arms[at]!;
  const drawn = arm.expectedSpin;
  const answer = (spin: ArmView['spin']): void => {
    onSeen(arm, seenAs(spin, by));
    onAt(at + 1 < view.arms.length ? at + 1 : null);
  };
  useKeys([
    { key: 'y', what: 'It turns as it is drawn', run: () => answer(drawn) },
    { key: 'o', what: 'It turns the other way', run: () => answer(otherSpin(drawn)) },
  ]);
  return (
    <section className={classes.sheet} aria-label="See the spin">
      <h2>{`${armName(arm, view.arms)}, ${at + 1} of ${view.arms.length}`}</h2>
      <ol className={classes.steps}>
        <li>Pack out, every prop off.</li>
        <li>A strip of paper held at the bell, pack in, one short bump from the controller’s motor page.</li>
        <li>The strip is flicked the way the bell turns. Pack out again.</li>
      </ol>
      {arm.motorSpin !== null && (
        <p className="muted">There is a gear between: say what the prop’s shaft does, not the motor.</p>
      )}
      <p className={classes.question}>
        {craft.kind === 'plane' ? 'From behind, which way did the shaft turn?' : 'From above, which way did it turn?'}
      </p>
      <div className={classes.answers}>
        {([drawn, otherSpin(drawn)] as const).map((spin) => (
          <button key={spin} type="button" className={classes.answer} onClick={() => answer(spin)}>
            <HandArrow hand={spin} />
            <span className="muted">{spin === drawn ? 'as drawn' : 'the other way'}</span>
            <kbd>{spin === drawn ? 'y' : 'o'}</kbd>
          </button>
        ))}
      </div>
      <label className={classes.field}>
        <span>Seen by</span>
        <SegmentedControl aria-label="Seen by" value={by} onChange={(v) => setBy(v)} data={BY} />
      </label>
      <div className={classes.blades}>
        {at > 0 && <Action onClick={() => onAt(at - 1)}>Arm before</Action>}
        <Action weight="quiet" onClick={() => onAt(null)}>
          Leave the check
        </Action>
      </div>
    </section>
  );
}

interface EveryArmProps {
  craft: CraftView;
  view: FittingView;
  onChoose: (key: ArmKey) => void;
  onCheck: () => void;
  onFacts: (change: Parameters<typeof withFacts>[1]) => void;
}

/**
 * Every arm in a row each: what is on it, whether its spin was seen and its piece looked at; and what holds for the
 * whole craft.
 */
export function EveryArm({ craft, view, onChoose, onCheck, onFacts }: EveryArmProps) {
  return (
    <section className={classes.sheet} aria-label="Every arm">
      <h2>Every arm</h2>
      <ul className={classes.arms}>
        <li className={classes.armHeads} aria-hidden="true">
          <span />
          <span>piece</span>
          <span>spin</span>
          <span>look</span>
        </li>
        {view.arms.map((a) => (
          <li key={`${a.place}/${a.level}`}>
            <button type="button" className={classes.arm} onClick={() => onChoose(a)}>
              <strong>
                {armName(a, view.arms)}
                {a.outputName !== null && <span className="muted">{` · ${a.outputName}`}</span>}
              </strong>
              <span>
                {a.piece ? (
                  <span className="mono">{a.piece.tag}</span>
                ) : a.hand === null ? (
                  'no piece known'
                ) : (
                  'untagged'
                )}
              </span>
              <span className={a.isSpinSeen ? classes.right : 'muted'}>
                {a.isSpinSeen ? (a.spinBy === 'table' ? 'by table' : 'seen') : 'not seen'}
              </span>
              <span className={isLookedAt(a.checks) ? classes.right : 'muted'}>
                {isLookedAt(a.checks) ? 'done' : 'not yet'}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className={classes.blades}>
        <Action onClick={onCheck}>See the spin, arm by arm</Action>
      </div>
      {craft.kind === 'multirotor' ? (
        <label className={classes.fact}>
          <input
            type="checkbox"
            checked={view.isHanging}
            onChange={(e) => onFacts({ isHanging: e.currentTarget.checked })}
          />{' '}
          The motors hang under the arms
        </label>
      ) : (
        <label className={classes.field}>
          <span>{`${pointerName(craft)} points, seen by the pilot`}</span>
          <SegmentedControl
            aria-label={`${pointerName(craft)} points`}
            value={view.sideThrust ?? 'unknown'}
            onChange={(v) => onFacts({ sideThrust: v === 'unknown' ? null : v })}
            data={[
              ...sideThrusts.map((s) => ({ value: s, label: sideThrustNames[s] })),
              { value: 'unknown' as const, label: 'not looked' },
            ]}
          />
        </label>
      )}
      <TextInput
        key={view.note}
        label="Note for whoever fits next"
        defaultValue={view.note ?? ''}
        maxLength={NOTE_MAX_LENGTH}
        onBlur={(e) =>
          e.currentTarget.value !== (view.note ?? '') && onFacts({ note: e.currentTarget.value.trim() || null })
        }
      />
    </section>
  );
}
