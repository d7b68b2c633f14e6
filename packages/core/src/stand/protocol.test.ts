import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import {
  protocolKinds,
  requireProtocol,
  throttleAt,
  throttleProgram,
  throttleSteps,
  usualProtocols,
  withProtocol,
  type ProtocolVersions,
} from './protocol.ts';

describe('programs', () => {
  test.each(protocolKinds)('%s begins at rest, keeps its points in order and before its end', (kind) => {
    const protocol = usualProtocols[kind];
    const { corners, keepAtS } = throttleProgram(protocol);
    expect(corners[0]).toEqual({ atS: 0, throttleRatio: 0 });
    expect(keepAtS).toHaveLength(throttleSteps(protocol).length);
    expect([...keepAtS].sort((a, b) => a - b)).toEqual(keepAtS);
    expect(keepAtS.at(-1)).toBeLessThanOrEqual(corners.at(-1)!.atS);
    for (const { throttleRatio } of corners) expect(throttleRatio).toBeLessThanOrEqual(1);
    // Half a second before it is kept a point stands at its throttle.
    keepAtS.forEach((atS, i) =>
      expect(throttleAt({ corners, keepAtS }, atS - 0.5)).toBeCloseTo(throttleSteps(protocol)[i]!, 9),
    );
  });

  test('the usual ways: full throttle once, a ladder down, bursts from part throttle, a hold that is read on the way', () => {
    expect(throttleSteps(usualProtocols.full)).toEqual([1]);
    expect(throttleSteps({ ...usualProtocols.ladder, stepCount: 4 })).toEqual([1, 0.75, 0.5, 0.25]);
    expect(throttleProgram(usualProtocols.burst).corners.slice(1, 4)).toEqual([
      { atS: 1.5, throttleRatio: 0.3 },
      { atS: 3.5, throttleRatio: 0.3 },
      { atS: 3.5, throttleRatio: 1 },
    ]);
    expect(throttleProgram(usualProtocols.hold).keepAtS).toEqual([16.5, 31.5, 46.5, 61.5, 76.5, 91.5]);
  });

  test('what cannot be run is refused by its field', () => {
    const { own, hold, ramp, ladder } = usualProtocols;
    const refused = (protocol: typeof own, field: string): void =>
      expect(() => requireProtocol(protocol)).toThrow(new RegExp(`"${field}"`));
    refused({ ...own, throttles: [0.5] }, 'throttles');
    refused({ ...own, stepCount: 1, throttles: [1.2] }, 'throttles.0');
    refused({ ...hold, throttles: null }, 'throttles');
    refused({ ...ladder, throttles: [0.5] }, 'throttles');
    refused({ ...ramp, holdS: 4 }, 'holdS');
    refused({ ...ladder, stepCount: 0 }, 'stepCount');
    expect(() => throttleProgram({ ...own, throttles: [] })).toThrow(OutOfRangeError);
  });
});

describe('versions of the protocol', () => {
  const full = { kind: 'full', stepCount: 1, holdS: 5, throttles: null } as const;
  const ladder = { kind: 'ladder', stepCount: 7, holdS: 6, throttles: null } as const;
  const own = { kind: 'own', stepCount: 2, holdS: 6, throttles: [0.5, 1] } as const;

  test('the first plan takes the runs that are there; another way is the next version; the old way counts again', () => {
    const first = withProtocol({ protocols: [], version: 1 }, full, true);
    expect(first).toEqual({ protocols: [full], version: 1 });
    const second = withProtocol(first, ladder, true);
    expect(second).toEqual({ protocols: [full, ladder], version: 2 });
    expect(withProtocol(second, full, true)).toEqual({ protocols: [full, ladder], version: 1 });
    expect(withProtocol(second, own, true).version).toBe(3);
    expect(withProtocol({ protocols: [own], version: 1 }, { ...own, throttles: [0.6, 1] }, true).version).toBe(2);
  });

  test('a plan from before there were own steps is the same way still', () => {
    const old = { kind: 'ladder', stepCount: 7, holdS: 6 } as typeof ladder;
    expect(withProtocol({ protocols: [old], version: 1 }, ladder, true).version).toBe(1);
  });

  test('as long as nothing was run, another way is no other version', () => {
    expect(withProtocol({ protocols: [full], version: 1 }, ladder, false)).toEqual({ protocols: [ladder], version: 1 });
  });

  test('however often plans change, every version that was run stays as it was', () => {
    const ways = [full, ladder, { ...ladder, holdS: 9 }, { ...full, stepCount: 2 }, own];
    fc.assert(
      fc.property(fc.array(fc.record({ way: fc.nat(4), isRun: fc.boolean() }), { maxLength: 20 }), (plans) => {
        let now: ProtocolVersions = { protocols: [], version: 1 };
        const ran = new Map<number, unknown>();
        for (const { way, isRun } of plans) {
          now = withProtocol(now, ways[way]!, ran.has(now.version));
          expect(now.protocols[now.version - 1]).toEqual(ways[way]);
          if (isRun) ran.set(now.version, ways[way]);
          for (const [version, was] of ran) expect(now.protocols[version - 1]).toEqual(was);
        }
      }),
    );
  });
});
