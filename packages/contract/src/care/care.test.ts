import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import {
  CareSettingDto,
  CreateFlightDto,
  CreateGainSheetDto,
  CreateJobTicketDto,
  CreateModelAlertDto,
  CreateWalkaroundDto,
  DrillAnswerDto,
  fieldProblems,
  ReleaseAlertDto,
  SymptomCaseDto,
  UpdateGainSheetDto,
} from '../index.ts';

const broken = (Dto: new () => object, body: object): string[] =>
  fieldProblems(validateSync(plainToInstance(Dto, body), { whitelist: true, forbidNonWhitelisted: true })).map(
    (f) => `${f.path}:${f.rule}`,
  );
const id = '01922904-1a0d-72b8-80eb-3103f832088a';

const look = { place: 'rearLeft', level: 0, seen: ['top'], findings: [], photoSha256: null };
const strike = {
  id,
  thing: 'twigs',
  throttleRatio: 0.4,
  isCrash: false,
  arms: [{ place: 'rearLeft', level: 0 }],
  note: null,
};
const sheet = {
  id,
  craftId: id,
  oldPropModelId: id,
  newPropModelId: id,
  payloadKg: 0,
  hasGuards: false,
  packSeriesCount: 6,
  pitchPercent: 100,
  rollPercent: 100,
  yawPercent: 100,
  verticalPercent: 100,
};
const ticket = {
  id,
  craftId: id,
  ownerName: null,
  complaint: 'hums',
  found: null,
  done: null,
  parts: null,
  minutes: null,
  isClosed: false,
};
const told = { symptoms: ['tipsAtOnce'], changes: null, answers: [], mendedCause: null, revision: 0 };

describe('what Care takes', () => {
  test.each<[string, new () => object, object]>([
    ['a walkaround', CreateWalkaroundDto, { id, durationS: 44.5, looks: [look], note: null }],
    ['a flight', CreateFlightDto, { id, durationS: 600, packPieceId: null, strikes: [strike], note: null }],
    ['a gain sheet', CreateGainSheetDto, sheet],
    ['a ticket', CreateJobTicketDto, ticket],
    ['a case', SymptomCaseDto, told],
    ['an alert', CreateModelAlertDto, { id, propModelId: id, batchId: null, reason: 'root cracked' }],
  ])('%s in order', (_name, Dto, body) => expect(broken(Dto, body)).toEqual([]));

  test.each<[string, new () => object, object, string]>([
    [
      'a walkaround of nothing',
      CreateWalkaroundDto,
      { id, durationS: 10, looks: [], note: null },
      'looks:arrayMinSize',
    ],
    [
      'twenty-five props',
      CreateWalkaroundDto,
      { id, durationS: 10, looks: Array.from({ length: 25 }, () => look), note: null },
      'looks:arrayMaxSize',
    ],
    [
      'a walkaround that took forever',
      CreateWalkaroundDto,
      { id, durationS: Infinity, looks: [look], note: null },
      'durationS:isNumber',
    ],
    [
      'one side twice',
      CreateWalkaroundDto,
      { id, durationS: 10, looks: [{ ...look, seen: ['top', 'top'] }], note: null },
      'looks.0.seen:arrayUnique',
    ],
    [
      'a finding nowhere',
      CreateWalkaroundDto,
      { id, durationS: 10, looks: [{ ...look, findings: [{ place: 'wing', what: 'nick' }] }], note: null },
      'looks.0.findings.0.place:isIn',
    ],
    [
      'a digest that is none',
      CreateWalkaroundDto,
      { id, durationS: 10, looks: [{ ...look, photoSha256: 'abc' }], note: null },
      'looks.0.photoSha256:matches',
    ],
    [
      'a flight of no time',
      CreateFlightDto,
      { id, durationS: 0, packPieceId: null, strikes: [], note: null },
      'durationS:min',
    ],
    [
      'a flight of a day',
      CreateFlightDto,
      { id, durationS: 86_400, packPieceId: null, strikes: [], note: null },
      'durationS:max',
    ],
    [
      'a strike by no prop',
      CreateFlightDto,
      { id, durationS: 60, packPieceId: null, strikes: [{ ...strike, arms: [] }], note: null },
      'strikes.0.arms:arrayMinSize',
    ],
    [
      'a strike at twice full throttle',
      CreateFlightDto,
      { id, durationS: 60, packPieceId: null, strikes: [{ ...strike, throttleRatio: 2 }], note: null },
      'strikes.0.throttleRatio:max',
    ],
    ['half a percent', CreateGainSheetDto, { ...sheet, rollPercent: 99.5 }, 'rollPercent:isInt'],
    ['a gain of nothing', CreateGainSheetDto, { ...sheet, yawPercent: 0 }, 'yawPercent:min'],
    [
      'a check that there is not',
      UpdateGainSheetDto,
      { checks: ['luck'], testFlights: [], note: null, revision: 1 },
      'checks:isIn',
    ],
    [
      'an axis that there is not',
      UpdateGainSheetDto,
      {
        checks: [],
        testFlights: [{ axis: 'sideways', percent: 99, doesFlutter: false, doesReturn: true }],
        note: null,
        revision: 1,
      },
      'testFlights.0.axis:isIn',
    ],
    ['a ticket without complaint', CreateJobTicketDto, { ...ticket, complaint: '' }, 'complaint:minLength'],
    ['negative minutes', CreateJobTicketDto, { ...ticket, minutes: -5 }, 'minutes:min'],
    [
      'seven symptoms',
      SymptomCaseDto,
      { ...told, symptoms: ['tipsAtOnce', 'yawsAway', 'staysDown', 'flutters', 'mushy', 'leans', 'clicks'] },
      'symptoms:arrayMaxSize',
    ],
    [
      'an answer that is none',
      SymptomCaseDto,
      { ...told, answers: [{ test: 'pullNut', answer: 'perhaps' }] },
      'answers.0.answer:isIn',
    ],
    ['a cause that nobody knows', SymptomCaseDto, { ...told, mendedCause: 'gremlins' }, 'mendedCause:isIn'],
    [
      'an alert without reason',
      CreateModelAlertDto,
      { id, propModelId: id, batchId: null, reason: '' },
      'reason:minLength',
    ],
    ['a release without reason', ReleaseAlertDto, { reason: '' }, 'reason:minLength'],
    ['a policy of one’s own', CareSettingDto, { policy: 'hopeful', isFolding: false, revision: 0 }, 'policy:isIn'],
    ['a drill without an answer', DrillAnswerDto, { id, kind: 'label', seed: 's', chosen: -1 }, 'chosen:min'],
    [
      'something extra',
      DrillAnswerDto,
      { id, kind: 'label', seed: 's', chosen: 1, isRight: true },
      'isRight:whitelistValidation',
    ],
  ])('%s is refused where it stands', (_name, Dto, body, problem) => expect(broken(Dto, body)).toContain(problem));
});
