import fs from 'node:fs';
import * as core from '../packages/core/dist/index.js';

/** Labels as they are met on hubs and bags, with what they mean. */
export const labelForms = JSON.parse(
  fs.readFileSync(new URL('../packages/core/src/label/labelForms.json', import.meta.url), 'utf8'),
);

/** Made-up props with the labels that makers would mould on them, in all usual forms. */
export function labelCases(seed, count) {
  const random = core.seededRandom(`labels/${seed}`);
  return Array.from({ length: count }, () => {
    const diameter = Math.round((2 + 14 * random.next()) * 10) / 10;
    const pitch = Math.round(diameter * (0.35 + 0.6 * random.next()) * 10) / 10;
    const blades = 2 + Math.floor(random.next() * 4);
    const forms = [
      `${diameter}x${pitch}x${blades}`,
      `${diameter} x ${pitch} x ${blades}`,
      `${String(diameter).replace('.', ',')}×${String(pitch).replace('.', ',')}×${blades}`,
      `${diameter}x${pitch}-${blades}`,
      run(diameter, pitch),
      `${run(diameter, pitch)}-${blades}`,
      `${run(diameter, pitch)}x${blades} CW`,
      `${diameter}x${pitch}`,
    ];
    const form = Math.floor(random.next() * forms.length);
    const hasBlades = [0, 1, 2, 3, 5, 6].includes(form);
    return {
      label: forms[form],
      diameterM: diameter * core.INCH_M,
      pitchM: pitch * core.INCH_M,
      bladeCount: hasBlades ? blades : null,
    };
  });
}

/** Digits without points: whole inches from ten up, tenths below, pitch in tenths. */
function run(diameter, pitch) {
  const tenths = (v) => String(Math.round(v * 10)).padStart(2, '0');
  return diameter >= 10 && Number.isInteger(diameter)
    ? `${diameter}${tenths(pitch)}`
    : `${tenths(diameter)}${tenths(pitch)}`;
}
