// Studies: how often the core is right on things whose truth is known. `npm run studies -- [--only NAME] [--seed N]
// [--json FILE]`.
import * as core from '../packages/core/dist/index.js';
import { balanceStudy } from './balance.mjs';
import { simulatedCampaign } from './campaign.mjs';
import { flightStudy } from './flight.mjs';
import { labelCases, labelForms } from './labelCases.mjs';
import { calibrated, calibratedMotor, predictor, randomInputs } from './propulsion.mjs';
import { soundStudy } from './sound.mjs';
import { report } from './report.mjs';
import { calibrationStudy, coverageStudy } from './stand.mjs';
import { symptomStudy } from './symptoms.mjs';
import { verdictStudy } from './verdict.mjs';

await report({
  random: randomInputs,
  predictor,
  calibrated: (seed) => [...calibrated(seed), ...calibratedMotor(seed)],
  calibration: calibrationStudy,
  coverage: coverageStudy,
  sound: soundStudy,
  balance: balanceStudy,
  symptoms: symptomStudy,
  flight: flightStudy,
  verdict: verdictStudy,
  /** Labels of known props: is the truth offered, and is it the first reading? */
  labels: (seed) => {
    const cases = labelCases(seed, 4000);
    let offered = 0;
    let first = 0;
    for (const c of cases) {
      const read = core.readPropLabel(c.label);
      const places = read.status === 'read' ? read.readings.findIndex((r) => isTruth(r, c)) : -1;
      if (places >= 0) offered++;
      if (places === 0) first++;
    }
    return [
      {
        id: 'label.forms.ratio',
        value: labelForms.filter((f) => isFirst(core.readPropLabel(f.label), f)).length / labelForms.length,
        unit: '1',
        baseline: null,
        target: 0.95,
      },
      { id: 'label.offered.ratio', value: offered / cases.length, unit: '1', baseline: null, target: 0.99 },
      { id: 'label.first.ratio', value: first / cases.length, unit: '1', baseline: null, target: 0.9 },
    ];
  },
  /** Props that are alike: how often is a difference claimed? A 95 % interval allows 5 %. */
  alike: (seed) => {
    let claims = 0;
    let comparisons = 0;
    for (let evening = 0; evening < 120; evening++) {
      const results = core.reduceCampaign(
        simulatedCampaign({ seed: `${seed}/alike/${evening}`, propCount: 7, runCount: 2, alike: true }),
      );
      for (const prop of results.props.filter((p) => !p.isReference)) {
        comparisons++;
        if (prop.points.full.thrustN.comparison !== 'same') claims++;
      }
    }
    return [
      { id: 'stand.falseDifference.ratio', value: claims / comparisons, unit: '1', baseline: null, target: 0.08 },
    ];
  },
});

function isFirst(read, { diameterM, pitchM, bladeCount, hand }) {
  const first = read.status === 'read' ? read.readings[0] : null;
  const isSame = (a, b) => (a === null ? b === null : b !== null && Math.abs(a - b) < 1e-6);
  return (
    first !== null &&
    isSame(diameterM, first.diameterM) &&
    isSame(pitchM, first.pitchM) &&
    first.bladeCount === bladeCount &&
    first.hand === hand
  );
}

function isTruth(reading, { diameterM, pitchM, bladeCount }) {
  return (
    Math.abs(reading.diameterM - diameterM) < 1e-6 &&
    reading.pitchM !== null &&
    Math.abs(reading.pitchM - pitchM) < 1e-6 &&
    (bladeCount === null || reading.bladeCount === bladeCount)
  );
}
