import { IconEar, IconGauge, IconPlaneDeparture, IconPropeller } from '@tabler/icons-react';
import type { EvidenceSource } from '@zivvo/core';
import { sourceNames } from '@zivvo/words';

const ICONS = { stand: IconGauge, air: IconPlaneDeparture, ear: IconEar, rack: IconPropeller } as const;

/** Where a figure comes from: the sign of the station that read it, or the ring of what is only predicted. */
export function SourceMark({ source, isExtended = false }: { source: EvidenceSource; isExtended?: boolean }) {
  const name = `${sourceNames[source]}${isExtended ? ', extended' : ''}`;
  if (source !== 'model') {
    const Icon = ICONS[source];
    return <Icon size={15} stroke={1.7} role="img" aria-label={name} />;
  }
  return (
    <svg width="13" height="13" viewBox="-6.5 -6.5 13 13" role="img" aria-label={name}>
      <circle r="4.6" fill="none" stroke="currentColor" strokeWidth="1.5" strokeDasharray="2.4 2.2" />
    </svg>
  );
}
