import type { Working } from '../figure/figure.ts';

/** Evaluates the lines of a working on its inputs, as a reader with a calculator would. */
export function evaluateWorking(working: Working): number {
  const names = new Map(working.inputs.map((i) => [i.symbol, i.value]));
  let value = NaN;
  for (const { symbol, formula } of working.lines) {
    const code = formula
      .replace(/\bln\(/g, 'Math.log(')
      .replace(/\b(sqrt|exp)\(/g, 'Math.$1(')
      .replace(/\^/g, '**')
      .replace(/\b(?!Math\b|log\b|sqrt\b|exp\b)[A-Za-z]\w*/g, (name) => `names.get('${name}')`);
    value = Number(new Function('names', `return ${code}`)(names));
    names.set(symbol, value);
  }
  return value;
}
