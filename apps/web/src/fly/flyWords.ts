import type { motorTouches } from '@zivvo/contract';
import type { SegmentKind } from '@zivvo/core';

export const touchNames: Record<(typeof motorTouches)[number], string> = {
  cool: 'cool',
  warm: 'warm',
  hot: 'hot, held',
  tooHot: 'too hot to hold',
};

export const segmentNames: Record<SegmentKind, string> = { climb: 'Climb', pass: 'Pass', hover: 'Hover' };
