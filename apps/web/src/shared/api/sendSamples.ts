import type { SamplesView } from '@zivvo/contract';
import { CoreError } from '@zivvo/core';

const TRIES = 4;
const AGAIN_MS = 700;

/**
 * Sends samples from a worker, where there is no store; a part that got lost on the way is sent again.
 *
 * @throws {CoreError} `refused` with what the server says, or that it does not answer
 */
export async function sendSamples(address: string, body: ArrayBuffer, tries = TRIES): Promise<SamplesView> {
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body,
  }).catch(() => null);
  if (answer?.ok) return (await answer.json()) as SamplesView;
  if (answer && answer.status < 500) {
    const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string };
    throw new CoreError('refused', { what: detail ?? `the server answered ${answer.status}` });
  }
  if (tries <= 1)
    throw new CoreError('refused', { what: 'Zivvo’s server does not answer: nothing of this is kept yet' });
  await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
  return sendSamples(address, body, tries - 1);
}
