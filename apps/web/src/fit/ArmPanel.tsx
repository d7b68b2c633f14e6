import { SegmentedControl, TextInput } from '@mantine/core';
import {
  OUTPUT_NAME_MAX_LENGTH,
  type ArmStateDto,
  type ArmView,
  type CraftView,
  type FittingView,
} from '@zivvo/contract';
import { mountChecks } from '@zivvo/core';
import { armCheckNames, handNames, mountNames, mountSheets } from '@zivvo/words';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { Action } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import classes from './FitPage.module.css';
import { armName, isArm, seenAs, type ArmKey } from './fitView.ts';
import { HandFinder } from './HandFinder.tsx';
import { ScanToArm } from './ScanToArm.tsx';

export interface ArmPanelProps {
  craft: CraftView;
  view: FittingView;
  arm: ArmView;
  onSet: (change: Partial<ArmStateDto>) => void;
  /** True while the piece of this arm waits for the arm it changes places with. */
  isSwapping: boolean;
  onSwapping: (isSwapping: boolean) => void;
  onSwapWith: (other: ArmKey) => void;
}

/** One arm: what goes on, what was seen of it, and the hardware before it is called tight. */
export function ArmPanel({ craft, view, arm, onSet, isSwapping, onSwapping, onSwapWith }: ArmPanelProps) {
  const { data: models } = usePropModelsQuery();
  const model = models?.items.find((m) => m.id === (arm.piece?.propModelId ?? craft.referencePropModelId));
  const isPlane = craft.kind === 'plane';
  const others = view.arms.filter((a) => !isArm(a, arm));
  return (
    <section className={classes.sheet} aria-label={armName(arm, view.arms)}>
      <h2>{armName(arm, view.arms)}</h2>
      <p className={classes.line}>
        needs <HandArrow hand={arm.neededHand} /> · has{' '}
        {arm.hand === null ? 'nothing known' : <HandArrow hand={arm.hand} />}
        {arm.piece && <span className="mono">{arm.piece.tag}</span>}
        {arm.fittedAt !== null && (
          <span className="muted">{`since ${formatDay(arm.fittedAt)}${arm.fittedBy === null ? '' : `, by ${arm.fittedBy}`}`}</span>
        )}
      </p>
      <ScanToArm craft={craft} arm={arm} />
      {others.length > 0 && arm.hand !== null && (
        <div className={classes.blades} role="group" aria-label="Swap its piece">
          {isSwapping ? (
            <>
              <span className={classes.question}>Swap its piece with the one of</span>
              {others.map((other) => (
                <button
                  key={`${other.place}/${other.level}`}
                  type="button"
                  className={classes.blade}
                  onClick={() => onSwapWith(other)}
                >
                  {armName(other, view.arms)}
                </button>
              ))}
              <Action weight="quiet" onClick={() => onSwapping(false)}>
                Leave it
              </Action>
            </>
          ) : (
            <Action hint="w" onClick={() => onSwapping(true)}>
              Swap its piece with…
            </Action>
          )}
        </div>
      )}
      <label className={classes.field}>
        <span>{isPlane ? 'The shaft turns, seen from behind' : 'The shaft turns, seen from above'}</span>
        <SegmentedControl
          aria-label="The shaft turns"
          value={arm.seenSpin ?? 'none'}
          onChange={(v) => onSet(seenAs(v === 'none' ? null : v))}
          data={[
            { value: 'cw', label: 'CW' },
            { value: 'ccw', label: 'CCW' },
            { value: 'none', label: 'not seen' },
          ]}
        />
      </label>
      {arm.motorSpin !== null && (
        <p className="muted">{`Behind the gear the motor itself turns ${handNames[arm.motorSpin]}.`}</p>
      )}
      <label className={classes.field}>
        <span>The label faces</span>
        <SegmentedControl
          aria-label="The label faces"
          value={arm.isLabelForward ? 'forward' : 'back'}
          onChange={(v) => onSet({ isLabelForward: v === 'forward' })}
          data={[
            { value: 'forward', label: isPlane ? 'forward' : 'up' },
            { value: 'back', label: isPlane ? 'back' : 'down' },
          ]}
        />
      </label>
      {!arm.piece && (
        <>
          <label className={classes.field}>
            <span>Hand of the untagged piece</span>
            <SegmentedControl
              aria-label="Hand of the untagged piece"
              value={arm.hand ?? 'none'}
              onChange={(v) => onSet({ hand: v === 'none' ? null : v })}
              data={[
                { value: 'cw', label: 'CW' },
                { value: 'ccw', label: 'CCW' },
                { value: 'either', label: 'either' },
                { value: 'none', label: 'unknown' },
              ]}
            />
          </label>
          <HandFinder
            letters={{ cwLetters: model?.cwLetters ?? null, ccwLetters: model?.ccwLetters ?? null }}
            onFound={(hand) => onSet({ hand })}
          />
        </>
      )}
      <Hardware view={view} arm={arm} onSet={onSet} />
    </section>
  );
}

/** Checks of the mount in the order of the hands, the nut's thread, and what the controller calls this motor. */
function Hardware({ view, arm, onSet }: Pick<ArmPanelProps, 'view' | 'arm' | 'onSet'>) {
  const sheet = mountSheets[view.mountKind]!;
  const done = new Set(arm.checks.map((c) => c.what));
  return (
    <>
      <h3>{`Before it is called tight: ${mountNames[view.mountKind]!.toLowerCase()}`}</h3>
      <ul className={classes.checks}>
        {mountChecks[view.mountKind].map((what) => (
          <li key={what}>
            <label>
              <input
                type="checkbox"
                checked={done.has(what)}
                onChange={(e) =>
                  onSet({
                    checks: e.currentTarget.checked
                      ? [...arm.checks, { what }]
                      : arm.checks.filter((c) => c.what !== what),
                  })
                }
              />{' '}
              {armCheckNames[what]}
            </label>
          </li>
        ))}
      </ul>
      <p className="muted">{`${sheet.mind} Tools: ${sheet.tools}; about ${sheet.minutes} min; gets lost: ${sheet.lost}.`}</p>
      <label className={classes.field}>
        <span>Thread of the nut</span>
        <SegmentedControl
          aria-label="Thread of the nut"
          value={arm.threadOn ?? 'none'}
          onChange={(v) => onSet({ thread: v === 'none' ? null : v })}
          data={[
            { value: 'right', label: 'right-hand' },
            { value: 'left', label: 'left-hand' },
            { value: 'none', label: 'not noted' },
          ]}
        />
      </label>
      <p className="muted">
        {`Drag tightens a ${arm.thread.selfTightening}-hand nut here; it comes off ${handNames[arm.thread.undo]} ` +
          'seen from the nut. Lock it in any case. Torque only as the maker gives it.'}
      </p>
      <TextInput
        label="The controller calls this output"
        placeholder="as its own table does"
        defaultValue={arm.outputName ?? ''}
        maxLength={OUTPUT_NAME_MAX_LENGTH}
        onBlur={(e) =>
          e.currentTarget.value.trim() !== (arm.outputName ?? '') &&
          onSet({ outputName: e.currentTarget.value.trim() || null })
        }
      />
    </>
  );
}
