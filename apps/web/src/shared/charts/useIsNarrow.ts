import { useMediaQuery } from '@mantine/hooks';

/** Whether the window has no room for names beside a chart. */
export function useIsNarrow(): boolean {
  return useMediaQuery('(max-width: 760px)') ?? false;
}
