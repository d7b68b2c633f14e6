import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mostTapeKgM, resizedPiece, tapeMomentKgM, tapePiece, tapePlan, tapeSpot, USUAL_TAPE } from './tapePlan.ts';

const INCH_M = 0.0254;
const blade = tapeSpot('blade', 5.1 * INCH_M, USUAL_TAPE);
const diameter = fc.double({ min: 0.02, max: 1.1, noNaN: true });
const kind = fc.constantFrom('blade', 'hub');
const ratio = fc.double({ min: 0, max: 4, noNaN: true });

test('strips that are read back from their moment are the same strips, never longer than fits, and a trial where more than may stay', () => {
  fc.assert(
    fc.property(diameter, kind, ratio, (diameterM, place, share) => {
      const spot = tapeSpot(place, diameterM, USUAL_TAPE);
      const piece = tapePiece(share * mostTapeKgM(spot, USUAL_TAPE), spot, USUAL_TAPE);
      if (piece === null) return;
      expect(piece.layerCount).toBeLessThanOrEqual(3 * spot.mostLayers);
      expect(piece.isTrial).toBe(piece.momentKgM > mostTapeKgM(spot, USUAL_TAPE) * (1 + 1e-9));
      expect(piece.lengthM).toBeLessThanOrEqual(spot.longestM + 1e-12);
      expect(Math.abs(piece.lengthM * 1000 - Math.round(piece.lengthM * 1000))).toBeLessThan(1e-6);
      expect(piece.momentKgM).toBeCloseTo(tapeMomentKgM(piece.layerCount * piece.lengthM, spot, USUAL_TAPE), 15);
      expect(tapePiece(piece.momentKgM, spot, USUAL_TAPE)).toEqual({
        ...piece,
        momentKgM: expect.closeTo(piece.momentKgM, 15),
        lengthM: expect.closeTo(piece.lengthM, 9),
      });
    }),
    { numRuns: 600, seed: 7 },
  );
});

test('a millimetre more and a millimetre less: what is shown is what is booked, and it ends at nothing and at three times what may stay', () => {
  let moment = 0;
  const seen = new Set<number>();
  for (let i = 0; i < 300; i++) {
    const piece = resizedPiece(moment, 1, blade, USUAL_TAPE)!;
    expect(piece.momentKgM).toBeGreaterThanOrEqual(moment);
    moment = piece.momentKgM;
    seen.add(piece.layerCount);
  }
  expect(moment).toBeCloseTo(3 * mostTapeKgM(blade, USUAL_TAPE), 15);
  expect([...seen]).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9]);
  for (let i = 0; i < 300; i++) moment = resizedPiece(moment, -1, blade, USUAL_TAPE)?.momentKgM ?? 0;
  expect(moment).toBe(0);
  expect(tapePiece(0, blade, USUAL_TAPE)).toBeNull();
});

test('a narrow blade takes a narrow strip, a hub takes folded ones close to the shaft', () => {
  expect(tapeSpot('blade', 0.031, USUAL_TAPE).widthM).toBeCloseTo(0.002, 9);
  expect(blade.widthM).toBeCloseTo(0.011, 9);
  const hub = tapeSpot('hub', 12 * INCH_M, USUAL_TAPE);
  expect(hub.radiusM).toBeLessThan(0.2 * tapeSpot('blade', 12 * INCH_M, USUAL_TAPE).radiusM);
  expect(mostTapeKgM(hub, USUAL_TAPE)).toBeLessThan(
    0.6 * mostTapeKgM(tapeSpot('blade', 12 * INCH_M, USUAL_TAPE), USUAL_TAPE),
  );
});

test('a plan names what is on beside what should be, and leaves out places that have neither', () => {
  const [on, want] = [tapeMomentKgM(0.012, blade, USUAL_TAPE), tapeMomentKgM(0.04, blade, USUAL_TAPE)];
  const plan = tapePlan([blade, blade, blade], [on, 0, 0], [0, 0, want], USUAL_TAPE);
  expect(plan).toMatchObject([
    { place: 0, on: { lengthM: expect.closeTo(0.012, 9), layerCount: 1 }, want: null },
    { place: 2, on: null, want: { lengthM: expect.closeTo(0.02, 9), layerCount: 2 } },
  ]);
});
