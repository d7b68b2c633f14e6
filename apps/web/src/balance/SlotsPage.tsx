import { SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { SlotsTool } from './SlotsTool.tsx';
import { SpinnerTool } from './SpinnerTool.tsx';
import { BalanceTabs } from './BalanceTabs.tsx';
import { TwoPlanesTool } from './TwoPlanesTool.tsx';

const TOOLS = {
  slots: {
    label: 'Slots',
    headline: 'Which blade into which slot',
    note:
      'Evenly spaced and merely balanced are not the same: a balanced set may still be uneven, and uneven ' +
      'spacing moves the sound to other orders.',
    Tool: SlotsTool,
  },
  spinner: {
    label: 'Spinner',
    headline: 'The spinner turned against its prop',
    note:
      'Balance the spinner alone first, as a disc on the shaft. Indexing only plays what is left of both against ' +
      'each other, and holds for that position.',
    Tool: SpinnerTool,
  },
  planes: {
    label: 'Two planes',
    headline: 'What to put in front, and what behind',
    note:
      'One plane is enough where the prop is thin against its diameter. Stand well behind the disc; a trial mass ' +
      'flies off if it is only stuck on.',
    Tool: TwoPlanesTool,
  },
} as const;
type ToolName = keyof typeof TOOLS;

/** Hubs with more slots than blades, spinners, and rotors with two planes. */
export function Component() {
  const [name, setName] = useState<ToolName>('slots');
  const { headline, note, Tool } = TOOLS[name];
  return (
    <StationPage
      eyebrow="Balance · Slots"
      headline={headline}
      tools={<BalanceTabs />}
      reasons={<p style={{ margin: 0 }}>{note}</p>}
    >
      <SegmentedControl
        value={name}
        onChange={(v) => setName(v)}
        data={Object.entries(TOOLS).map(([value, { label }]) => ({ value: value as ToolName, label }))}
        style={{ alignSelf: 'start', maxWidth: '100%' }}
        aria-label="What to work out"
      />
      <Tool />
    </StationPage>
  );
}
