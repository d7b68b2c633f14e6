import { JSON_BODY_MAX_BYTES, JSON_MAX_DEPTH, JSON_NODE_MAX_COUNT, OBJECT_KEY_MAX_COUNT } from '@zivvo/contract';
import express, { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { FeatureError, FieldError } from './featureError.ts';

export type JsonFault = 'depth' | 'nodes' | 'keys' | 'nul' | 'halfPair';

const refused = (rule: string, message: string, allowed: Record<string, number> = {}) =>
  new FieldError('body', rule, `body ${message}`, null, allowed, 400);
const atMost = (rule: string, message: string, max: number) => refused(rule, `${message} ${max}`, { max });

const refusals: Record<JsonFault, () => FieldError> = {
  depth: () => atMost('maxDepth', 'must not be nested deeper than', JSON_MAX_DEPTH),
  nodes: () => atMost('maxNodes', 'must not hold more values than', JSON_NODE_MAX_COUNT),
  keys: () => atMost('maxKeys', 'must not hold an object with more fields than', OBJECT_KEY_MAX_COUNT),
  nul: () => refused('noNul', 'must not hold the character U+0000'),
  halfPair: () => refused('wellFormed', 'must not hold half of a character'),
};

/**
 * Reads JSON bodies that no reader before it took. What is too large is found in the bytes: reading two million of
 * them into small objects takes a tenth of a second and more, in which nobody else is heard.
 */
export function jsonBody(): RequestHandler {
  const collect = express.raw({ type: 'application/json', limit: JSON_BODY_MAX_BYTES });
  return (request: Request, response: Response, next: NextFunction) => {
    if (request.body !== undefined) return next();
    collect(request, response, (error?: unknown) => {
      if (error !== undefined) return next(error);
      if (!Buffer.isBuffer(request.body)) return next();
      try {
        request.body = readBody(request.body, charsetOf(request));
      } catch (fault) {
        return next(fault);
      }
      next();
    });
  };
}

/** @throws {FeatureError} if it is no JSON of ours */
function readBody(bytes: Buffer, charset: string): unknown {
  if (bytes.length === 0) return undefined;
  if (charset !== 'utf-8')
    throw new FeatureError(415, 'unsupportedEncoding', 'The encoding is not supported', 'Send the body as UTF-8.', [
      { path: 'body', rule: 'encoding', value: null, allowed: {}, message: 'body must be UTF-8' },
    ]);
  const fault = faultIn(bytes);
  if (fault) throw refusals[fault]();
  const body = parsed(bytes);
  // What is not an object or a list is no body of ours.
  if (typeof body !== 'object' || body === null) throw unreadable();
  return body;
}

function parsed(bytes: Buffer): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw unreadable();
  }
}

const unreadable = (): FeatureError =>
  new FeatureError(400, 'unreadableJson', 'The body is not JSON', 'The body could not be read as JSON.', [
    { path: 'body', rule: 'json', value: null, allowed: {}, message: 'body must be JSON' },
  ]);

function charsetOf(request: Request): string {
  const named = /;\s*charset\s*=\s*"?([\w-]+)/i.exec(request.headers['content-type'] ?? '')?.[1] ?? 'utf-8';
  return named.toLowerCase().replace(/^utf8$/, 'utf-8');
}

const [QUOTE, BACKSLASH, COMMA, COLON] = [0x22, 0x5c, 0x2c, 0x3a];
const [OPEN_OBJECT, CLOSE_OBJECT, OPEN_LIST, CLOSE_LIST] = [0x7b, 0x7d, 0x5b, 0x5d];

/**
 * What of a JSON text is more than any form of ours holds, or no database keeps, without reading it: depth, values,
 * fields of an object, U+0000, halves of surrogate pairs. What is no JSON is not its matter.
 *
 * @returns the first that is found, null where there is none
 */
export function faultIn(bytes: Uint8Array): JsonFault | null {
  const fields = new Uint32Array(JSON_MAX_DEPTH + 1);
  let [depth, nodes] = [0, 1];
  for (let i = 0; i < bytes.length; i++) {
    switch (bytes[i]) {
      case QUOTE: {
        const end = endOfText(bytes, i + 1);
        if (typeof end === 'string') return end;
        i = end;
        break;
      }
      case OPEN_OBJECT:
      case OPEN_LIST:
        if (++depth > JSON_MAX_DEPTH) return 'depth';
        fields[depth] = 0;
        nodes++;
        break;
      case CLOSE_OBJECT:
      case CLOSE_LIST:
        depth = Math.max(0, depth - 1);
        break;
      case COMMA:
        nodes++;
        break;
      case COLON:
        if (++fields[depth]! > OBJECT_KEY_MAX_COUNT) return 'keys';
        break;
    }
    if (nodes > JSON_NODE_MAX_COUNT) return 'nodes';
  }
  return null;
}

/** Where a text that begins here ends, or what is wrong in it. */
function endOfText(bytes: Uint8Array, from: number): number | JsonFault {
  for (let i = from; i < bytes.length; i++) {
    const byte = bytes[i]!;
    if (byte === QUOTE) return i;
    if (byte !== BACKSLASH) continue;
    const unit = escapedUnit(bytes, i);
    if (unit === 0) return 'nul';
    if (unit !== null && unit >= 0xdc00 && unit <= 0xdfff) return 'halfPair';
    if (unit !== null && unit >= 0xd800 && unit <= 0xdbff) {
      const second = escapedUnit(bytes, i + 6);
      if (second === null || second < 0xdc00 || second > 0xdfff) return 'halfPair';
      i += 11;
    } else i += unit === null ? 1 : 5;
  }
  return bytes.length;
}

/** The code unit of an escape such as `\u00e9`; null where there is another escape or none. */
function escapedUnit(bytes: Uint8Array, at: number): number | null {
  if (bytes[at] !== BACKSLASH || bytes[at + 1] !== 0x75) return null;
  const digits = String.fromCharCode(...bytes.subarray(at + 2, at + 6));
  return /^[0-9a-f]{4}$/i.test(digits) ? Number.parseInt(digits, 16) : null;
}
