import { NativeSelect } from '@mantine/core';
import { labelSpinOf, layoutKind, type Layout } from '@zivvo/core';
import { layoutNames } from '@zivvo/words';
import { useState } from 'react';
import { useKept } from '../shared/forms/kept.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './FitPage.module.css';
import { armName, headlineOf, moveSentence, type ArmKey } from './fitView.ts';
import { judgeSketch, newSketch, sketchLayouts, type Sketch } from './sketch.ts';
import { SpinMap } from './SpinMap.tsx';

/** It tips over, and nobody has described the craft: its arms, spins and hands are enough. */
export function Component() {
  const { to } = useInHand();
  const [sketch, setSketch] = useKept<Sketch>('fit/sketch', () => newSketch('quadX'));
  const [chosen, setChosen] = useState<ArmKey | null>(null);
  const kind = layoutKind(sketch.layout);
  const { rotors, takeOff, plan } = judgeSketch(sketch);
  const turn = (i: number, what: keyof Sketch['arms'][number]): void =>
    setSketch({ ...sketch, arms: sketch.arms.map((arm, k) => (k === i ? { ...arm, [what]: !arm[what] } : arm)) });
  const view = {
    takeOff,
    sideThrust: null,
    wantedSideThrust: 'none' as const,
    arms: rotors.map((r) => ({ ...r, pullN: null, piece: null })),
  };
  return (
    <StationPage
      eyebrow="Fit · Sketch"
      headline={
        sketch.arms.some((arm) => arm.isSpinTurned || arm.isHandTurned || arm.isFaceTurned)
          ? headlineOf(view, 'This craft')
          : 'Set each arm as you see it'
      }
      detail="Pack out. How the motor turns, which hand is on it, whether its label looks the way it flies."
      reasons={<ReasonList reasons={takeOff.reasons} />}
      actions={
        <>
          <Action weight="main" onClick={() => setSketch(newSketch(sketch.layout))}>
            All as it should be
          </Action>
          <ActionLink to={to('/care/symptoms')}>It shakes instead</ActionLink>
          <ActionLink to={to('/crafts/new')}>Describe the craft</ActionLink>
        </>
      }
    >
      <NativeSelect
        label="What kind of craft"
        value={sketch.layout}
        onChange={(e) => setSketch(newSketch(e.currentTarget.value as Layout))}
        data={sketchLayouts.map((value) => ({ value, label: layoutNames[value] }))}
        style={{ maxWidth: 300 }}
      />
      <div className={classes.columns}>
        <section className={classes.sheet} aria-label="The craft">
          <SpinMap view={view} kind={kind} chosen={chosen} onChoose={setChosen} size={400} />
        </section>
        <section className={classes.sheet} aria-label="Its arms">
          {rotors.map((rotor, i) => {
            const name = armName(rotor, rotors);
            return (
              <div
                key={name}
                role="group"
                aria-label={name}
                className={classes.sketched}
                data-chosen={chosen?.place === rotor.place && chosen.level === rotor.level}
              >
                <strong>{name}</strong>
                <button type="button" className={classes.choice} onClick={() => turn(i, 'isSpinTurned')}>
                  motor <HandArrow hand={labelSpinOf(rotor.spin, kind)} />
                </button>
                <button type="button" className={classes.choice} onClick={() => turn(i, 'isHandTurned')}>
                  piece <HandArrow hand={rotor.hand!} />
                </button>
                <button type="button" className={classes.choice} onClick={() => turn(i, 'isFaceTurned')}>
                  {'label ' +
                    `${rotor.isLabelForward ? (kind === 'plane' ? 'forward' : 'up') : kind === 'plane' ? 'back' : 'down'}`}
                </button>
              </div>
            );
          })}
          {plan.moves.length > 0 && (
            <>
              <h2>What mends it</h2>
              <ol className={classes.steps}>
                {plan.moves.map((move) => (
                  <li key={JSON.stringify(move)}>{moveSentence(move, rotors)}</li>
                ))}
              </ol>
            </>
          )}
        </section>
      </div>
    </StationPage>
  );
}
