type Adapter = (input: Record<string, unknown>) => Record<string, unknown>;
export function makeAdapters(core: object): Record<string, Adapter>;
