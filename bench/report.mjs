import fs from 'node:fs';
import { parseArgs } from 'node:util';

/** Options that every bench and study obeys. */
export function readOptions() {
  const { values } = parseArgs({
    options: { only: { type: 'string' }, seed: { type: 'string', default: '1' }, json: { type: 'string' } },
  });
  return values;
}

/** Runs the jobs asked for, prints their figures and writes them where `--json` says. */
export async function report(jobs) {
  const { only, seed, json } = readOptions();
  const wanted = Object.entries(jobs).filter(([name]) => only === undefined || only === name);
  if (wanted.length === 0) {
    console.error(`Nothing is called ${only}; known are ${Object.keys(jobs).join(', ')}.`);
    process.exit(2);
  }
  const figures = [];
  for (const [name, job] of wanted) {
    for (const figure of await job(seed)) {
      figures.push(figure);
      const rest = [
        figure.baseline === null ? '' : `baseline ${figure.baseline}`,
        figure.target === null ? '' : `target ${figure.target}`,
      ]
        .filter(Boolean)
        .join(', ');
      console.log(
        `${name} ${figure.id}: ${Number(figure.value.toPrecision(5))} ${figure.unit}${rest === '' ? '' : ` (${rest})`}`,
      );
    }
  }
  if (json) fs.writeFileSync(json, `${JSON.stringify(figures, null, 1)}\n`);
}

/** Median milliseconds of a call over some repeats, after a warm-up. */
export function medianMs(call, repeats = 31) {
  for (let i = 0; i < 5; i++) call();
  const times = Array.from({ length: repeats }, () => {
    const start = performance.now();
    call();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)];
}
