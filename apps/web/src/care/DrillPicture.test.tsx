import { expect, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { drillKinds, makeDrill, type Drill, type DrillKind } from '@zivvo/core';
import { DrillPicture } from './DrillPicture.tsx';

const SEEDS = ['1', '2', '3', '4', '5', '6', '7', '8'];
const drills = (kind: DrillKind): Drill[] => SEEDS.map((seed) => makeDrill(kind, seed));

/** The text and the name of a drill's picture. */
function seen(drill: Drill): { text: string; name: string | null } {
  const { container, unmount } = render(<DrillPicture drill={drill} />);
  const found = {
    text: container.textContent,
    name: screen.queryByRole('img', { name: /./ })?.getAttribute('aria-label') ?? null,
  };
  unmount();
  return found;
}

test('a label is shown as it is moulded', () => {
  for (const drill of drills('label')) expect(seen(drill).text).toBe(String(drill.values.label));
});

test('a blade shows its higher edge and says which way the hollow side looks, not which hand it is', () => {
  for (const drill of drills('hand')) {
    const { text, name } = seen(drill);
    expect(name).toBe(`A blade pointing up; its higher edge is on the ${String(drill.values.leadingEdge)}`);
    expect(text).toContain(drill.values.hollow === 'away' ? 'looks away' : 'looks at you');
    expect(`${text} ${name}`).not.toMatch(/clockwise|\bcw\b|\bccw\b/i);
  }
});

test('a craft names what turns and what sits on every arm', () => {
  for (const drill of drills('arm')) {
    const { name } = seen(drill);
    for (const { place, spin, hand } of drill.rotors!) expect(name).toContain(`${place}: motor ${spin}, piece ${hand}`);
  }
});

test('the heavy side is drawn where it settled, among all the blades', () => {
  for (const drill of drills('tape')) {
    const { text, name } = seen(drill);
    expect(name).toBe(
      `${String(drill.values.bladeCount)} blades; heavy at ${String(drill.values.heavyDegrees)} degrees`,
    );
    expect(text).toMatch(drill.values.bladeCount === 2 ? /^12heavy/ : /^123heavy/);
  }
});

test('a finding comes with material and policy, without which nobody could judge it', () => {
  for (const drill of drills('finding')) expect(seen(drill).text).toMatch(/^\S.*, policy: /);
});

test('no picture is empty', () => {
  for (const kind of drillKinds) for (const drill of drills(kind)) expect(seen(drill).text).not.toBe('');
});
