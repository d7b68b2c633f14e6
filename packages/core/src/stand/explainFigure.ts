import type { Figure, Working, WorkingInput, WorkingLine } from '../figure/figure.ts';
import { carryThrustN, LIFT_TO_DRAG } from '../craft/carryThrust.ts';
import { UnknownFigureError } from '../errors/coreError.ts';
import { workingKey, type CampaignInput, type PropResult } from './campaign.ts';
import {
  pointFigures,
  pointPlaces,
  responseFigures,
  type PointFigure,
  type PointName,
  type PointPlace,
  type ReadFigure,
  type ResponseFigure,
  type RunPoint,
} from './pointOfRun.ts';
import { campaignSpreads, correctionsOf, figureDimension, reduceRigs } from './reduceCampaign.ts';
import { driftFactor, type Drift } from './uncertainty.ts';
import type { VoltageStep } from './reduceVoltage.ts';
import { standQuantities } from './quantities.ts';
import { campaignRuns, type CountedRun } from './sortRuns.ts';

/**
 * Shows how one figure of a campaign follows from its readings: for each counted run the two points it lies between
 * and the law that joins them, then the mean over the runs.
 *
 * Runs the very reduction of `reduceRigs` again, so what is shown is what was computed.
 *
 * @param input - the rig whose figure it is
 * @param key - working key of the figure
 * @param rigs - all rigs of the campaign, that one among them: their runs share one spread
 * @throws {UnknownFigureError} if there is no such figure
 */
export function explainFigure(input: CampaignInput, key: string, rigs: readonly CampaignInput[] = [input]): Working {
  const [propModelId = '', point, figure] = key.split(':') as [string, PointName | 'standard', PointFigure];
  const results = reduceRigs(rigs)[rigs.indexOf(input)]!;
  const result = results.props.find((p) => p.propModelId === propModelId);
  if (point === 'standard' && result) return explainStandardThrust(input, result, key, rigs);
  const compared = point !== 'standard' && pointFigures.includes(figure) ? result?.points[point]?.[figure] : undefined;
  if (!result || !compared || point === 'standard') throw new UnknownFigureError(key);
  if (point === 'response') return explainResponse(input, result, figure as ResponseFigure, compared.figure, rigs);
  const runs = campaignRuns(input).of.get(propModelId)!;
  const drift = campaignSpreads(rigs.map(campaignRuns)).get(`${point}:${figure}`)?.drift ?? null;
  const place = pointPlaces(results.carryThrustN, input.chosenThrottleRatio).find((p) => p.point === point)!;
  const inputs: WorkingInput[] = [];
  const lines: WorkingLine[] = [];
  if (place.axis === 'thrustN') explainHover(input, inputs, lines);
  else inputs.push({ symbol: 'u', what: 'throttleRatio', value: place.at, dimension: 'ratio', mark: 'measured' });
  const perRun = runs.counted.flatMap((run) =>
    explainRun(run, place, figure, inputs, lines).map((symbol) => explainDrift(symbol, run, drift, inputs)),
  );
  lines.push({
    symbol: 'mean',
    formula: perRun.length === 1 ? perRun[0]! : `(${perRun.join(' + ')}) / ${perRun.length}`,
    value: compared.figure.value,
    dimension: figureDimension(figure),
  });
  const notes: Working['notes'] = [{ code: 'meanOfRuns', values: { count: perRun.length } }];
  for (const left of result.leftOut) notes.push({ code: `leftOut.${left.code}`, values: { ordinal: left.ordinal } });
  for (const { quantity, factor, day, runCount } of correctionsOf(runs.counted))
    notes.push({ code: `corrected.${quantity}`, values: { factor, day, count: runCount } });
  const { fullVoltageV } = results;
  const fromV = runs.counted.flatMap((r) => r.points[point]?.reduction?.fromV ?? []);
  if (fullVoltageV !== null && fromV.length > 0)
    notes.push({
      code: 'reducedToVoltage',
      values: { voltageV: fullVoltageV, lowV: Math.min(...fromV), highV: Math.max(...fromV) },
    });
  if (compared.figure.uncertainty !== null)
    notes.push({ code: 'pooledSpread', values: { uncertainty: compared.figure.uncertainty } });
  return {
    key: workingKey(propModelId, point, figure),
    title: `${point}.${figure}`,
    inputs,
    lines,
    result: compared.figure,
    source:
      place.axis === 'thrustN' ? (input.craft.kind === 'plane' ? 'cruiseBalance' : 'hoverBalance') : 'standReading',
    notes,
  };
}

/** A run's figure as it would have been read in the middle of the evening; as it is where nothing drifts. */
function explainDrift(symbol: string, { settled }: CountedRun, drift: Drift | null, inputs: WorkingInput[]): string {
  if (drift === null) return symbol;
  const { ordinal, place } = settled.run;
  const factor = `d${ordinal}`;
  inputs.push({
    symbol: factor,
    what: 'driftFactor',
    value: driftFactor(place, drift),
    dimension: 'number',
    mark: 'estimated',
  });
  return `${symbol} * ${factor}`;
}

/** A figure beside the curve: what each run told, and their mean. */
function explainResponse(
  input: CampaignInput,
  result: PropResult,
  figure: ResponseFigure,
  shown: Figure,
  rigs: readonly CampaignInput[],
): Working {
  const { propModelId } = result;
  const drift = campaignSpreads(rigs.map(campaignRuns)).get(`response:${figure}`)?.drift ?? null;
  const inputs: WorkingInput[] = [];
  const terms = campaignRuns(input)
    .of.get(propModelId)!
    .counted.flatMap((run) => {
      const value = run.points.response?.values[figure];
      if (value === undefined) return [];
      const { ordinal } = run.settled.run;
      const dimension = responseFigures[figure];
      inputs.push({ symbol: `a${ordinal}`, what: `run.${ordinal}.${figure}`, value, dimension, mark: 'measured' });
      return [explainDrift(`a${ordinal}`, run, drift, inputs)];
    });
  const formula = terms.length === 1 ? terms[0]! : `(${terms.join(' + ')}) / ${terms.length}`;
  const notes: Working['notes'] = [{ code: 'meanOfRuns', values: { count: terms.length } }];
  if (shown.uncertainty !== null) notes.push({ code: 'pooledSpread', values: { uncertainty: shown.uncertainty } });
  return {
    key: workingKey(propModelId, 'response', figure),
    title: `response.${figure}`,
    inputs,
    lines: [{ symbol: 'mean', formula, value: shown.value, dimension: responseFigures[figure] }],
    result: shown,
    source: figure === 'inertiaKgM2' ? 'coastDown' : 'standReading',
    notes,
  };
}

function explainStandardThrust(
  input: CampaignInput,
  result: PropResult,
  key: string,
  rigs: readonly CampaignInput[],
): Working {
  if (!result.standardThrust) throw new UnknownFigureError(key);
  const drift = campaignSpreads(rigs.map(campaignRuns)).get('full:thrustN')?.drift ?? null;
  const inputs: WorkingInput[] = [];
  const terms = campaignRuns(input)
    .of.get(result.propModelId)!
    .counted.flatMap((run) => {
      const { settled, points } = run;
      const thrustN = points.full?.values.thrustN;
      if (thrustN === undefined || points.full?.values.speedRpm === undefined) return [];
      const { ordinal, densityKgPerM3 } = settled.run;
      inputs.push({
        symbol: `T${ordinal}`,
        what: `run.${ordinal}.thrustN`,
        value: thrustN,
        dimension: 'force',
        mark: 'measured',
      });
      inputs.push({
        symbol: `r${ordinal}`,
        what: 'airDensity',
        value: densityKgPerM3,
        dimension: 'density',
        mark: 'measured',
      });
      return [explainDrift(`T${ordinal} * 1.225 / r${ordinal}`, run, drift, inputs)];
    });
  const formula = terms.length === 1 ? terms[0]! : `(${terms.join(' + ')}) / ${terms.length}`;
  return {
    key,
    title: 'standard.thrustN',
    inputs,
    lines: [{ symbol: 'mean', formula, value: result.standardThrust.value, dimension: 'force' }],
    result: result.standardThrust,
    source: 'similarity',
    notes: [{ code: 'currentDoesNotScale', values: {} }],
  };
}

function explainHover(input: CampaignInput, inputs: WorkingInput[], lines: WorkingLine[]): void {
  inputs.push(
    { symbol: 'm', what: 'massKg', value: input.craft.massKg, dimension: 'mass', mark: 'measured' },
    { symbol: 'k', what: 'rotorCount', value: input.craft.rotorCount, dimension: 'number', mark: 'measured' },
  );
  const { massKg, rotorCount, kind } = input.craft;
  if (kind === 'plane')
    inputs.push({ symbol: 'e', what: 'liftToDrag', value: LIFT_TO_DRAG, dimension: 'number', mark: 'estimated' });
  lines.push({
    symbol: 'u',
    formula: kind === 'plane' ? 'm * 9.80665 / e / k' : 'm * 9.80665 / k',
    value: carryThrustN(massKg, rotorCount, kind),
    dimension: 'force',
  });
}

/** Adds the inputs and lines of one run and returns the symbol that stands for its figure. */
function explainRun(
  run: CountedRun,
  place: PointPlace,
  figure: PointFigure,
  inputs: WorkingInput[],
  lines: WorkingLine[],
): string[] {
  const point = run.points[place.point];
  if (point?.values[figure] === undefined) return [];
  const suffix = String(run.settled.run.ordinal);
  const quotient = figure === 'thrustPerPowerNPerW' ? 'powerW' : figure === 'thrustPerCurrentNPerA' ? 'currentA' : null;
  if (quotient === null) return [explainReduced(point, figure as ReadFigure, place, suffix, inputs, lines)];
  const top = explainReduced(point, 'thrustN', place, suffix, inputs, lines);
  const bottom = explainReduced(point, quotient, place, suffix, inputs, lines);
  const symbol = `e${suffix}`;
  lines.push({
    symbol,
    formula: `${top} / ${bottom}`,
    value: point.values[figure],
    dimension: figureDimension(figure),
  });
  return [symbol];
}

const REDUCED: Partial<Record<ReadFigure, keyof VoltageStep>> = {
  thrustN: 'thrustRatio',
  speedRpm: 'speedRatio',
  powerW: 'powerRatio',
  currentA: 'currentRatio',
};

/** A reading, and behind it what it becomes at the campaign's voltage. */
function explainReduced(
  point: RunPoint,
  name: ReadFigure,
  place: PointPlace,
  suffix: string,
  inputs: WorkingInput[],
  lines: WorkingLine[],
): string {
  const read = explainReading(point, name, place, suffix, inputs, lines);
  const by = REDUCED[name];
  if (point.reduction === null || by === undefined) return read;
  const [factor, symbol] = [`r${read}`, `${read}r`];
  inputs.push({
    symbol: factor,
    what: 'voltageRatio',
    value: point.reduction[by],
    dimension: 'number',
    mark: 'estimated',
  });
  lines.push({ symbol, formula: `${read} * ${factor}`, value: point.values[name]!, dimension: standQuantities[name] });
  return symbol;
}

const SYMBOLS: Record<ReadFigure, string> = {
  throttleRatio: 'g',
  thrustN: 'T',
  speedRpm: 'n',
  currentA: 'I',
  voltageV: 'V',
  powerW: 'P',
};

function explainReading(
  point: RunPoint,
  name: ReadFigure,
  place: PointPlace,
  suffix: string,
  inputs: WorkingInput[],
  lines: WorkingLine[],
): string {
  const reading = point.readings[name]!;
  const symbol = `${SYMBOLS[name]}${suffix}`;
  const dimension = standQuantities[name];
  if (name === place.axis) return 'u';
  if (!reading.between) {
    inputs.push({ symbol, what: `run.${suffix}.${name}`, value: reading.value, dimension, mark: 'measured' });
    return symbol;
  }
  const { from, to, law } = reading.between;
  const [ya, yb, xa, xb] = [`${symbol}a`, `${symbol}b`, `x${symbol}a`, `x${symbol}b`];
  inputs.push(
    {
      symbol: xa,
      what: `run.${suffix}.${place.axis}`,
      value: from.x,
      dimension: standQuantities[place.axis],
      mark: 'measured',
    },
    {
      symbol: xb,
      what: `run.${suffix}.${place.axis}`,
      value: to.x,
      dimension: standQuantities[place.axis],
      mark: 'measured',
    },
    { symbol: ya, what: `run.${suffix}.${name}`, value: from.y, dimension, mark: 'measured' },
    { symbol: yb, what: `run.${suffix}.${name}`, value: to.y, dimension, mark: 'measured' },
  );
  const formula =
    law === 'power'
      ? `${ya} * (${yb} / ${ya})^(ln(u / ${xa}) / ln(${xb} / ${xa}))`
      : `${ya} + (${yb} - ${ya}) * (u - ${xa}) / (${xb} - ${xa})`;
  lines.push({ symbol, formula, value: reading.value, dimension });
  return symbol;
}
