export function compareCase(
  expected: Record<string, unknown>,
  actual: Record<string, unknown> | undefined,
  tolerances?: Record<string, number | string>,
): number;
