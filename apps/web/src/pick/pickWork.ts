import {
  answerQuestion,
  CoefficientTables,
  conditionWalk,
  correctionFor,
  emptyPickMap,
  evaluateCandidate,
  fillCoarse,
  greatestPayloadKg,
  loadLadder,
  manoeuvresOf,
  packsForMinutes,
  prepareCraft,
  powertrainOn,
  questionNames,
  refineMap,
  remediesFor,
  rotorCurve,
  weightForInchKg,
  type Candidate,
  type MarkedProp,
  type PreparedCraft,
  type PickFamily,
  type PickGrid,
  type PickMap,
  type PickSetting,
  type PropFacts,
  type RotorAir,
} from '@zivvo/core';
import type { ProxyMarked } from 'comlink';
import type { Answers, AskedProp, CurvePoint, MapListener, PickTask, PickTasks } from './pickMessages.ts';

/** How long the worker computes before it looks for a message that stops it. */
const BREATH_MS = 12;
const CURVE_POINTS = 24;

/** A map under way. */
interface BegunMap {
  /** For which craft, sizes and blades. */
  asked: string;
  map: PickMap;
  steps: ReturnType<typeof refineMap>;
  isCoarse: boolean;
}

/** One candidate more; false where there is none left. */
function takeStep(begun: BegunMap): boolean {
  const { done, value } = begun.steps.next();
  if (done || value.isCoarse) begun.isCoarse = true;
  return !done;
}

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** What a worker of Pick does; its tables are kept from one question to the next. */
export class PickWork {
  private tables: CoefficientTables | null = null;
  /** The map job in force; a newer one, or *stop*, ends it at its next breath. */
  private job = 0;
  private ahead: BegunMap | null = null;

  /** Works a coarse map out before it is asked for, and keeps it for who asks. */
  warm(setting: PickSetting, grid: PickGrid, family: PickFamily): void {
    try {
      const ahead = this.begin(this.preparedOf(setting), setting, grid, family);
      while (!ahead.isCoarse) takeStep(ahead);
      this.ahead = ahead;
    } catch {
      // A craft that cannot be worked out is refused where its map is asked for.
    }
  }

  /** The craft made ready; the runs of one prop, where it is named, correct everything asked about it. */
  private preparedOf({ craft, air, calibration }: PickSetting, propModelId: string | null = null): PreparedCraft {
    return prepareCraft(
      craft,
      this.tablesOf(air),
      calibration && { whole: correctionFor(calibration, propModelId, null), motor: calibration.motor },
    );
  }

  /** The tables of an air; those of another are dropped. */
  private tablesOf(air: RotorAir): CoefficientTables {
    const { tables } = this;
    if (tables && isSameAir(tables.air, air)) return tables;
    return (this.tables = new CoefficientTables(air));
  }

  /** A map to go on with: the one worked out ahead, if it is that one. */
  private begin(prepared: PreparedCraft, setting: PickSetting, grid: PickGrid, family: PickFamily): BegunMap {
    const asked = JSON.stringify([setting, grid, family]);
    const { ahead } = this;
    if (ahead?.asked === asked) {
      this.ahead = null;
      return ahead;
    }
    const map = emptyPickMap(family, grid);
    return { asked, map, steps: refineMap(prepared, map), isCoarse: false };
  }

  /**
   * Works maps out one after the other, each coarse and then fine, and tells of them; done when all are, or when newer
   * ones or *stop* took their place.
   */
  async maps(
    setting: PickSetting,
    grid: PickGrid,
    families: readonly { key: string; family: PickFamily }[],
    listener: MapListener & ProxyMarked,
  ): Promise<void> {
    const own = ++this.job;
    const prepared = this.preparedOf(setting);
    let done = 0;
    for (const { key, family } of families) {
      const begun = this.begin(prepared, setting, grid, family);
      let isCoarseTold = false;
      let breathAt = performance.now() + BREATH_MS;
      do {
        if (begun.isCoarse && !isCoarseTold) {
          isCoarseTold = true;
          listener.onMap(key, fillCoarse(begun.map).values, 'coarse');
        }
        // The first coarse map comes before anything else that is asked: somebody looks at an empty chart.
        if (performance.now() < breathAt || (done === 0 && !isCoarseTold)) continue;
        await breath();
        if (this.job !== own) return;
        breathAt = performance.now() + BREATH_MS;
      } while (takeStep(begun));
      listener.onMap(key, begun.map.values, 'fine');
      listener.onProgress(++done, families.length);
      await breath();
      if (this.job !== own) return;
    }
  }

  /** Drops the maps under way. */
  stop(): void {
    this.job++;
  }

  /** @throws {CoreError} where the craft or the props cannot be worked out */
  answer<K extends PickTask>(setting: PickSetting, task: K, ask: PickTasks[K]['ask']): PickTasks[K]['answer'] {
    return (tasks[task] as Task<K>)((propModelId) => this.preparedOf(setting, propModelId), setting, ask);
  }
}

function isSameAir(a: RotorAir, b: RotorAir): boolean {
  return (
    a.densityKgPerM3 === b.densityKgPerM3 &&
    a.soundSpeedMPerS === b.soundSpeedMPerS &&
    a.kinematicViscosityM2PerS === b.kinematicViscosityM2PerS
  );
}

/** Answers one question; the craft is prepared for the runs of a prop, or for all. */
type Task<K extends PickTask> = (
  preparedFor: (propModelId: string | null) => PreparedCraft,
  setting: PickSetting,
  ask: PickTasks[K]['ask'],
) => PickTasks[K]['answer'];

/** What is known of a prop, the narrowest correction by runs with it. */
const factsOf = ({ calibration }: PickSetting, { id, facts, family }: AskedProp): PropFacts => ({
  ...facts,
  calibration: calibration && correctionFor(calibration, id, family),
});

const candidateOf = (prepared: PreparedCraft, setting: PickSetting, asked: AskedProp): Candidate =>
  evaluateCandidate(prepared, asked.geometry, factsOf(setting, asked));

/** Without the propeller's own tables, which nobody outside needs. */
function plain({
  geometry,
  facts,
  figures,
  margins,
  fullSpeedRpm,
  mark,
  thrustUncertaintyRatio,
  powerUncertaintyRatio,
}: MarkedProp): MarkedProp {
  return { geometry, facts, figures, margins, fullSpeedRpm, mark, thrustUncertaintyRatio, powerUncertaintyRatio };
}

const tasks: { [K in PickTask]: Task<K> } = {
  props: (preparedFor, setting, { props }) =>
    ofEach(preparedFor(null), setting, props, (_, candidate) => plain(candidate)),
  curves: (preparedFor, setting, { props }) => ofEach(preparedFor(null), setting, props, curveOf),
  walks: (preparedFor, setting, { props }) =>
    ofEach(preparedFor(null), setting, props, (prepared, candidate) =>
      conditionWalk(prepared, candidate.prop, setting.calibration?.standVoltageV ?? null),
    ),
  manoeuvres: (preparedFor, setting, { props }) => ofEach(preparedFor(null), setting, props, manoeuvresOf),
  ladder: (preparedFor, setting, { props }) =>
    loadLadder(
      preparedFor(null),
      props.map((asked) => ({ id: asked.id, geometry: asked.geometry, facts: factsOf(setting, asked) })),
    ),
  remedies: (preparedFor, _, { propModelId, geometry }) =>
    remediesFor(preparedFor(propModelId), geometry).map((r) => ({ ...r, after: plain(r.after) })),
  questions: (preparedFor, _, { propModelId, geometry, shelf }) => {
    const prepared = preparedFor(propModelId);
    const answers = Object.fromEntries(
      questionNames.map((name) => {
        const answer = answerQuestion(prepared, geometry, name);
        return [name, answer && { before: plain(answer.before), after: plain(answer.after), addedKg: answer.addedKg }];
      }),
    ) as Answers['answers'];
    return {
      answers,
      greatestPayloadKg: greatestPayloadKg(prepared, geometry),
      weightForInchKg: weightForInchKg(prepared, geometry),
      packs: packsForMinutes(prepared, geometry, shelf),
    };
  },
};

function ofEach<T>(
  prepared: PreparedCraft,
  setting: PickSetting,
  props: readonly AskedProp[],
  answerOf: (prepared: PreparedCraft, candidate: Candidate) => T,
): Record<string, T> {
  return Object.fromEntries(props.map((p) => [p.id, answerOf(prepared, candidateOf(prepared, setting, p))]));
}

function curveOf(prepared: PreparedCraft, candidate: Candidate): CurvePoint[] {
  if (!Number.isFinite(candidate.fullSpeedRpm)) return [];
  const curve = rotorCurve(powertrainOn(prepared, candidate.prop), candidate.fullSpeedRpm, CURVE_POINTS);
  return curve.flatMap((point): CurvePoint[] =>
    point.status === 'held' && point.throttleRatio <= 1.0001
      ? [
          {
            throttleRatio: point.throttleRatio,
            thrustN: point.prop.thrustN,
            powerW: point.drive.powerW,
            currentA: point.drive.busCurrentA,
            speedRpm: point.speedRpm,
          },
        ]
      : [],
  );
}
