import type { LineStop, Reason, Reasons } from '@zivvo/core';
import { balanceSentences } from './balance/balanceSentences.ts';
import { careSentences } from './care/careSentences.ts';
import { fitSentences } from './fit/fitSentences.ts';
import { flySentences } from './fly/flySentences.ts';
import { judgeSentences } from './judge/judgeSentences.ts';
import { listenSentences } from './listen/listenSentences.ts';
import { penFor, type Pen, type Sentences } from './pen.ts';
import { pickSentences } from './pick/pickSentences.ts';
import { practiceSentences } from './care/practiceSentences.ts';
import { standSentences } from './stand/standSentences.ts';
import { todaySentences } from './today/todaySentences.ts';
import type { UnitChoices } from './unitChoices.ts';

/** What every feature says; a code of the core without its words does not compile. */
const sentences = {
  ...standSentences,
  ...pickSentences,
  ...balanceSentences,
  ...fitSentences,
  ...careSentences,
  ...practiceSentences,
  ...flySentences,
  ...listenSentences,
  ...judgeSentences,
  ...todaySentences,
} satisfies Sentences<Reasons>;

/** A reason in words and in the reader's units. A code that a newer server knows is shown as it is, never hidden. */
export function reasonSentence(reason: { code: string; values: Reason['values'] }, choices: UnitChoices): string {
  const sentence = (sentences as Record<string, (pen: Pen) => string>)[reason.code];
  return sentence ? sentence(penFor(reason.values, choices)) : reason.code;
}

/** A stop of the line in words. */
export function stopSentence(stop: LineStop, choices: UnitChoices): string {
  return reasonSentence(stop, choices);
}

/** Whether a code has words. */
export function hasSentence(code: string): boolean {
  return code in sentences;
}
