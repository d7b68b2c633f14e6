const DEFAULT_TOLERANCE = 1e-6;

/** Keys of a case that say what its data were made from: nobody is asked for them. */
const MADE_FROM = /^truth_/;

/** Limits of which one at least must be among those that bar. */
const BARRED_BY = 'barredBy';

function namesOne(expected, actual) {
  const wanted = [expected].flat();
  return Array.isArray(actual) && wanted.some((name) => actual.includes(name)) ? 0 : Infinity;
}

/**
 * Largest deviation of an answer from a case, in units of its tolerance: at most 1 is a pass. Infinity for a missing or
 * wrong-typed value.
 */
export function compareCase(expected, actual, tolerances = {}) {
  let worst = 0;
  for (const [key, value] of Object.entries(expected)) {
    if (MADE_FROM.test(key)) continue;
    worst = Math.max(
      worst,
      key === BARRED_BY
        ? namesOne(value, actual?.[key])
        : deviation(value, actual?.[key], tolerances[key] ?? tolerances['*']),
    );
  }
  return worst;
}

function deviation(expected, actual, tolerance) {
  if (tolerance === 'band')
    return typeof actual === 'number' && actual >= expected[0] && actual <= expected[1] ? 0 : Infinity;
  if (Array.isArray(expected)) {
    if (!Array.isArray(actual) || actual.length !== expected.length) return Infinity;
    return Math.max(0, ...expected.map((e, i) => deviation(e, actual[i], tolerance)));
  }
  if (expected !== null && typeof expected === 'object')
    return Math.max(0, ...Object.keys(expected).map((k) => deviation(expected[k], actual?.[k], tolerance)));
  if (typeof expected !== 'number' || tolerance === 'exact')
    return Object.is(expected, actual) || expected === actual ? 0 : Infinity;
  if (typeof actual !== 'number' || !Number.isFinite(actual)) return Infinity;
  const relative = typeof tolerance === 'string' ? /^rel\s+(\S+)$/.exec(tolerance) : null;
  const allowed = relative ? Number(relative[1]) * Math.abs(expected) : (tolerance ?? DEFAULT_TOLERANCE);
  const off = Math.abs(actual - expected);
  return off === 0 ? 0 : off / allowed;
}
