import {
  causeNames,
  causeTable,
  changeNames,
  recordFacts,
  symptomNames,
  symptomTests,
  type CauseName,
  type ChangeName,
  type RecordFact,
  type SymptomName,
  type SymptomTestName,
} from '../care/symptomTable.ts';
import { seededRandom, type SeededRandom } from '../numerics/seededRandom.ts';

/** A craft with something wrong that nobody knows yet, and somebody who looks at it. */
export interface HiddenFault {
  cause: CauseName;
  symptoms: SymptomName[];
  changes: ChangeName[];
  facts: RecordFact[];
  /** What the technician finds; the same test gives the same answer twice. */
  answer(test: SymptomTestName): 'yes' | 'no' | 'unsure';
}

/** How far each craft's own habits lie from the workshop's experience, on the log-odds scale. */
const HABIT_SPREAD = 0.8;
/** Wrong readings: a slip of the eye, whatever is there. */
const SLIP_SHARE = 0.03;
const UNSURE_SHARE = 0.06;
const SYMPTOMS_MOST = 3;

/**
 * A seeded fault whose shares are not those of the table: each craft shifts them by its own habits, the technician
 * overlooks, slips and is sometimes unsure, and now and then a second, harmless thing shows as well.
 */
export function hiddenFault(seed: string): HiddenFault {
  const random = seededRandom(seed);
  const cause = drawCause(random);
  const links = causeTable[cause];
  const own = (share: number): number => shifted(share, HABIT_SPREAD * random.normal());
  const symptoms = symptomNames.filter(
    (s) => random.next() < (links.symptoms[s] === undefined ? 0.012 : own(links.symptoms[s])),
  );
  const main = Object.entries(links.symptoms).sort((a, b) => b[1] - a[1])[0]![0] as SymptomName;
  const shown =
    symptoms.length === 0
      ? [main]
      : symptoms.sort((a, b) => (links.symptoms[b] ?? 0) - (links.symptoms[a] ?? 0)).slice(0, SYMPTOMS_MOST);
  const changes = changeNames.filter(
    (c) => c !== 'nothing' && random.next() < (links.changes[c] === undefined ? 0.05 : own(links.changes[c])),
  );
  const facts = recordFacts.filter((f) => random.next() < (links.facts[f] === undefined ? 0.07 : own(links.facts[f])));
  const answers = new Map<SymptomTestName, 'yes' | 'no' | 'unsure'>();
  const look = random.fork('looks');
  const answer = (test: SymptomTestName): 'yes' | 'no' | 'unsure' => {
    const known = answers.get(test);
    if (known) return known;
    const share =
      links.tests[test] === undefined
        ? symptomTests[test].falseShare
        : shifted(links.tests[test], HABIT_SPREAD * look.normal());
    const truth = look.next() < share;
    const seen = look.next() < SLIP_SHARE ? !truth : truth;
    const said = look.next() < UNSURE_SHARE ? 'unsure' : seen ? 'yes' : 'no';
    answers.set(test, said);
    return said;
  };
  return { cause, symptoms: shown, changes: changes.length === 0 ? ['nothing'] : changes, facts, answer };
}

/** Causes come as often as their prior says, give or take: rare ones are met too. */
function drawCause(random: SeededRandom): CauseName {
  const weights = causeNames.map((c) => Math.sqrt(causeTable[c].prior));
  let left = random.next() * weights.reduce((sum, w) => sum + w, 0);
  for (const [i, weight] of weights.entries()) {
    left -= weight;
    if (left <= 0) return causeNames[i]!;
  }
  return causeNames.at(-1)!;
}

/** A share moved on the log-odds scale. */
function shifted(share: number, by: number): number {
  const odds = (share / (1 - Math.min(share, 0.995))) * Math.exp(by);
  return odds / (1 + odds);
}
