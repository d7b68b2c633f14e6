import { TextInput } from '@mantine/core';
import { findHand, type HandLetters, type HandSign, type HandSigns } from '@zivvo/core';
import { useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import classes from './FitPage.module.css';
import { BladeSketch, HubSketch } from './HandSketches.tsx';

const NOTHING: HandSigns = { letters: null, arrow: null, matchesArm: null, leadingEdge: null, hollow: null };
const SIGN_WORDS: Record<HandSign, string> = {
  letters: 'letters',
  arrow: 'arrow',
  matchesArm: 'curve marks',
  leadingEdge: 'leading edge',
  hollow: 'hollow side',
};
const TURNS = ['cw', 'ccw'] as const;

/** Which hand is this piece: one question at a time, as few as possible, each with a drawing. */
export function HandFinder({ letters, onFound }: { letters: HandLetters; onFound: (hand: 'cw' | 'ccw') => void }) {
  const [signs, setSigns] = useState<HandSigns>(NOTHING);
  const [absent, setAbsent] = useState<readonly HandSign[]>([]);
  const [typed, setTyped] = useState('');
  const [isOpen, setOpen] = useState(false);
  const { hand, votes, isContradicting, ask } = findHand(signs, letters, absent);
  const set = (change: Partial<HandSigns>): void => setSigns({ ...signs, ...change });
  const afresh = (): void => {
    setSigns(NOTHING);
    setAbsent([]);
    setTyped('');
  };
  if (!isOpen) return <Action onClick={() => setOpen(true)}>Which hand is it?</Action>;
  const told = votes.map((v) => SIGN_WORDS[v.sign]).join(' and ');
  return (
    <section className={classes.finder} aria-label="Which hand is it?">
      {hand === null && !isContradicting && ask === null && (
        <p role="status" className={classes.wrong}>
          No sign tells it. Compare with the diagonal arm, or look into the manual.
        </p>
      )}
      {isContradicting && (
        <p role="status" className={classes.wrong}>
          {'These contradict each other: ' +
            `${votes.map((v) => `${SIGN_WORDS[v.sign]} say ${v.hand.toUpperCase()}`).join(', ')}. Look again, or ` +
            'compare with the diagonal arm.'}
        </p>
      )}
      {hand !== null && (
        <p role="status">
          It is <HandArrow hand={hand} />, by its {told}.
        </p>
      )}
      {hand === null && !isContradicting && ask !== null && (
        <>
          <p>Hold it with one blade up and the label facing you.</p>
          {ask === 'letters' && (
            <form
              className={classes.blades}
              onSubmit={(e) => {
                e.preventDefault();
                set({ letters: typed.trim() === '' ? null : typed });
                if (typed.trim() === '') setAbsent([...absent, 'letters']);
              }}
            >
              <HubSketch sign="letters" turn="cw" />
              <TextInput
                label="Letters moulded on it"
                placeholder="R, A, B"
                value={typed}
                onChange={(e) => setTyped(e.currentTarget.value)}
                maxLength={8}
                style={{ width: 130 }}
              />
              <Action type="submit" disabled={typed.trim() === ''}>
                It says so
              </Action>
            </form>
          )}
          {ask === 'arrow' && (
            <TurnQuestion question="An arrow moulded on it goes" sign="arrow" onAnswer={(arrow) => set({ arrow })} />
          )}
          {ask === 'matchesArm' && (
            <TurnQuestion
              question="Its curve marks near the screws bend like those on an arm that turns"
              sign="matchesArm"
              onAnswer={(matchesArm) => set({ matchesArm })}
            />
          )}
          {ask === 'leadingEdge' && (
            <EdgeQuestion
              hollow={signs.hollow}
              onHollow={(hollow) => set({ hollow })}
              onAnswer={(leadingEdge) => set({ leadingEdge })}
            />
          )}
        </>
      )}
      <div className={classes.blades}>
        {hand !== null && (
          <Action weight="main" onClick={() => onFound(hand)}>
            Write it down
          </Action>
        )}
        {hand === null && !isContradicting && ask !== null && (
          <Action onClick={() => setAbsent([...absent, ask])}>{`No ${SIGN_WORDS[ask]} to be made out`}</Action>
        )}
        {(votes.length > 0 || absent.length > 0) && (
          <Action weight="quiet" onClick={afresh}>
            Start again
          </Action>
        )}
      </div>
    </section>
  );
}

function TurnQuestion({
  question,
  sign,
  onAnswer,
}: {
  question: string;
  sign: 'arrow' | 'matchesArm';
  onAnswer: (turn: 'cw' | 'ccw') => void;
}) {
  return (
    <div className={classes.blades} role="group" aria-label={question}>
      <span className={classes.question}>{question}</span>
      {TURNS.map((turn) => (
        <button key={turn} type="button" className={classes.blade} onClick={() => onAnswer(turn)}>
          <HubSketch sign={sign} turn={turn} />
          <HandArrow hand={turn} />
        </button>
      ))}
    </div>
  );
}

interface EdgeQuestionProps {
  hollow: HandSigns['hollow'];
  onHollow: (hollow: HandSigns['hollow']) => void;
  onAnswer: (edge: 'left' | 'right') => void;
}

function EdgeQuestion({ hollow, onHollow, onAnswer }: EdgeQuestionProps) {
  return (
    <div className={classes.blades} role="group" aria-label="Which edge of the upper blade stands higher, toward you?">
      <label className={classes.fact}>
        <input
          type="checkbox"
          checked={hollow === 'toward'}
          onChange={(e) => onHollow(e.currentTarget.checked ? 'toward' : null)}
        />{' '}
        The hollow side looks at me: I see the back
      </label>
      <span className={classes.question}>The edge that stands higher, toward me, is on the</span>
      {(['left', 'right'] as const).map((side) => (
        <button key={side} type="button" className={classes.blade} onClick={() => onAnswer(side)}>
          <BladeSketch side={side} />
          {side}
        </button>
      ))}
    </div>
  );
}
