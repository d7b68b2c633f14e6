// One adapter a family of reference files: it maps keys to the core's own calls and converts units, and does no arithmetic of its own.
/** Number of the family → what the given core answers to one case's `in`. */
export function makeAdapters(core) {
  const POWER_LAW_REFERENCE_RPM = 10_000;
  const gramsPerWatt = (value) => (value === null ? null : core.fromSi(core.findUnit('thrustPerPower', 'g/W'), value));
  const percent = (ratio) => (ratio === null ? null : core.fromSi(core.findUnit('ratio', '%'), ratio));

  const powerLaw = {
    fit: ({ x_rpm, y, xq_rpm }) => {
      const fit = core.powerLawFit(x_rpm, y, POWER_LAW_REFERENCE_RPM);
      const at = core.predictPowerLaw(fit, xq_rpm);
      return { a: fit.valueAtReference, b: fit.exponent, s: fit.residualLog, R2: fit.determination, yhat: at.value, ciLo: at.meanLow, ciHi: at.meanHigh, piLo: at.readingLow, piHi: at.readingHigh };
    },
    intersection: ({ x1_rpm, y1, x2_rpm, y2 }) => {
      const crossing = core.powerLawCrossing(core.powerLawFit(x1_rpm, y1, POWER_LAW_REFERENCE_RPM), core.powerLawFit(x2_rpm, y2, POWER_LAW_REFERENCE_RPM));
      if (crossing.status === 'parallel') return { slopeDifferent: false, insideBothRanges: false };
      return { x: crossing.x, y: crossing.y, xLo: crossing.xLow, xHi: crossing.xHigh, slopeDifferent: crossing.isSlopeDifferent, insideBothRanges: crossing.isInsideBothRanges };
    },
  };

  const statistics = {
    tInterval: ({ x, conf }) => {
      const t = core.tInterval(x, conf);
      return { mean: t.mean, sd: t.standardDeviation, halfWidth: t.halfWidth, cv_pct: percent(t.variationRatio) };
    },
    welch: ({ a, b }) => {
      const w = core.welchComparison(a, b);
      return { diff: w.difference, df: w.degreesOfFreedom, se: w.standardError, ciLo: w.low, ciHi: w.high, p: w.probability, significant: w.isSignificant };
    },
    grubbs: ({ x }) => {
      const g = core.grubbsOutlier(x);
      return { G: g.distance, crit: g.critical, index: g.index, outlier: g.isOutlier };
    },
    mad: ({ x }) => {
      const m = core.medianOutliers(x);
      return { median: m.median, mad: m.deviation, ...(m.scores === null ? {} : { z: m.scores }), flags: m.isOutlier };
    },
    tquant: ({ p, df }) => ({ t: core.studentTQuantile(p, df) }),
  };

  const standardDay = {
    std: ({ T_N, P_W, Q_Nm, rho_kgm3, rpm, rpm0 }) => {
      const std = core.reduceToStandardDay({ thrustN: T_N, powerW: P_W, torqueNm: Q_Nm ?? null, speedRpm: rpm }, rho_kgm3, rpm0 ?? null);
      return { T_std_N: std.thrustN, P_std_W: std.powerW, Q_std_Nm: std.torqueNm, gW_eqThrust_std: gramsPerWatt(std.thrustPerPowerNPerW) };
    },
    tare: ({ reading_N, zeroBefore_N, zeroAfter_N, frac }) => ({ thrust_corr_N: core.correctZeroDrift(reading_N, zeroBefore_N, zeroAfter_N, frac) }),
  };

  return {
    '01': ({ temperature_C, pressure_Pa, relHumidity_frac }) => {
      const air = core.humidAir(temperature_C, pressure_Pa, relHumidity_frac);
      return { rho_cipm_kgm3: air.densityKgPerM3, xv: air.vapourRatio, rho_simple_kgm3: core.idealAirDensity(temperature_C, pressure_Pa, relHumidity_frac) };
    },
    '02': ({ altitude_m, rho_in_kgm3 }) => {
      if (altitude_m === undefined) return { densityAltitude_m: core.densityAltitudeM(rho_in_kgm3) };
      const isa = core.isaAtmosphere(altitude_m);
      return { temperature_K: isa.temperatureK, pressure_Pa: isa.pressurePa, rho_kgm3: isa.densityKgPerM3, soundSpeed_ms: isa.soundSpeedMPerS };
    },
    15: ({ op, ...rest }) => powerLaw[op](rest),
    16: ({ op, ...rest }) => statistics[op](rest),
    21: ({ op, ...rest }) => standardDay[op](rest),
  };
}
