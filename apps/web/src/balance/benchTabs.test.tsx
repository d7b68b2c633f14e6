import '../test/completeAddresses.ts';
import { describe, expect, jest, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { BalanceJobDto, BalanceJobView } from '@zivvo/contract';
import { fromPolar, singleBladeState, spinnerPositions, tapeMomentKgM, USUAL_TAPE } from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import { jobOf, modelOnShaft } from './balance.fixtures.ts';
import { jobHeadline, type JobChange } from './balanceView.ts';
import { SingleBladeTab } from './SingleBladeTab.tsx';
import { SpinnerTool } from './SpinnerTool.tsx';
import { SwingTab } from './SwingTab.tsx';
import { TapeTab } from './TapeTab.tsx';
import { TwoPlanesTool } from './TwoPlanesTool.tsx';
import { VibrationTab } from './VibrationTab.tsx';
import { WeighTab } from './WeighTab.tsx';

const model = modelOnShaft;
const onSet = jest.fn<(change: JobChange) => void>();
let onTheShaft: BalanceJobView;
const lastSet = (): Partial<BalanceJobDto> => onSet.mock.lastCall![0](onTheShaft);

function aJob(more: Partial<BalanceJobView> = {}): BalanceJobView {
  onSet.mockReset();
  onTheShaft = jobOf(more);
  return onTheShaft;
}

describe('tape trials', () => {
  test('two answers, none of them lit beforehand; each goes with the tape that was on', async () => {
    renderInApp(<TapeTab job={aJob()} model={model} isUnsound={false} onSet={onSet} />);
    const [stays, falls] = [
      screen.getByRole('button', { name: /^It stays wherever/ }),
      screen.getByRole('button', { name: /^It turned and hangs/ }),
    ];
    for (const choice of [stays, falls]) expect(choice.getAttribute('aria-pressed')).toBeNull();
    await userEvent.click(stays);
    expect(lastSet().observations).toEqual([{ tape: [0, 0, 0], kind: 'stays', downDegrees: null, fallS: null }]);
    await userEvent.click(falls);
    expect(lastSet().observations![0]).toMatchObject({ kind: 'falls', downDegrees: expect.any(Number) });
  });

  test('a strip grows and shrinks by millimetres, never under nothing', async () => {
    renderInApp(<TapeTab job={aJob()} model={model} isUnsound={false} onSet={onSet} />);
    const more = screen.getByRole('button', { name: /^More tape on blade 1/i });
    for (let i = 0; i < 7; i++) await userEvent.click(more);
    expect(more.parentElement!.textContent).toContain('7 mm');
    for (let i = 0; i < 9; i++) await userEvent.click(screen.getByRole('button', { name: /^Less tape on blade 1/i }));
    expect(more.parentElement!.textContent).toContain('0 mm');
  });
});

describe('what is said is what is booked', () => {
  const falls = (tape: number[], downDegrees: number) => ({ tape, kind: 'falls' as const, downDegrees, fallS: null });

  test('the strips of the headline stand beside the dial, and go with the next look', async () => {
    const job = aJob({ observations: [falls([0, 0, 0], 0)] });
    renderInApp(<TapeTab job={job} model={model} isUnsound={false} onSet={onSet} />);
    const said = [...jobHeadline(job, 3).matchAll(/(\d+) mm(?: × (\d+))? on blade (\d)/g)];
    expect(said.length).toBeGreaterThan(0);
    for (const [, millimetres, layers, blade] of said) {
      const row = screen.getByRole('button', { name: `More tape on blade ${blade}` }).parentElement!;
      expect(row.textContent).toContain(`${millimetres} mm${layers ? ` × ${layers}` : ''}`);
    }
    await userEvent.click(screen.getByRole('button', { name: /^It stays wherever/ }));
    const booked = lastSet().observations!.at(-1)!.tape;
    said.forEach(([, millimetres, layers = '1', blade]) => {
      const place = job.result!.places[Number(blade) - 1]!;
      expect(booked[Number(blade) - 1]).toBeCloseTo(
        tapeMomentKgM((Number(millimetres) / 1000) * Number(layers), place, USUAL_TAPE),
        12,
      );
    });
    expect(booked.filter((t) => t > 0)).toHaveLength(said.length);
  });

  test('a strip that is on is named when another one is to take its place, and when it is to come off', () => {
    const tape = aJob({ observations: [falls([0, 0, 0], 0)] }).result!.next!;
    expect(jobHeadline(aJob({ observations: [falls([0, 0, 0], 0), falls(tape, 0)] }), 3)).toMatch(
      / on blade 2, on trial, instead of 17 mm × 2/,
    );
    expect(jobHeadline(aJob({ observations: [falls([0, 0, 0], 0), falls([2e-7, 0, 0], 2)] }), 3)).toContain(
      'the tape off blade 1',
    );
  });

  test('more than may stay is put on as a trial, and says so', () => {
    const bare = falls([0, 0, 0], 0);
    const job = aJob({ observations: [bare, falls(aJob({ observations: [bare] }).result!.next!, 0)] });
    expect(jobHeadline(job, 3)).toContain(', on trial');
    expect(job.result!.reasons.map((r) => r.code)).toContain('balance.trialTape');
  });
});

describe('other schools', () => {
  const found = () => aJob({ observations: [{ tape: [0, 0, 0], kind: 'falls', downDegrees: 240, fallS: 0.9 }] });

  test('sanding marks the heavy blade first, goes by the back face and the grits, and makes what was seen before void', async () => {
    renderInApp(<TapeTab job={found()} model={model} isUnsound={false} onSet={onSet} />);
    await userEvent.click(screen.getByText('Sanding'));
    const steps = within(screen.getByRole('region', { name: 'Sanding' }))
      .getAllByRole('listitem')
      .map((li) => li.textContent!);
    expect(steps[0]).toBe('Mark the heavy side first, in pencil: blade 3.');
    expect(steps.join(' ')).toMatch(
      /Back face only.*400, then 800.*mg off blade 3: .* mm over .* Take a third.*look again/,
    );
    await userEvent.click(screen.getByRole('button', { name: 'A little is off blade 3: look again' }));
    expect(lastSet()).toEqual({
      corrections: [{ school: 'sand', place: 2, observationCount: 1, swingCount: 0, isWeighed: false }],
      heavyDegrees: null,
    });
  });

  test('lacquer is refused on polycarbonate; a hub is drilled only where its maker made it for that', async () => {
    renderInApp(<TapeTab job={found()} model={model} isUnsound={false} onSet={onSet} />);
    await userEvent.click(screen.getByText('Lacquer or glue'));
    expect(screen.getByText(/it crazes polycarbonate/)).toBeTruthy();
    await userEvent.click(screen.getByText('Drilling'));
    expect(screen.queryByRole('button', { name: /look again/ })).toBeNull();
    await userEvent.click(screen.getByRole('checkbox', { name: /maker made this hub to be drilled/ }));
    expect(screen.getByText(/Mark the heavy side of the hub: 240°/)).toBeTruthy();
  });
});

test('a single blade: grams and millimetres in, washers out, its thrust never forgotten', async () => {
  const job = aJob({ result: null, singleBlade: null, single: null });
  expect(jobHeadline(job, 1)).toBe('Weigh the blade and a washer');
  renderInApp(<SingleBladeTab job={job} onSet={onSet} />);
  const work = screen.getByRole('button', { name: 'Work it out' });
  for (const [name, text] of [
    ['The blade weighs', '4,1'],
    ['It balances on an edge, from the shaft', '50'],
    ['A washer weighs', '0.8'],
    ['Washers sit, from the shaft', '20'],
    ['Washers on now', '1.5'],
  ] as const)
    await userEvent.type(screen.getByRole('textbox', { name }), text);
  expect(screen.getByText('a whole number')).toBeTruthy();
  expect(work).toHaveProperty('disabled', true);
  await userEvent.clear(screen.getByRole('textbox', { name: 'Washers on now' }));
  await userEvent.type(screen.getByRole('textbox', { name: 'Washers on now' }), '12');
  await userEvent.click(work);
  const singleBlade = lastSet().singleBlade!;
  expect(singleBlade).toEqual({
    bladeMassKg: expect.closeTo(0.0041, 9),
    centreOfMassM: expect.closeTo(0.05, 9),
    washerMassKg: expect.closeTo(0.0008, 9),
    washerRadiusM: expect.closeTo(0.02, 9),
    washerCount: 12,
  });
  const single = singleBladeState(
    {
      diameterM: 0.14,
      thrustN: 1.2,
      craft: { massKg: 0.5, hoverSpeedRpm: 9000 },
      rig: { frictionKgM: 2e-8, borePlayM: 0, largestM: 0.4, inertiaKgM2: 0 },
      target: 'good',
    },
    singleBlade,
  );
  expect(jobHeadline(aJob({ result: null, singleBlade, single }), 1)).toBe('13 washers instead of 12');
});

describe('swing timing', () => {
  test('five taps make a swing; the second needs its tape', async () => {
    renderInApp(<SwingTab job={aJob()} model={model} onSet={onSet} />);
    const keep = screen.getByRole('button', { name: /^Keep this swing/ });
    for (let i = 0; i < 4; i++) await userEvent.click(screen.getByRole('button', { name: /^Tap/ }));
    expect(keep).toHaveProperty('disabled', true);
    await userEvent.click(screen.getByRole('button', { name: /^Tap/ }));
    await userEvent.click(keep);
    expect(lastSet().swings).toMatchObject([{ isHalf: true, startDegrees: 20, tapeKgM: 0 }]);
    expect(lastSet().swings![0]!.tapsS).toHaveLength(5);
  });

  test('an angle out of bounds is said at its field', async () => {
    renderInApp(<SwingTab job={aJob()} model={model} onSet={onSet} />);
    const start = screen.getByRole('textbox', { name: 'Widest at the start' });
    await userEvent.clear(start);
    await userEvent.type(start, '120');
    expect(screen.getByText('0 to 90')).toBeTruthy();
  });

  test('where it hangs is noted from the dial', async () => {
    renderInApp(<SwingTab job={aJob()} model={model} onSet={onSet} />);
    await userEvent.click(screen.getByRole('button', { name: 'It hangs like this' }));
    expect(lastSet()).toEqual({ heavyDegrees: expect.any(Number) });
  });
});

test('weighing: grams at a radius, decimal comma or point, all blades or none', async () => {
  renderInApp(<WeighTab job={aJob()} model={model} onSet={onSet} />);
  const keep = screen.getByRole('button', { name: 'Keep the weights' });
  for (const [blade, grams] of [
    ['Blade 1', '1,20'],
    ['Blade 2', '1.22'],
    ['Blade 3', '-1'],
  ] as const)
    await userEvent.type(screen.getByRole('textbox', { name: blade }), grams);
  expect(screen.getByText('a weight above 0')).toBeTruthy();
  expect(keep).toHaveProperty('disabled', true);
  await userEvent.clear(screen.getByRole('textbox', { name: 'Blade 3' }));
  await userEvent.type(screen.getByRole('textbox', { name: 'Blade 3' }), '1.19');
  await userEvent.click(keep);
  const radiusM = Number(screen.getByRole<HTMLInputElement>('textbox', { name: /^Radius/ }).value) / 1000;
  expect(lastSet().bladeMomentsKgM!.map((m) => m / radiusM)).toEqual(
    [1.2, 1.22, 1.19].map((g) => expect.closeTo(g / 1000, 9)),
  );
});

describe('vibration', () => {
  test('the first run is bare; as many phases as amplitudes, or none', async () => {
    renderInApp(<VibrationTab job={aJob()} piece={{ hand: 'ccw' }} model={modelOnShaft} onSet={onSet} />);
    const keep = screen.getByRole('button', { name: 'Keep the run' });
    expect(screen.getByText('First run, no mass on it')).toBeTruthy();
    await userEvent.type(screen.getByRole('textbox', { name: 'Amplitudes' }), '2,0 2.1');
    await userEvent.type(screen.getByRole('textbox', { name: 'Phases' }), '40');
    expect(screen.getByText('2 amplitudes but 1 phases')).toBeTruthy();
    expect(keep).toHaveProperty('disabled', true);
    await userEvent.type(screen.getByRole('textbox', { name: 'Phases' }), ' 44');
    await userEvent.click(keep);
    expect(lastSet().runs).toEqual([
      {
        massKg: 0,
        degrees: 0,
        isCheck: false,
        readings: [
          { amplitude: 2, phaseDegrees: 40 },
          { amplitude: 2.1, phaseDegrees: 44 },
        ],
      },
    ]);
  });

  test('the dial shows mark, turn and where degrees grow; only a piece of either hand is asked how it turns', async () => {
    const bare = { massKg: 0, degrees: 0, isCheck: false, readings: [{ amplitude: 2, phaseDegrees: 40 }] };
    const { unmount } = renderInApp(
      <VibrationTab
        job={aJob({ runs: [bare, { ...bare, massKg: 2e-5, degrees: 90 }] })}
        piece={{ hand: 'ccw' }}
        model={modelOnShaft}
        onSet={onSet}
      />,
    );
    expect(
      screen.getByRole('img', {
        name:
          'The label facing you, turning counter-clockwise: degrees count from the mark against the turn, trial ' +
          'at 90°',
      }),
    ).toBeTruthy();
    expect(screen.queryByRole('radiogroup', { name: 'It turns, seen from the label' })).toBeNull();
    unmount();
    renderInApp(
      <VibrationTab job={aJob({ runs: [] })} piece={{ hand: 'either' }} model={modelOnShaft} onSet={onSet} />,
    );
    await userEvent.click(screen.getByText('turns CCW', { selector: 'label *, label' }));
    expect(screen.getByRole('img', { name: /turning counter-clockwise/ })).toBeTruthy();
  });

  test('a trial tells the largest mass, and an angle beyond a turn is wrapped', async () => {
    const bare = { massKg: 0, degrees: 0, isCheck: false, readings: [{ amplitude: 2, phaseDegrees: null }] };
    renderInApp(
      <VibrationTab job={aJob({ runs: [bare] })} piece={{ hand: 'ccw' }} model={modelOnShaft} onSet={onSet} />,
    );
    expect(screen.getByText(/g at most/)).toBeTruthy();
    await userEvent.type(screen.getByRole('textbox', { name: 'Trial mass' }), '0.02');
    await userEvent.type(screen.getByRole('textbox', { name: 'At' }), '480');
    await userEvent.type(screen.getByRole('textbox', { name: 'Amplitudes' }), '3');
    await userEvent.click(screen.getByRole('button', { name: 'Keep the run' }));
    expect(lastSet().runs!.at(-1)).toMatchObject({ massKg: 0.00002, degrees: 120 });
  });
});

describe('beside the shaft', () => {
  const box = (name: string | RegExp): HTMLElement => screen.getByRole('textbox', { name });
  const put = async (name: string | RegExp, text: string): Promise<void> => {
    await userEvent.clear(box(name));
    if (text !== '') await userEvent.type(box(name), text);
  };

  test('a spinner is turned to where the core says', async () => {
    renderInApp(<SpinnerTool />);
    expect(screen.queryByText(/^Turn it/)).toBeNull();
    for (const [name, text] of [
      ['What is left of the prop', '1.2'],
      ['pointing, from its mark', '0'],
      ['What is left of the spinner', '1.2'],
      ['pointing, from its own mark', '0'],
    ] as const)
      await put(name, text);
    await put('Positions it can sit in', '2');
    const [best] = spinnerPositions(fromPolar(1.2e-6, 0), fromPolar(1.2e-6, 0), 2);
    expect(screen.getByText(`Turn it ${best!.turnDegrees}°`).parentElement!.textContent).toContain(
      '0.00 g·mm left, against 2.40',
    );
    await put('Positions it can sit in', '1.5');
    expect(screen.getByText('1 to 36')).toBeTruthy();
  });

  test('two planes that act alike are warned of, and a trial that does nothing tells nothing', async () => {
    renderInApp(<TwoPlanesTool />);
    expect(screen.getByText(/Every cell needs its number/)).toBeTruthy();
    for (const cell of screen.getAllByRole<HTMLInputElement>('textbox')) {
      await userEvent.click(cell);
      await userEvent.paste(cell.placeholder);
    }
    expect(screen.getByText(/The planes are told apart well/)).toBeTruthy();
    // The rear trial does what the front one did.
    for (const [cell, text] of [
      ['Amplitude, trial behind, front sensor', '3.3'],
      ['Phase, trial behind, front sensor', '78.1'],
      ['Amplitude, trial behind, rear sensor', '1.4'],
      ['Phase, trial behind, rear sensor', '236'],
    ] as const)
      await put(cell, text);
    expect(screen.getByText(/act almost alike/)).toBeTruthy();
    await put('Mass, trial behind', '0');
    expect(screen.getByText(/Every cell needs its number/)).toBeTruthy();
  });
});
