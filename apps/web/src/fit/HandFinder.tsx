import { TextInput } from '@mantine/core';
import { findHand, type HandLetters, type HandSigns } from '@zivvo/core';
import { useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import classes from './FitPage.module.css';

const NOTHING: HandSigns = { letters: null, arrow: null, matchesArm: null, leadingEdge: null, hollow: null };
const SIGN_WORDS: Record<keyof HandSigns, string> = { letters: 'letters', arrow: 'arrow', matchesArm: 'curve marks', leadingEdge: 'leading edge', hollow: 'hollow side' };

/** Which hand is this piece: as few questions as possible, with a drawn blade. */
export function HandFinder({ letters, onFound }: { letters: HandLetters; onFound: (hand: 'cw' | 'ccw') => void }) {
  const [signs, setSigns] = useState<HandSigns>(NOTHING);
  const [isOpen, setOpen] = useState(false);
  const found = findHand(signs, letters);
  const set = (change: Partial<HandSigns>): void => setSigns({ ...signs, ...change });
  if (!isOpen) return <Action onClick={() => setOpen(true)}>Which hand is it?</Action>;
  return (
    <section className={classes.finder} aria-label="Which hand is it?">
      <p>Hold it with one blade up and the label facing you.</p>
      <TextInput label="Letters moulded on it" placeholder="R, A, B, none" value={signs.letters ?? ''} onChange={(e) => set({ letters: e.currentTarget.value === '' ? null : e.currentTarget.value })} maxLength={8} />
      <div className={classes.blades} role="group" aria-label="Which edge of the upper blade stands higher, toward you?">
        <span>The higher edge is on the</span>
        {(['left', 'right'] as const).map((side) => (
          <button key={side} type="button" className={classes.blade} aria-pressed={signs.leadingEdge === side} onClick={() => set({ leadingEdge: signs.leadingEdge === side ? null : side })}>
            <BladeSketch side={side} />
            {side}
          </button>
        ))}
      </div>
      <div className={classes.blades} role="group" aria-label="Where does the hollow side look?">
        <span>The hollow side looks</span>
        {(['away', 'toward'] as const).map((way) => (
          <button key={way} type="button" className={classes.blade} aria-pressed={signs.hollow === way} onClick={() => set({ hollow: signs.hollow === way ? null : way })}>
            {way === 'away' ? 'away from me' : 'at me: I see the back'}
          </button>
        ))}
      </div>
      <div className={classes.blades} role="group" aria-label="An arrow moulded on it">
        <span>An arrow on it goes</span>
        {(['cw', 'ccw'] as const).map((way) => (
          <button key={way} type="button" className={classes.blade} aria-pressed={signs.arrow === way} onClick={() => set({ arrow: signs.arrow === way ? null : way })}>
            <HandArrow hand={way} />
          </button>
        ))}
      </div>
      <p role="status">
        {found.isContradicting ? (
          <span className={classes.wrong}>{`These contradict each other: ${found.votes.map((v) => `${SIGN_WORDS[v.sign]} say ${v.hand.toUpperCase()}`).join(', ')}. Look again, or compare with the diagonal arm.`}</span>
        ) : found.hand === null ? (
          `Next: ${found.ask === null ? 'compare with the diagonal arm, or the manual' : `the ${SIGN_WORDS[found.ask]}`}.`
        ) : (
          <>
            It is <HandArrow hand={found.hand} />, by its {found.votes.map((v) => SIGN_WORDS[v.sign]).join(' and ')}.{' '}
            <Action weight="main" onClick={() => onFound(found.hand!)}>
              Write it down
            </Action>
          </>
        )}
      </p>
    </section>
  );
}

/** A blade that points up, its higher edge drawn thick. */
function BladeSketch({ side }: { side: 'left' | 'right' }) {
  return (
    <svg width="34" height="56" viewBox="-17 -50 34 56" aria-hidden="true" style={side === 'left' ? { transform: 'scaleX(-1)' } : undefined}>
      <path d="M-4 0C-9 -14 -9 -34 -3 -47C1 -49 4 -48 5 -45C9 -32 8 -12 4 0Z" fill="var(--hatch-ground)" stroke="var(--muted)" strokeWidth="1" />
      <path d="M5 -45C9 -32 8 -12 4 0" fill="none" stroke="var(--ink)" strokeWidth="3.4" />
    </svg>
  );
}
