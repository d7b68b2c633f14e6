import type { ApiDocument } from './hostileRequests.mjs';

export interface Attack {
  failed: string[];
  silent: string[];
  byStatus: Map<number, number>;
}

export function attack(
  address: string,
  document: ApiDocument,
  random: { next(): number },
  count: number,
): Promise<Attack>;

export function send(
  address: string,
  request: { method: string; path: string; body: string | Uint8Array | null; type: string | null },
  learn: (text: string) => void,
): Promise<number>;
