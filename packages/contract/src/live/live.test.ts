import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { fieldProblems } from '../shared/problem.ts';
import { LiveCommandDto, LiveTabDto, StartLiveRunDto } from './live.dto.ts';
import {
  HEARTBEAT_MS,
  liveCommandNames,
  PILOT_LEASE_MS,
  STREAM_BEAT_MS,
  STREAM_WATCHDOG_MS,
  watcherCommandNames,
} from './limits.ts';

const ID = '01922904-1a0d-72b8-80eb-3103f832088a';
const broken = (Dto: new () => object, body: object): string[] =>
  fieldProblems(validateSync(plainToInstance(Dto, body), { whitelist: true, forbidNonWhitelisted: true })).map(
    (f) => `${f.path}:${f.rule}`,
  );
const command = (more: object): string[] => broken(LiveCommandDto, { tabId: ID, name: 'cut', ...more });

const steps = { kind: 'own', stepCount: 2, holdS: 2, throttles: [0.2, 0.5] };

describe('commands to the stand', () => {
  test.each(liveCommandNames)('%s alone is well formed', (name) => expect(command({ name })).toEqual([]));

  test('a program may be given with its protocol', () => {
    const protocol = { kind: 'own', stepCount: 3, holdS: 1.5, throttles: [0.2, 0.5, 1] };
    expect(command({ name: 'program', protocol })).toEqual([]);
    expect(command({ name: 'program', protocol: { ...protocol, kind: 'burst', throttles: null } })).toEqual([]);
  });

  test.each<[string, object, string]>([
    ['no tab', { tabId: undefined }, 'tabId:isUuid'],
    ['a tab that is no UUID', { tabId: 'me' }, 'tabId:isUuid'],
    ['no name', { name: undefined }, 'name:isIn'],
    ['an unknown command', { name: 'launch' }, 'name:isIn'],
    ['a throttle beyond full', { throttleRatio: 1.01 }, 'throttleRatio:max'],
    ['a throttle below nothing', { throttleRatio: -0.01 }, 'throttleRatio:min'],
    ['a throttle in words', { throttleRatio: 'full' }, 'throttleRatio:isNumber'],
    ['a throttle that is no number', { throttleRatio: NaN }, 'throttleRatio:isNumber'],
    ['no throttles', { protocol: { ...steps, throttles: [] } }, 'protocol.throttles:arrayMinSize'],
    ['too many', { protocol: { ...steps, throttles: Array(41).fill(0.5) } }, 'protocol.throttles:arrayMaxSize'],
    ['a step beyond full', { protocol: { ...steps, throttles: [0.2, 1.2] } }, 'protocol.throttles:max'],
    ['a step that never settles', { protocol: { ...steps, holdS: 0 } }, 'protocol.holdS:min'],
    ['a way to run that nobody knows', { protocol: { ...steps, kind: 'loop' } }, 'protocol.kind:isIn'],
    ['a hardware stop in words', { hasHardwareStop: 'yes' }, 'hasHardwareStop:isBoolean'],
    ['a fault nobody knows', { fault: 'fire' }, 'fault:isIn'],
    ['a field nobody knows', { volume: 11 }, 'volume:whitelistValidation'],
  ])('%s is refused', (_what, change, rule) => expect(command(change)).toContain(rule));
});

test('a run needs an id and a prop; the pack may be left open', () => {
  expect(broken(StartLiveRunDto, { id: ID, propModelId: ID, packPieceId: null })).toEqual([]);
  expect(broken(StartLiveRunDto, { id: ID, propModelId: ID })).toEqual([]);
  expect(broken(StartLiveRunDto, { propModelId: ID })).toEqual(['id:isUuid']);
  expect(broken(LiveTabDto, {})).toEqual(['tabId:isUuid']);
});

test('watchers may cut, and nothing that makes anything turn', () => {
  expect(watcherCommandNames).toEqual(['cut']);
});

test('the clocks fit each other: several heartbeats in a lease, several beats before the watchdog barks', () => {
  expect(PILOT_LEASE_MS / HEARTBEAT_MS).toBeGreaterThanOrEqual(4);
  expect(2000 / HEARTBEAT_MS).toBeGreaterThanOrEqual(4);
  expect(STREAM_WATCHDOG_MS / STREAM_BEAT_MS).toBeGreaterThanOrEqual(3);
});
