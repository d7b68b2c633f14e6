import * as core from '../packages/core/dist/index.js';

const WORKSHOPS = 200;
const MOST_TESTS = 80;
const MATTERS = 0.03;
/** What the model or a label tells before anything was measured, and how props differ, as gains. */
const PREDICTED = { thrust: 0.08, minutes: 0.1, quiet: 0.1 };
const SPREAD = { thrust: 0.06, minutes: 0.07, quiet: 0.06 };
const WAYS = [
  { name: 'standRun', tells: { thrust: 0.01, minutes: 0.015 }, minutes: 7 },
  { name: 'flight', tells: { minutes: 0.04 }, minutes: 15 },
  { name: 'take', tells: { quiet: 0.025 }, minutes: 10 },
];

const figure = (id, value, target = null) => ({ id, value, unit: '1', baseline: null, target });

/**
 * Workshops whose truth is known: each measures until the verdict names a winner or says that more is not worth it,
 * once as it is advised and once everything in turn, by the same stopping rule.
 */
export function verdictStudy(seed) {
  let [best, clear, named] = [0, 0, 0];
  const [advised, inTurn] = [[], []];
  for (let w = 0; w < WORKSHOPS; w++) {
    const random = core.seededRandom(`${seed}/workshop ${w}`);
    const names = Object.keys(SPREAD);
    const wishes = names.map((name) => ({ name, weight: 1 + Math.floor(9 * random.next()), matters: MATTERS }));
    const total = wishes.reduce((sum, x) => sum + x.weight, 0);
    const count = 5 + Math.floor(6 * random.next());
    const truths = Array.from({ length: count }, (_, i) => ({
      id: `p${i}`,
      gains: Object.fromEntries(names.map((name) => [name, SPREAD[name] * random.normal()])),
    }));
    const believed = truths.map(({ id, gains }) => ({
      id,
      evidence: Object.fromEntries(
        names.map((name) => [
          name,
          { gain: gains[name] + PREDICTED[name] * random.normal(), deviation: PREDICTED[name] },
        ]),
      ),
    }));
    const scoreOf = ({ gains }) => wishes.reduce((sum, x) => sum + (x.weight / total) * gains[x.name], 0);
    const scores = truths.map(scoreOf).sort((a, b) => b - a);
    const told = measure(truths, believed, wishes, `${seed}/${w}/advised`, (contenders) => {
      const [next] = core.nextTests(contenders, wishes, WAYS);
      return next ? { id: next.contenderId, way: WAYS.find((x) => x.name === next.way) } : null;
    });
    let turn = 0;
    const round = measure(truths, believed, wishes, `${seed}/${w}/turn`, (contenders) => {
      if (core.nextTests(contenders, wishes, WAYS).length === 0) return null;
      const k = turn++;
      return { id: truths[k % count].id, way: WAYS[Math.floor(k / count) % WAYS.length] };
    });
    advised.push(told.testCount);
    inTurn.push(round.testCount);
    const chosen = truths.find((t) => t.id === told.verdict.standings[0].id);
    if (scores[0] - scoreOf(chosen) <= told.verdict.mattersScore) best++;
    if (scores[0] - scores[1] > told.verdict.mattersScore) {
      clear++;
      if (told.verdict.winnerId !== null) named++;
    }
  }
  const sum = (values) => values.reduce((a, b) => a + b, 0);
  return [
    figure('verdict.best.share', best / WORKSHOPS, 0.9),
    figure('verdict.named.share', named / clear, 0.7),
    figure('verdict.runsSaved', 1 - sum(advised) / sum(inTurn), 0.3),
    figure('verdict.tests.median', core.median(advised)),
  ];
}

/** Measures until nothing is asked for any more. */
function measure(truths, believed, wishes, seed, choose) {
  const random = core.seededRandom(seed);
  let contenders = believed;
  let testCount = 0;
  for (; testCount < MOST_TESTS; testCount++) {
    const next = choose(contenders);
    if (next === null) break;
    const truth = truths.find((t) => t.id === next.id);
    contenders = contenders.map((contender) => {
      if (contender.id !== next.id) return contender;
      const evidence = { ...contender.evidence };
      for (const [name, noise] of Object.entries(next.way.tells))
        evidence[name] = core.withReading(evidence[name], truth.gains[name] + noise * random.normal(), noise);
      return { ...contender, evidence };
    });
  }
  return { verdict: core.verdict(contenders, wishes), testCount };
}
