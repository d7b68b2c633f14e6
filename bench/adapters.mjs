// One adapter a family of reference files: it maps keys to the core's own calls and converts units, and does no
// arithmetic of its own.
/** Number of the family → what the given core answers to one case's `in`. */
export function makeAdapters(core) {
  const POWER_LAW_REFERENCE_RPM = 10_000;
  const TURN_RAD_PER_S = (2 * Math.PI) / 60;
  /** Harmonics that the tone cases list. */
  const HARMONICS = 3;
  const gramsPerWatt = (value) => (value === null ? null : core.fromSi(core.findUnit('thrustPerPower', 'g/W'), value));
  const percent = (ratio) => (ratio === null ? null : core.fromSi(core.findUnit('ratio', '%'), ratio));

  const powerLaw = {
    fit: ({ x_rpm, y, xq_rpm }) => {
      const fit = core.powerLawFit(x_rpm, y, POWER_LAW_REFERENCE_RPM);
      const at = core.predictPowerLaw(fit, xq_rpm);
      return {
        a: fit.valueAtReference,
        b: fit.exponent,
        s: fit.residualLog,
        R2: fit.determination,
        yhat: at.value,
        ciLo: at.meanLow,
        ciHi: at.meanHigh,
        piLo: at.readingLow,
        piHi: at.readingHigh,
      };
    },
    intersection: ({ x1_rpm, y1, x2_rpm, y2 }) => {
      const crossing = core.powerLawCrossing(
        core.powerLawFit(x1_rpm, y1, POWER_LAW_REFERENCE_RPM),
        core.powerLawFit(x2_rpm, y2, POWER_LAW_REFERENCE_RPM),
      );
      if (crossing.status === 'parallel') return { slopeDifferent: false, insideBothRanges: false };
      return {
        x: crossing.x,
        y: crossing.y,
        xLo: crossing.xLow,
        xHi: crossing.xHigh,
        slopeDifferent: crossing.isSlopeDifferent,
        insideBothRanges: crossing.isInsideBothRanges,
      };
    },
  };

  const statistics = {
    tInterval: ({ x, conf }) => {
      const t = core.tInterval(x, conf);
      return { mean: t.mean, sd: t.standardDeviation, halfWidth: t.halfWidth, cv_pct: percent(t.variationRatio) };
    },
    welch: ({ a, b }) => {
      const w = core.welchComparison(a, b);
      return {
        diff: w.difference,
        df: w.degreesOfFreedom,
        se: w.standardError,
        ciLo: w.low,
        ciHi: w.high,
        p: w.probability,
        significant: w.isSignificant,
      };
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

  const passesOf = ({ gs_ms, track_deg }) =>
    gs_ms.map((groundSpeedMPerS, i) => ({ groundSpeedMPerS, trackDegrees: track_deg[i] }));
  const windOut = ({ airspeedMPerS, wind, windMPerS, windFromDegrees }) => ({
    airspeed_ms: airspeedMPerS,
    wE_ms: wind.eastMPerS,
    wN_ms: wind.northMPerS,
    windSpeed_ms: windMPerS,
    windFrom_deg: windFromDegrees,
  });
  const flight = {
    twoPass: ({ gs1_ms, gs2_ms, crosswind_ms }) => {
      const { airspeedMPerS, headwindMPerS } = core.twoPasses(gs1_ms, gs2_ms, crosswind_ms);
      return { airspeed_ms: airspeedMPerS, headwind_ms: headwindMPerS };
    },
    headingsKnown: (t) => windOut(core.windByHeadings(passesOf(t), t.heading_deg)),
    tracksOnly: (t) => {
      const { algebraic, ...refined } = core.windByTracks(passesOf(t));
      const { airspeedMPerS, wind } = algebraic;
      return {
        ...windOut({
          airspeedMPerS,
          wind,
          windMPerS: Math.hypot(wind.eastMPerS, wind.northMPerS),
          windFromDegrees: core.windFromDegrees(wind),
        }),
        geometric_airspeed_ms: refined.airspeedMPerS,
        geometric_wE_ms: refined.wind.eastMPerS,
        geometric_wN_ms: refined.wind.northMPerS,
      };
    },
    climb: ({ pathSpeed_ms, gamma_deg, mass_kg, pitch_in, rpm }) => {
      const climb = core.climbFigures({ pathSpeedMPerS: pathSpeed_ms, angleDegrees: gamma_deg }, mass_kg);
      const pitch = core.pitchSpeed(pitch_in * core.INCH_M, rpm, pathSpeed_ms);
      return {
        climbRate_ms: climb.climbRateMPerS,
        horizontal_ms: climb.horizontalMPerS,
        excessThrust_N: climb.excessThrustN,
        pitchSpeed_ms: pitch.pitchSpeedMPerS,
        pitchSpeedEff: pitch.airspeedRatio,
      };
    },
  };

  const standardDay = {
    std: ({ T_N, P_W, Q_Nm, rho_kgm3, rpm, rpm0 }) => {
      const std = core.reduceToStandardDay(
        { thrustN: T_N, powerW: P_W, torqueNm: Q_Nm ?? null, speedRpm: rpm },
        rho_kgm3,
        rpm0 ?? null,
      );
      return {
        T_std_N: std.thrustN,
        P_std_W: std.powerW,
        Q_std_Nm: std.torqueNm,
        gW_eqThrust_std: gramsPerWatt(std.thrustPerPowerNPerW),
      };
    },
    tare: ({ reading_N, zeroBefore_N, zeroAfter_N, frac }) => ({
      thrust_corr_N: core.correctZeroDrift(reading_N, zeroBefore_N, zeroAfter_N, frac),
    }),
  };

  /** One gram-millimetre [kg·m]. */
  const GMM = 1e-6;
  const roll = ({ width_mm, thickness_mm, density_gcm3 }) => ({
    widthM: width_mm / 1000,
    thicknessM: thickness_mm / 1000,
    densityKgPerM3: density_gcm3 * 1000,
  });
  const staticBalance = {
    level: ({ w_g, r_mm }) => ({ U_gmm: core.levelUnbalanceKgM(w_g / 1000, r_mm / 1000) / GMM }),
    swing: ({ I_gmm2, T_s }) => ({ U_gmm: core.swingUnbalanceKgM(I_gmm2 * 1e-9, T_s) / GMM }),
    tape: (t) => {
      const massKg = core.tapeMassKg({ ...roll(t), lengthM: t.length_mm / 1000 });
      return { mass_g: massKg * 1000, moment_gmm: core.levelUnbalanceKgM(massKg, t.radius_mm / 1000) / GMM };
    },
    tapeLength: (t) => ({ length_mm: core.tapeLengthM(t.U_gmm * GMM, t.radius_mm / 1000, roll(t)) * 1000 }),
    sand: (t) => {
      const { massKg, depthM } = core.sanding(t.U_gmm * GMM, t.radius_mm / 1000, {
        lengthM: t.length_mm / 1000,
        widthM: t.width_mm / 1000,
        densityKgPerM3: t.density_gcm3 * 1000,
      });
      return { mass_g: massKg * 1000, depth_mm: depthM * 1000 };
    },
    combine: ({ bladeMass_g, bladeCg_mm, angle0_deg, hubU_gmm, hubAngle_deg }) => {
      const found = core.combinedUnbalance(
        bladeMass_g.map((m, i) => m * (Array.isArray(bladeCg_mm) ? bladeCg_mm[i] : bladeCg_mm) * GMM),
        angle0_deg,
        core.fromPolar(hubU_gmm * GMM, hubAngle_deg),
      );
      return { U_gmm: found.unbalanceKgM / GMM, angle_deg: found.degrees };
    },
    split: ({ U_gmm, angle_deg, blades, angle0_deg }) => {
      const { parts, hubKgM } = core.splitCorrection(U_gmm * GMM, angle_deg, blades, angle0_deg);
      if (blades === 2) return { bladeIndex: parts[0].blade, a_gmm: parts[0].momentKgM / GMM, hub_gmm: hubKgM / GMM };
      return {
        bladeIndexA: parts[0].blade,
        a_gmm: parts[0].momentKgM / GMM,
        bladeIndexB: parts[1].blade,
        b_gmm: parts[1].momentKgM / GMM,
      };
    },
  };

  const INCH = core.INCH_M;
  const materials = {
    soft: 'softPlastic',
    polycarbonate: 'polycarbonate',
    glass_nylon: 'glassNylon',
    carbon_nylon: 'carbonNylon',
    carbon: 'carbon',
    wood: 'wood',
  };
  const tables = new core.CoefficientTables(core.STANDARD_ROTOR_AIR);
  /** The one function that maps, candidates and reference cases ask for a propeller. */
  const propOf = ({ diameter_in, pitch_in, blades, tipShape, shape, material, mass_g }) => {
    const label = core.labelGeometry(
      diameter_in * INCH,
      pitch_in * INCH,
      blades,
      tipShape ?? shape,
      materials[material],
    );
    return core.propellerModel({ ...label, massKg: mass_g == null ? null : mass_g / 1000 }, tables);
  };

  const discharge = ({ table, S, capacity_Ah, R_ohm, socStart, socEnd, cutoff_V_perCell }) => ({
    curve: table,
    seriesCount: S,
    capacityAh: capacity_Ah,
    resistanceOhm: R_ohm,
    startRatio: socStart,
    endRatio: socEnd,
    cutoffCellV: cutoff_V_perCell,
  });
  const battery = {
    constPower: ({ table, S, soc, R_ohm, P_W }) => {
      const openV = S * core.openCellV(table, soc);
      const draw = core.drawPower(openV, R_ohm, P_W);
      return {
        feasible: draw.status === 'given',
        Voc_V: openV,
        ...(draw.status === 'given' ? { I_A: draw.currentA, V_V: draw.voltageV } : {}),
      };
    },
    endurance: ({ P_W, ...rest }) => {
      const found = core.enduranceAtPower(discharge(rest), P_W);
      return { socStop: found.stopRatio, endurance_s: found.durationS };
    },
    missionMix: ({ fractions, powers_W, usable_Wh }) => {
      const found = core.missionEndurance(
        fractions.map((shareRatio, i) => ({ shareRatio, powerW: powers_W[i] })),
        usable_Wh,
      );
      return { P_avg_W: found.meanPowerW, endurance_s: found.durationS };
    },
  };

  const craftTables = new core.CoefficientTables(core.rotorAir(20, 101_325, 0.5));
  /** A whole craft as Pick works it out: which limits bar it, its thrust, its hover. */
  const ordinaryCraft = (c) => {
    const { pack, prop } = c;
    const prepared = core.prepareCraft(
      {
        kind: c.kind,
        rotorCount: c.rotorCount,
        isCoaxial: false,
        armM: null,
        neighbourDistanceM: null,
        clearanceDiameterM: null,
        groundClearanceM: null,
        boomClearanceM: null,
        massKg: c.mass_kg,
        gearRatio: 1,
        shaftDiameterM: null,
        needed: { cwCount: 0, ccwCount: 0 },
        motor: {
          statorDiameterM: c.stator_mm[0] / 1000,
          statorHeightM: c.stator_mm[1] / 1000,
          kvRpmPerV: c.kv,
          resistanceOhm: null,
          noLoadCurrentA: null,
          massKg: null,
        },
        motorLimitA: null,
        escLimitA: c.escLimit_A,
        pack: {
          chemistry: pack.chemistry,
          seriesCount: pack.cells,
          capacityAh: pack.capacity_Ah,
          cRating: pack.cRating,
          cellResistanceOhm: pack.cellResistance_ohm,
        },
        standbyPowerW: core.usualStandbyW(c.kind, c.mass_kg),
        ductThrustRatio: c.ducted ? core.USUAL_DUCT_RATIO : null,
        style: c.style,
        airC: 20,
      },
      craftTables,
    );
    const geometry = {
      ...core.labelGeometry(prop.diameter_in * INCH, prop.pitch_in * INCH, prop.blades, prop.tip, prop.material),
      planform: prop.planform,
    };
    const { figures, margins } = core.evaluateCandidate(prepared, geometry);
    const broken = core.brokenLimits(margins);
    return {
      isAllowed: broken.length === 0,
      barredBy: broken,
      fullThrust_g: core.fromSi(core.findUnit('force', 'g'), figures.fullThrustN),
      hoverThrottle: figures.carryThrottleRatio,
      hoverMinutes: figures.enduranceS / 60,
    };
  };

  return {
    '01': ({ temperature_C, pressure_Pa, relHumidity_frac }) => {
      const air = core.humidAir(temperature_C, pressure_Pa, relHumidity_frac);
      return {
        rho_cipm_kgm3: air.densityKgPerM3,
        xv: air.vapourRatio,
        rho_simple_kgm3: core.idealAirDensity(temperature_C, pressure_Pa, relHumidity_frac),
      };
    },
    '02': ({ altitude_m, rho_in_kgm3 }) => {
      if (altitude_m === undefined) return { densityAltitude_m: core.densityAltitudeM(rho_in_kgm3) };
      const isa = core.isaAtmosphere(altitude_m);
      return {
        temperature_K: isa.temperatureK,
        pressure_Pa: isa.pressurePa,
        rho_kgm3: isa.densityKgPerM3,
        soundSpeed_ms: isa.soundSpeedMPerS,
      };
    },
    '03': ({ frequency_Hz }) => ({
      A_dB: core.aWeightingDb(frequency_Hz),
      C_dB: core.cWeightingDb(frequency_Hz),
      tableA_dB: core.aWeightingDb(frequency_Hz),
    }),
    '04': ({ bandsPerOctave, frequency_Hz }) => {
      const band = core.octaveBandOf(frequency_Hz, bandsPerOctave);
      return { index: band.index, centre_Hz: band.centreHz, lower_Hz: band.lowerHz, upper_Hz: band.upperHz };
    },
    '05': (l) =>
      ({
        leq: () => ({ level_dB: core.equivalentLevel(l.levels_dB, l.durations_s) }),
        sum: () => ({ level_dB: core.levelOfAll(l.levels_dB) }),
        background: () => {
          const { levelDb, status } = core.withoutBackground(l.measured_dB, l.background_dB);
          return {
            level_dB: levelDb,
            status: { clear: 'ok', corrected: 'corrected', upperBound: 'upper_bound' }[status],
          };
        },
        distance: () => ({ level_dB: core.levelAtDistance(l.level_dB, l.distance_m, l.refDistance_m) }),
        hemi_to_free: () => ({ level_dB: l.level_dB - core.HARD_GROUND_DB }),
        exposure_percentile: () => ({ level_dB: core.exceededLevel(l.levels_dB, l.n_percent) }),
      })[l.op](),
    '06': (w) => {
      const sound = analyticSound(w);
      const spectrum = core.welchSpectrum(sound, w.fs_Hz, w.nperseg);
      const meanSquare = sound.reduce((sum, x) => sum + x * x, 0) / sound.length;
      return {
        leq_dB: core.levelOfMeanSquare(meanSquare),
        psdAtBins: w.bins.map((b) => spectrum.densityPa2PerHz[b]),
        toneLevels_dB: w.tones.map((t) => core.levelOfMeanSquare(core.toneMeanSquare(spectrum, t.f_Hz))),
        leqA_dB: core.spectrumLevel(spectrum, core.aWeightingDb),
        peakFreqs_Hz: w.tones.map((t) => core.peakBetween(spectrum, 0.9 * t.f_Hz, 1.1 * t.f_Hz).frequencyHz),
        bandLevel_dB: core.levelOfMeanSquare(core.meanSquareBetween(spectrum, ...w.band_Hz)),
      };
    },
    '07': (b) => {
      if (b.nHarm !== undefined) {
        const lines = core.rotorLines({ bladeCount: b.blades, speedRpm: b.rpm }, b.polePairs, b.nHarm);
        return {
          bpf_Hz: lines.passingHz,
          harmonics_Hz: lines.harmonicsHz,
          sidebands_Hz: lines.besideHz,
          electrical_Hz: lines.electricalHz,
        };
      }
      if (b.harmonic !== undefined) return { rpm: core.speedOfTone(b.tone_Hz, b.blades, b.harmonic) };
      const found = core.prominenceOf(b.tone_Hz, b.lowerBand_dB, b.middleBand_dB, b.upperBand_dB);
      return {
        criticalBandwidth_Hz: core.criticalBandwidthHz(b.tone_Hz),
        prominenceRatio_dB: found.ratioDb,
        threshold_dB: found.thresholdDb,
        prominent: found.isProminent,
      };
    },
    '08': ({ original_amp, trial_g, trialAngles_deg, trialAmps }) => {
      const runs = {
        originalAmplitude: original_amp,
        trialKg: trial_g / 1000,
        trialDegrees: trialAngles_deg,
        trialAmplitudes: trialAmps,
      };
      const closed = core.balanceWithoutPhase(runs);
      const refined = core.refineWithoutPhase(runs);
      return {
        imbalanceAngle_deg: closed.imbalanceDegrees,
        correctionAngle_deg: closed.correctionDegrees,
        correctionMass_g: closed.correctionKg * 1000,
        consistency: closed.consistency,
        influence_ampPerG: closed.influencePerKg / 1000,
        nls_correctionMass_g: refined.correctionKg * 1000,
        nls_correctionAngle_deg: refined.correctionDegrees,
        nls_rmsResidual: refined.residual,
      };
    },
    '09': (r) => {
      const sense = r.phaseSense === 'lag' ? -1 : 1;
      const before = core.fromPolar(r.V0_amp, sense * r.V0_phase_deg);
      const withTrial = core.fromPolar(r.V1_amp, sense * r.V1_phase_deg);
      const found = core.onePlaneCorrection(
        before,
        core.fromPolar(r.trial_g / 1000, r.trialAngle_deg),
        withTrial,
        r.trialLeftOn,
      );
      const applied =
        r.applied_g === undefined || r.applied_g === null
          ? null
          : core.fromPolar(r.applied_g / 1000, r.appliedAngle_deg);
      return {
        influence_ampPerG: core.amountOf(found.influence) / 1000,
        influence_deg: core.degreesOf(found.influence),
        correctionMass_g: core.amountOf(found.correction) * 1000,
        correctionAngle_deg: core.degreesOf(found.correction),
        ...(applied
          ? { residual_amp: core.residualAfter(r.trialLeftOn ? withTrial : before, found.influence, applied) }
          : {}),
      };
    },
    10: ({ V0, trial, weights }) => {
      const vector = ({ amp, phase_deg }) => core.fromPolar(amp, phase_deg);
      const found = core.planeCorrections({
        before: V0.map(vector),
        trials: trial.map((t) => ({ mass: core.fromPolar(t.mass_g / 1000, t.angle_deg), readings: t.V.map(vector) })),
        weights,
      });
      return {
        U_g: found.corrections.map((u) => core.amountOf(u) * 1000),
        U_deg: found.corrections.map(core.degreesOf),
        residual_rms: found.residual,
        condition: found.condition,
      };
    },
    11: ({ G_mms, U_gmm, mass_kg, rpm, radius_mm }) => {
      if (U_gmm !== undefined)
        return {
          G_mms: core.gradeOf(U_gmm * GMM, mass_kg, rpm) * 1000,
          force_N: core.unbalanceForceN(U_gmm * GMM, rpm),
        };
      const { offsetM, unbalanceKgM } = core.permissibleUnbalance(G_mms / 1000, mass_kg, rpm);
      return {
        ePer_um: offsetM * 1e6,
        Uper_gmm: unbalanceKgM / GMM,
        massAtRadius_g: (unbalanceKgM / (radius_mm / 1000)) * 1000,
        force_N: core.unbalanceForceN(unbalanceKgM, rpm),
      };
    },
    12: ({ op, ...rest }) => staticBalance[op](rest),
    13: ({ op, nSlots, k, moments_gmm, slots }) => {
      if (op === 'balancedSubsets') {
        const found = core.balancedSubsets(nSlots, k);
        return {
          count: found.count,
          classes: found.classes.length,
          evenlySpaced: found.evenlySpacedCount,
          listUpToRotation: found.classes,
        };
      }
      const found = core.placeBlades(
        moments_gmm.map((m) => m * GMM),
        nSlots,
        slots ?? null,
      );
      return {
        minResidual_gmm: found.residualKgM / GMM,
        worstResidual_gmm: found.worstKgM / GMM,
        identityResidual_gmm: found.identityKgM / GMM,
      };
    },
    14: ({ T0_N, Q0_Nm, motors }) => {
      const rotors = motors.map((m) => ({
        place: 'front',
        level: 0,
        xM: m.x_m,
        yM: m.y_m,
        spin: m.spin.toLowerCase(),
        hand: m.hand.toLowerCase(),
        isLabelForward: m.labelUp,
      }));
      const found = core.layoutMoments(rotors, T0_N, Q0_Nm);
      return {
        netThrust_N: found.thrustN,
        roll_Nm: found.rollNm,
        pitch_Nm: found.pitchNm,
        yaw_Nm: found.yawNm,
        rank: found.rank,
        flipBearing_deg: found.tipsDegrees,
        yawRateTendency: found.yaws,
      };
    },
    15: ({ op, ...rest }) => powerLaw[op](rest),
    16: ({ op, ...rest }) => statistics[op](rest),
    17: ({ op, ...rest }) => flight[op](rest),
    18: (p) => {
      const speedRadPerS = p.rpm * TURN_RAD_PER_S;
      const prop = {
        diameterM: p.diameter_in * INCH,
        pitchM: p.pitch_in * INCH,
        speedRpm: p.rpm,
        thrustN: p.thrust_N,
        shaftPowerW: p.shaftPower_W,
        flightSpeedMPerS: p.V_ms,
        densityKgPerM3: p.rho_kgm3,
        soundSpeedMPerS: p.soundSpeed_ms,
        bladeAreaM2: p.bladeArea_m2,
      };
      const f = core.propFigures(prop);
      const inertia = core.propInertiaKgM2(p.mass_kg, prop.diameterM, p.kI);
      return {
        tipSpeed_ms: f.tipSpeedMPerS,
        tipMach: f.tipMach,
        pitchSpeed_ms: f.pitchSpeedMPerS,
        J: f.advanceRatio,
        CT: f.thrustCoefficient,
        CP: f.powerCoefficient,
        CQ: f.torqueCoefficient,
        FM: f.figureOfMerit,
        inducedVel_ms: f.inducedSpeedMPerS,
        discLoading_Nm2: f.discLoadingNPerM2,
        bladeLoading_CTsigma: f.bladeLoading,
        idealPower_W: f.idealPowerW,
        propEff: f.propulsiveEfficiency,
        inertia_kgm2: inertia,
        tauSpin_s: core.spinUpTimeS(
          inertia + p.motorRotorInertia_kgm2,
          p.shaftPower_W / speedRadPerS,
          speedRadPerS,
          p.Kt_NmA,
          p.Reff_ohm,
        ),
        centrifugalRoot_N: core.rootForceN(p.bladeMass_kg, p.bladeCg_m, p.rpm),
      };
    },
    19: (m) => {
      const torqueConstantNmPerA = core.torqueConstantNmPerA(m.Kv_rpmV);
      const motor = {
        kvRpmPerV: m.Kv_rpmV,
        torqueConstantNmPerA,
        resistanceOhm: m.Rm25_ohm,
        friction: core.measuredFriction(m.I0_A, torqueConstantNmPerA),
        reactanceOhmS: m.xComm_ohm_per_radps,
      };
      const drive = {
        motor,
        escResistanceOhm: m.Resc_ohm,
        standbyPowerW: m.Paux_W,
        motorTemperatureC: m.motorTemperature_C,
      };
      const rotor = core.constantRotor(m.CT, m.CP, m.diameter_m, m.rho_kgm3);
      const found = core.equilibrium(
        drive,
        { openVoltageV: m.Voc_V, resistanceOhm: m.Rpack_ohm, driveCount: m.nMot },
        rotor.torqueNm,
        m.throttle,
      );
      if (found.status !== 'turning' && found.status !== 'bogs') return { status: found.status };
      const d = found.drive;
      return {
        rpm: d.speedRadPerS / TURN_RAD_PER_S,
        motorCurrent_A: d.motorCurrentA,
        busCurrent_A: d.busCurrentA,
        bus_V: d.busVoltageV,
        thrust_N: rotor.thrustN(d.speedRadPerS),
        shaft_W: d.shaftPowerW,
        Pe_W: d.powerW,
        efficiency: d.shaftPowerW / d.powerW,
      };
    },
    20: ({ op, ...rest }) => battery[op](rest),
    21: ({ op, ...rest }) => standardDay[op](rest),
    22: ({ z, y, noiseSD, priorSD, nu0, zq }) => {
      const readings = z.map((scaled, i) => ({ pitchRatio: core.pitchRatioOf(scaled), logRatio: y[i] }));
      const fit = core.calibrate(readings, { offset: priorSD[0], slope: priorSD[1], noise: noiseSD, noiseCount: nu0 });
      const at = core.calibrationFactor(fit, core.pitchRatioOf(zq));
      return {
        theta: [fit.offset, fit.slope],
        sd: [fit.offsetDeviation, fit.slopeDeviation],
        residSD: fit.residual,
        factor: at.factor,
        sdLog: at.deviationLog,
      };
    },
    23: ({ kOld, kNew, tauOld_s, tauNew_s, Jratio }) => {
      const g = core.gainScale({
        oldSlopeN: kOld,
        newSlopeN: kNew,
        oldRiseS: tauOld_s,
        newRiseS: tauNew_s,
        inertiaRatio: Jratio,
      });
      return {
        pScale: g.proportionalRatio,
        dScale: g.derivativeRatio,
        iScale: g.integralRatio,
        pRounded: g.roundedRatio,
        clamped: g.isBounded,
        pFloor: g.floorRatio,
        steps1pct: g.stepCount,
      };
    },
    24: ({ material, diameter_in, segments, crashes, nick }) => {
      const found = core.fatigueIndex({
        material: materials[material],
        diameterM: diameter_in * INCH,
        flown: segments.map(({ hours, rpm }) => ({ durationS: hours * 3600, speedRpm: rpm })),
        strikes: crashes,
        hasNick: nick,
      });
      return { index: found.index, status: found.state === 'replaceSoon' ? 'replace soon' : found.state };
    },
    25: (n) => {
      const air = {
        densityKgPerM3: n.rho_kgm3,
        soundSpeedMPerS: n.soundSpeed_ms,
        kinematicViscosityM2PerS: core.STANDARD_ROTOR_AIR.kinematicViscosityM2PerS,
      };
      const source = {
        bladeCount: n.blades,
        diameterM: n.diameter_m,
        speedRpm: n.rpm,
        thrustN: n.thrust_N,
        torqueNm: n.torque_Nm,
        bladeVolumeM3: n.bladeVolume_m3,
        bladeAreaM2: n.bladeArea_m2,
      };
      const listener = { distanceM: n.distance_m, angleDegrees: n.theta_deg };
      return {
        bpf_Hz: core.bladePassingHz(source),
        levels_dB: core.toneMeanSquaresPa2(source, listener, air, HARMONICS).map(core.levelOfMeanSquare),
        broadband_dB: core.broadbandDb(source, listener),
      };
    },
    26: (g) => {
      const point = core.propellerAt(propOf({ ...g, mass_g: null }), g.rpm);
      const figures = core.propFigures({
        diameterM: g.diameter_in * INCH,
        pitchM: g.pitch_in * INCH,
        speedRpm: g.rpm,
        thrustN: point.thrustN,
        shaftPowerW: point.powerW,
        flightSpeedMPerS: 0,
        densityKgPerM3: core.STANDARD_ROTOR_AIR.densityKgPerM3,
        soundSpeedMPerS: core.STANDARD_ROTOR_AIR.soundSpeedMPerS,
        bladeAreaM2: 1,
      });
      return {
        thrust_N: point.thrustN,
        shaftPower_W: point.powerW,
        FM: figures.figureOfMerit,
        CT: point.thrustCoefficient,
        CP: point.powerCoefficient,
      };
    },
    27: (g) => {
      const point = core.propellerAt(propOf(g), g.rpm, g.V_ms);
      return {
        CT: point.thrustCoefficient,
        CP: point.powerCoefficient,
        thrust_N: point.thrustN,
        torque_Nm: point.torqueNm,
        tipWashout_deg: (point.tipWashoutRad * 180) / Math.PI,
      };
    },
    28: ordinaryCraft,
  };
}

/** Tones and the noise of a linear congruential generator, as file 06 writes them down. */
function analyticSound({ fs_Hz, N, tones, noiseAmp_Pa, seed }) {
  let state = seed >>> 0;
  return Float64Array.from({ length: N }, (_, k) => {
    state = (Math.imul(1664525, state) + 1013904223) >>> 0;
    const noise = noiseAmp_Pa * (state / 2 ** 32 - 0.5);
    return tones.reduce((sum, t) => sum + t.amp_Pa * Math.sin((2 * Math.PI * t.f_Hz * k) / fs_Hz + t.phase_rad), noise);
  });
}
