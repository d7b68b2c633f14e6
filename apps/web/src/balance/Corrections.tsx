import { correctionAdvice, correctionKinds, type PropMaterial } from '@zivvo/core';
import { correctionNames, correctionSentence } from '@zivvo/words';
import { SeverityMark } from '../shared/ui/ReasonList.tsx';
import classes from './BalanceJobPage.module.css';

/**
 * Which ways of correcting suit the material, and what forbids the others: read before anything is put on or taken off.
 */
export function Corrections({ material, isUnsound }: { material: PropMaterial; isUnsound: boolean }) {
  return (
    <section aria-label="Ways to correct" className={classes.corrections}>
      <h2>Ways to correct it</h2>
      <ul>
        {correctionKinds.map((kind) => {
          const advice = correctionAdvice(kind, material, isUnsound, false);
          return (
            <li key={kind}>
              <SeverityMark severity={!advice.isAllowed ? 'danger' : advice.caution === null ? 'gain' : 'caution'} />
              <span>
                <strong>{correctionNames[kind]}</strong>
                {` ${correctionSentence(advice, material)}`}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
