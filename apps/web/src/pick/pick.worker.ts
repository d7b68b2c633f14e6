import {
  answerQuestion, CoefficientTables, CoreError, emptyPickMap, evaluateCandidate, fillCoarse, greatestPayloadKg, levelTopSpeedMPerS, loadLadder, packsForMinutes, pickBench, powertrainOn, questionNames, refineMap, remediesFor, rotorCurve, usualDragAreaM2, weightForInchKg,
  type Candidate, type MarkedProp, type PickBench, type PickSetting, type RotorAir,
} from '@zivvo/core';
import type { Answers, AskedProp, CurvePoint, FromWorker, PickTask, PickTasks, ToWorker, WorkerProblem } from './pickMessages.ts';

/** Section of the blades on a map. */
const USUAL_SECTION = 'cambered';
/** How long the worker computes before it looks for a message that stops it. */
const BREATH_MS = 12;
const CURVE_POINTS = 24;

let tables: CoefficientTables | null = null;
/** The map job in force; a newer one, or *stop*, ends it at its next breath. */
let job = 0;

/** The craft made ready; the runs of one prop, where it is named, correct everything asked about it. */
function benchOf({ craft, air, calibration }: PickSetting, propModelId: string | null = null): PickBench {
  return pickBench(craft, tablesOf(air), (propModelId === null ? null : calibration?.models[propModelId]) ?? calibration?.whole ?? null);
}

/** The tables of an air; those of another are dropped. */
function tablesOf(air: RotorAir): CoefficientTables {
  const known = tables?.air;
  if (!known || known.densityKgPerM3 !== air.densityKgPerM3 || known.soundSpeedMPerS !== air.soundSpeedMPerS || known.kinematicViscosityM2PerS !== air.kinematicViscosityM2PerS) tables = new CoefficientTables(air);
  return tables!;
}

function post(message: FromWorker): void {
  self.postMessage(message);
}

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function workMaps(message: Extract<ToWorker, { kind: 'map' }>): Promise<void> {
  const own = message.job;
  try {
    const bench = benchOf(message.setting);
    let done = 0;
    const total = message.families.length;
    for (const { key, family } of message.families) {
      const map = emptyPickMap(family, message.grid);
      let isCoarseTold = false;
      let breathAt = performance.now() + BREATH_MS;
      for (const progress of refineMap(bench, map)) {
        if (progress.isCoarse && !isCoarseTold) {
          isCoarseTold = true;
          post({ kind: 'map', job: own, key, values: fillCoarse(map).values, state: 'coarse' });
        }
        // The first coarse map comes before anything else that is asked: somebody looks at an empty chart.
        if (performance.now() < breathAt || (done === 0 && !isCoarseTold)) continue;
        await breath();
        if (job !== own) return;
        breathAt = performance.now() + BREATH_MS;
      }
      post({ kind: 'map', job: own, key, values: map.values, state: 'fine' });
      post({ kind: 'progress', job: own, done: ++done, total });
      await breath();
      if (job !== own) return;
    }
  } catch (error) {
    post({ kind: 'mapFailed', job: own, problem: problemOf(error) });
  }
}

const candidateOf = (bench: PickBench, setting: PickSetting, { id, geometry, facts }: AskedProp): Candidate => evaluateCandidate(bench, geometry, { ...facts, calibration: setting.calibration?.models[id] ?? null });

/** Without the propeller's own tables, which nobody outside needs. */
function plain({ geometry, facts, figures, margins, fullSpeedRpm, mark, thrustUncertaintyRatio, powerUncertaintyRatio }: MarkedProp): MarkedProp {
  return { geometry, facts, figures, margins, fullSpeedRpm, mark, thrustUncertaintyRatio, powerUncertaintyRatio };
}

const tasks: { [K in PickTask]: (setting: PickSetting, ask: PickTasks[K]['ask']) => PickTasks[K]['answer'] } = {
  props: (setting, { props }) => ofEach(setting, props, (_, candidate) => plain(candidate)),
  curves: (setting, { props }) => ofEach(setting, props, curveOf),
  topSpeeds: (setting, { props }) => ofEach(setting, props, topSpeedOf),
  ladder: (setting, { props }) => loadLadder(benchOf(setting), props.map(({ id, geometry, facts }) => ({ id, geometry, facts: { ...facts, calibration: setting.calibration?.models[id] ?? null } }))),
  remedies: (setting, { propModelId, geometry }) => remediesFor(benchOf(setting, propModelId), geometry).map((r) => ({ ...r, after: plain(r.after) })),
  questions: (setting, { propModelId, geometry, shelf }) => {
    const bench = benchOf(setting, propModelId);
    const answers = Object.fromEntries(
      questionNames.map((name) => {
        const answer = answerQuestion(bench, geometry, name);
        return [name, answer && { before: plain(answer.before), after: plain(answer.after), addedKg: answer.addedKg }];
      }),
    ) as Answers['answers'];
    return { answers, greatestPayloadKg: greatestPayloadKg(bench, geometry), weightForInchKg: weightForInchKg(bench, geometry), packs: packsForMinutes(bench, geometry, shelf) };
  },
};

function ofEach<T>(setting: PickSetting, props: readonly AskedProp[], answerOf: (bench: PickBench, candidate: Candidate) => T): Record<string, T> {
  const bench = benchOf(setting);
  return Object.fromEntries(props.map((p) => [p.id, answerOf(bench, candidateOf(bench, setting, p))]));
}

function curveOf(bench: PickBench, candidate: Candidate): CurvePoint[] {
  if (!Number.isFinite(candidate.fullSpeedRpm)) return [];
  const curve = rotorCurve(powertrainOn(bench, candidate.prop), candidate.fullSpeedRpm, CURVE_POINTS);
  return curve.flatMap((point): CurvePoint[] => (point.status === 'held' && point.throttleRatio <= 1.0001 ? [{ throttleRatio: point.throttleRatio, thrustN: point.prop.thrustN, powerW: point.drive.powerW, currentA: point.drive.busCurrentA, speedRpm: point.speedRpm }] : []));
}

function topSpeedOf({ craft }: PickBench, candidate: Candidate): number | null {
  if (!Number.isFinite(candidate.fullSpeedRpm)) return null;
  return levelTopSpeedMPerS({ kind: craft.kind, massKg: craft.massKg, rotorCount: craft.rotorCount, dragAreaM2: usualDragAreaM2(craft.kind, craft.massKg), prop: candidate.prop, fullSpeedRpm: candidate.fullSpeedRpm });
}

function answer<K extends PickTask>(id: number, setting: PickSetting, task: K, ask: PickTasks[K]['ask']): void {
  try {
    post({ kind: 'answer', id, result: { ok: true, value: tasks[task](setting, ask) } });
  } catch (error) {
    post({ kind: 'answer', id, result: { ok: false, problem: problemOf(error) } });
  }
}

function problemOf(error: unknown): WorkerProblem {
  if (!(error instanceof CoreError)) return { code: 'failed', what: error instanceof Error ? error.message : 'unknown', allowed: '' };
  const { what, allowed } = error.details as { what?: unknown; allowed?: unknown };
  return { code: error.code, what: typeof what === 'string' ? what : '', allowed: typeof allowed === 'string' ? allowed : '' };
}

self.onmessage = ({ data }: MessageEvent<ToWorker>): void => {
  if (data.kind === 'task') answer(data.id, data.setting, data.task, data.ask as never);
  else if (data.kind === 'stop') job = 0;
  else if (data.kind === 'warm') tablesOf(data.air).of({ ...data.family, section: USUAL_SECTION }).complete();
  else {
    job = data.job;
    void workMaps(data);
  }
};
