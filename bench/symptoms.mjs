// How often the symptom finder names the hidden cause, and after how many answers.
import * as core from '../packages/core/dist/index.js';

const CASES = 300;
const ANSWERS_MOST = 6;

/** One craft: what is told first, then one test after another until one cause stands out. */
function findCause(seed) {
  const fault = core.hiddenFault(seed);
  const answers = [];
  let diagnosis;
  for (;;) {
    diagnosis = core.diagnose({ symptoms: fault.symptoms, changes: fault.changes, facts: fault.facts, answers });
    if (diagnosis.next === null || answers.length >= ANSWERS_MOST) break;
    answers.push({ test: diagnosis.next.test, answer: fault.answer(diagnosis.next.test) });
  }
  return { place: diagnosis.ranked.findIndex((r) => r.cause === fault.cause), answerCount: answers.length };
}

export function symptomStudy(seed) {
  const results = Array.from({ length: CASES }, (_, i) => findCause(`${seed}/symptom/${i}`));
  const counts = results.map((r) => r.answerCount).sort((a, b) => a - b);
  const share = (most) => results.filter((r) => r.place < most).length / CASES;
  return [
    { id: 'symptoms.topThree', value: share(3), unit: '1', baseline: null, target: 0.9 },
    { id: 'symptoms.first', value: share(1), unit: '1', baseline: null, target: null },
    {
      id: 'symptoms.answers.median',
      value: (counts[CASES / 2 - 1] + counts[CASES / 2]) / 2,
      unit: '1',
      baseline: null,
      target: 4,
    },
  ];
}
