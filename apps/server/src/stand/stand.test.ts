import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type {
  CalibrationView,
  CampaignDetailView,
  CampaignExportView,
  CampaignMatrixView,
  CampaignResultsView,
  CraftView,
  EveningPlanView,
  ImportRecipeView,
  LineView,
  ModelRunView,
  PlanStepsView,
  Problem,
  PropModelView,
  RunView,
  ListView,
} from '@zivvo/contract';
import { calibrationFactor, reduceCampaign, type Working } from '@zivvo/core';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { EventRepository } from '../event/event.repository.ts';
import { Projectors } from '../event/projectors.ts';
import { run } from './stand.table.ts';
import {
  aCampaign,
  aCraft,
  aDraft,
  aPropModel,
  someReadings,
  startTestServer,
  type TestServer,
} from '../test/testServer.ts';

let server: TestServer;
let craftId: string;
let propModelId: string;
let campaignId: string;
beforeAll(async () => void (server = await startTestServer()), 60_000);
afterAll(() => server.close());

beforeEach(async () => {
  const model = aPropModel();
  await server.http.post('/api/prop-models').send(model).expect(201);
  propModelId = model.id;
  const craft = aCraft({ referencePropModelId: propModelId });
  await server.http.post('/api/crafts').send(craft).expect(201);
  craftId = craft.id;
  const campaign = aCampaign(craftId, { referencePropModelId: propModelId });
  await server.http.post('/api/campaigns').send(campaign).expect(201);
  campaignId = campaign.id;
});

const startRun = async (more: object = {}): Promise<RunView> => {
  const body = { id: v7(), propModelId, packPieceId: null, replacesRunId: null, draft: aDraft(), ...more };
  return (await server.http.post(`/api/campaigns/${campaignId}/runs`).send(body).expect(201)).body as RunView;
};
const keep = async (run: RunView, readings: object = someReadings()): Promise<RunView> =>
  (
    await server.http
      .post(`/api/runs/${run.id}/keep`)
      .send({ ...readings, revision: run.revision })
      .expect(200)
  ).body as RunView;
const results = async (query = ''): Promise<CampaignResultsView> =>
  (await server.http.get(`/api/campaigns/${campaignId}/results${query}`).expect(200)).body as CampaignResultsView;
const line = async (): Promise<LineView> =>
  (await server.http.get(`/api/crafts/${craftId}/line`).expect(200)).body as LineView;

describe('a plan', () => {
  const planned = (revision: number, more: object = {}) => ({
    kind: 'full',
    stepCount: 2,
    holdS: 4,
    throttles: null,
    changeS: 150,
    runsPerPack: 3,
    runs: [{ id: v7(), propModelId, packPieceId: null, isReference: true, isSkipped: false }],
    revision,
    ...more,
  });
  const put = (body: object) => server.http.put(`/api/campaigns/${campaignId}/plan`).send(body);
  const plan = async (): Promise<EveningPlanView> =>
    (await server.http.get(`/api/campaigns/${campaignId}/plan`).expect(200)).body as EveningPlanView;

  test('there is none at first; then the one that was written, on top of what was seen', async () => {
    const before = await plan();
    expect(before.plan).toBeNull();
    expect(before.fullCurrentA).toBeGreaterThan(5);
    await put(planned(0)).expect(200);
    expect((await plan()).plan).toMatchObject({ kind: 'full', revision: 1, runs: [{ isReference: true }] });
    await put(planned(1, { kind: 'ladder', stepCount: 7 })).expect(200);
    await put(planned(1)).expect(409);
    await put(planned(0)).expect(409);
    expect((await plan()).plan).toMatchObject({ kind: 'ladder', stepCount: 7, revision: 2 });
  });

  test('another way of running is another version once runs are there: they stay, do not count, and count again when it is planned back', async () => {
    const counted = async (): Promise<number> => (await results()).props[0]?.countedRunIds.length ?? 0;
    await put(planned(0)).expect(200);
    const first = await keep(await startRun());
    expect(first.protocolVersion).toBe(1);
    expect(await counted()).toBe(1);
    await put(planned(1, { changeS: 300 })).expect(200);
    expect(await counted()).toBe(1);
    await put(planned(2, { kind: 'ladder', stepCount: 7 })).expect(200);
    expect(await counted()).toBe(0);
    expect((await results()).reasons.map((r) => r.code)).toContain('protocolRepeat');
    const second = await keep(await startRun());
    expect(second.protocolVersion).toBe(2);
    // A correction of an earlier run is of that run's version.
    const correction = await keep(await startRun({ replacesRunId: first.id }));
    expect(correction.protocolVersion).toBe(1);
    expect(await counted()).toBe(1);
    await put(planned(3)).expect(200);
    const { campaign, props } = await results();
    expect(campaign).toMatchObject({ protocolVersion: 1, protocols: [{ kind: 'full' }, { kind: 'ladder' }] });
    expect(props[0]!.countedRunIds).toEqual([correction.id]);
  });

  test('what cannot be meant is refused at its field, and nothing is written', async () => {
    const strange = [{ id: v7(), propModelId: v7(), packPieceId: null, isReference: false, isSkipped: false }];
    await put(planned(0, { runs: strange })).expect(404);
    for (const [field, more] of [
      ['runsPerPack', { runsPerPack: 0 }],
      ['kind', { kind: 'loop' }],
      ['runs.0.isSkipped', { runs: [{ ...strange[0], propModelId, isSkipped: 'no' }] }],
      ['runs', { runs: Array.from({ length: 401 }, () => ({ ...strange[0], propModelId })) }],
    ] as const) {
      const { fields } = (await put(planned(0, more)).expect(400)).body as Problem;
      expect(fields.map((f) => f.path)).toContain(field);
    }
    expect((await plan()).plan).toBeNull();
    await server.http.get(`/api/campaigns/${v7()}/plan`).expect(404);
  });
});

test('an evening leaves as a file with enough to reduce it again', async () => {
  const first = await keep(await startRun());
  await keep(await startRun());
  const answer = await server.http.get(`/api/campaigns/${campaignId}/export`).expect(200);
  expect(answer.headers['content-disposition']).toContain('attachment');
  const file = answer.body as CampaignExportView;
  expect(file).toMatchObject({ format: 'zivvo-evening-1', campaign: { id: campaignId } });
  const [rig] = file.rigs;
  const again = reduceCampaign({
    craft: { ...rig!.craft, drive: null },
    props: rig!.props,
    referencePropId: file.campaign.referencePropModelId,
    gateCellV: file.campaign.gateCellV,
    protocolVersion: file.campaign.protocolVersion,
    protocol: null,
    runs: file.runs,
    chosenThrottleRatio: 0.6,
  });
  const shown = await results();
  expect(again.props[0]!.countedRunIds).toEqual(shown.props[0]!.countedRunIds);
  expect(again.props[0]!.curve).toEqual(shown.props[0]!.curve);
  expect(file.runs.find((r) => r.id === first.id)!.steps).toHaveLength(first.stepCount);
  await server.http.get(`/api/campaigns/${v7()}/export`).expect(404);
});

describe('motors and cells', () => {
  const kitId = v7();
  const motor = { label: '2207 1900 kV', statorDiameterM: 0.022, statorHeightM: 0.007, kvRpmPerV: 1900 };
  const withKits = async (kits: object[]): Promise<void> => {
    const craft = (await server.http.get(`/api/crafts/${craftId}`).expect(200)).body as CraftView;
    const { revision } = craft;
    await server.http
      .put(`/api/crafts/${craftId}`)
      .send({ ...aCraft({ kits }), id: undefined, revision })
      .expect(200);
  };
  const kit = { id: kitId, name: 'race motors', addedMassKg: 0, pack: null, motor, escLimitA: null };

  test('the same prop on other motors is reduced apart, says nothing of the described ones, and stands in the matrix', async () => {
    await withKits([kit]);
    await keep(await startRun());
    const other = await keep(await startRun({ kitId }));
    expect(other).toMatchObject({ kitId, ordinal: 1 });
    const own = await results();
    expect(own).toMatchObject({
      kitId: null,
      rigs: [
        { kitId: null, runCount: 1 },
        { kitId, name: 'race motors' },
      ],
    });
    expect(own.props[0]!.countedRunIds).not.toContain(other.id);
    expect((await results(`?kitId=${kitId}`)).props[0]!.countedRunIds).toEqual([other.id]);
    const { rigs } = (await server.http.get(`/api/campaigns/${campaignId}/matrix`).expect(200))
      .body as CampaignMatrixView;
    expect(rigs.map((r) => [r.motorLabel, r.results.props[0]!.countedRunIds.length])).toEqual([
      ['2507 1080 kV', 1],
      ['2207 1900 kV', 1],
    ]);
    const { calibration } = (await server.http.get(`/api/crafts/${craftId}/calibration`).expect(200))
      .body as CalibrationView;
    expect(calibration?.runCount ?? 0).toBeLessThanOrEqual(1);
    const correction = await keep(await startRun({ replacesRunId: other.id }));
    expect(correction.kitId).toBe(kitId);
  });

  test('a correction is another run of the same evening', async () => {
    const run = await keep(await startRun());
    const evening = aCampaign(craftId);
    await server.http.post('/api/campaigns').send(evening).expect(201);
    const body = { id: v7(), propModelId, packPieceId: null, replacesRunId: run.id, draft: aDraft() };
    const elsewhere = await server.http.post(`/api/campaigns/${evening.id}/runs`).send(body).expect(422);
    expect((elsewhere.body as Problem).fields[0]!.path).toBe('replacesRunId');
    await server.http
      .post(`/api/campaigns/${campaignId}/runs`)
      .send({ ...body, id: run.id })
      .expect(422);
    expect((await results()).props[0]!.countedRunIds).toEqual([run.id]);
  });

  test('a kit that the craft does not have is refused; runs of one that is gone stay on record', async () => {
    const body = { id: v7(), propModelId, packPieceId: null, kitId: v7(), replacesRunId: null, draft: aDraft([]) };
    await server.http.post(`/api/campaigns/${campaignId}/runs`).send(body).expect(404);
    await withKits([kit]);
    const run = await keep(await startRun({ kitId }));
    await withKits([]);
    expect((await results(`?kitId=${kitId}`)).props[0]!.countedRunIds).toEqual([run.id]);
  });

  test('steps whose thrusts overlap follow from the models of the props', async () => {
    const steps = async (query: string): Promise<PlanStepsView> =>
      (await server.http.get(`/api/campaigns/${campaignId}/plan/steps?${query}`).expect(200)).body as PlanStepsView;
    const { throttles, shared } = await steps(`propModelIds=${propModelId}&count=6`);
    expect(throttles).toHaveLength(6);
    expect(throttles[0]).toBe(1);
    expect(shared!.mostN).toBeGreaterThan(shared!.leastN);
    expect((await steps('propModelIds=')).shared).toBeNull();
    await server.http.get(`/api/campaigns/${campaignId}/plan/steps?propModelIds=x`).expect(400);
    const many = Array.from({ length: 41 }, () => v7()).join(',');
    await server.http.get(`/api/campaigns/${campaignId}/plan/steps?propModelIds=${many}`).expect(400);
  });
});

describe('typed runs', () => {
  test('a draft is saved as it stands, unread cells and all, on top of what was seen', async () => {
    const run = await startRun();
    const saved = await server.http
      .put(`/api/runs/${run.id}/draft`)
      .send({ ...aDraft([['50', '7oo']]), revision: 1 })
      .expect(200);
    expect(saved.body).toMatchObject({ revision: 2 });
    expect(((await server.http.get(`/api/runs/${run.id}`)).body as RunView).draft!.cells).toEqual([['50', '7oo']]);
    await server.http
      .put(`/api/runs/${run.id}/draft`)
      .send({ ...aDraft(), revision: 1 })
      .expect(409);
  });

  test('a kept run has its readings, and is never changed again', async () => {
    const run = await startRun();
    const kept = await keep(run);
    expect(kept).toMatchObject({ state: 'kept', origin: 'typed', stepCount: 5, ordinal: 1 });
    expect(kept.steps[4]).toMatchObject({ throttleRatio: 1, thrustN: 20, powerW: null });
    const again = await server.http
      .put(`/api/runs/${run.id}/draft`)
      .send({ ...aDraft(), revision: kept.revision })
      .expect(409);
    expect((again.body as Problem).code).toBe('alreadyKept');
    await server.http
      .post(`/api/runs/${run.id}/keep`)
      .send({ ...someReadings(), revision: kept.revision })
      .expect(409);
  });

  test('a correction replaces the run in the results and keeps both', async () => {
    const wrong = await keep(await startRun(), someReadings(10));
    const right = await keep(await startRun({ replacesRunId: wrong.id }), someReadings(20));
    const { props } = await results();
    expect(props[0]!.countedRunIds).toEqual([right.id]);
    const detail = (await server.http.get(`/api/campaigns/${campaignId}`)).body as CampaignDetailView;
    expect(detail).toMatchObject({ runCount: 1 });
    expect(detail.runs.map((r) => [r.ordinal, r.replacedByRunId])).toEqual([
      [1, right.id],
      [1, null],
    ]);
    const ofModel = (
      (await server.http.get(`/api/prop-models/${right.propModelId}/runs`).expect(200)).body as ListView<ModelRunView>
    ).items;
    expect(ofModel.map((r) => r.runId)).toContain(right.id);
    expect(ofModel.map((r) => r.runId)).not.toContain(wrong.id);
    expect(ofModel.find((r) => r.runId === right.id)).toMatchObject({ mostThrustN: 20, origin: 'typed' });
  });

  test.each<[string, object, string]>([
    ['a throttle over full', { throttleRatio: 1.2 }, 'steps.0.throttleRatio'],
    ['thrust missing', { thrustN: null }, 'steps.0.thrustN'],
    ['infinite current', { currentA: 1e9 }, 'steps.0.currentA'],
    ['a reading that does not exist', { colour: 3 }, 'steps.0.colour'],
  ])('%s is refused with its place, and nothing is kept', async (_name, change, path) => {
    const run = await startRun();
    const readings = someReadings();
    const answer = await server.http
      .post(`/api/runs/${run.id}/keep`)
      .send({ ...readings, steps: [{ ...readings.steps[0], ...change }, ...readings.steps.slice(1)], revision: 1 })
      .expect(400);
    expect((answer.body as Problem).fields.map((f) => f.path)).toContain(path);
    expect(((await server.http.get(`/api/runs/${run.id}`)).body as RunView).state).toBe('draft');
  });

  test('lists are bounded', async () => {
    const run = await startRun();
    const { steps } = someReadings();
    const many = Array.from({ length: 121 }, () => steps[0]);
    await server.http
      .post(`/api/runs/${run.id}/keep`)
      .send({ ...someReadings(), steps: many, revision: 1 })
      .expect(400);
    await server.http
      .put(`/api/runs/${run.id}/draft`)
      .send({ ...aDraft([['x'.repeat(41)]]), revision: 1 })
      .expect(400);
    await server.http
      .put(`/api/runs/${run.id}/draft`)
      .send({ ...aDraft(Array.from({ length: 121 }, () => ['1'])), revision: 1 })
      .expect(400);
  });
});

describe('imports', () => {
  const imported = (more: object = {}) => ({ ...someReadings(), id: v7(), propModelId, ...more });

  test('all runs of a file are kept, or none', async () => {
    await server.http
      .post(`/api/campaigns/${campaignId}/imports`)
      .send({ runs: [imported(), imported({ propModelId: v7() })], blobSha256: null, recipe: null })
      .expect(422);
    expect(((await server.http.get(`/api/campaigns/${campaignId}`)).body as CampaignDetailView).runs).toEqual([]);
    const kept = await server.http
      .post(`/api/campaigns/${campaignId}/imports`)
      .send({ runs: [imported(), imported()], blobSha256: null, recipe: null })
      .expect(201);
    expect((kept.body as CampaignDetailView).runs.map((r) => [r.origin, r.ordinal])).toEqual([
      ['imported', 1],
      ['imported', 2],
    ]);
  });

  test('how headers were read is remembered, the last reading of the same headers holds, and a recipe that cannot be is refused', async () => {
    const columns = [
      { quantity: 'throttleRatio', unitSymbol: '%', readingKind: 'settledMean' },
      { quantity: 'thrustN', unitSymbol: 'kg', readingKind: 'settledMean' },
    ];
    const keepAs = (header: string, more: object[]) =>
      server.http
        .post(`/api/campaigns/${campaignId}/imports`)
        .send({ runs: [imported()], blobSha256: null, recipe: { header, columns: more } });
    await keepAs('first\tsecond', [columns[0]!, { ...columns[1], unitSymbol: 'g' }]).expect(201);
    await keepAs('first\tsecond', columns).expect(201);
    await keepAs('other', []).expect(400);
    await keepAs('x'.repeat(2001), columns).expect(400);
    const recipes = ((await server.http.get('/api/import-recipes').expect(200)).body as ListView<ImportRecipeView>)
      .items;
    expect(recipes.filter((r) => r.header === 'first\tsecond')).toMatchObject([{ columns }]);
  });

  test('full throttle alone is kept and ranks; readings that cannot be are kept and do not count', async () => {
    const { steps, ...rest } = someReadings();
    const top = steps.at(-1)!;
    await server.http
      .post(`/api/campaigns/${campaignId}/imports`)
      .send({
        runs: [
          { ...rest, steps: [{ ...top, throttleRatio: 1 }], id: v7(), propModelId },
          { ...rest, steps: steps.map((s) => ({ ...s, thrustN: s.thrustN / 1000 })), id: v7(), propModelId },
        ],
        blobSha256: null,
        recipe: null,
      })
      .expect(201);
    const { props, reasons } = await results();
    expect(props[0]).toMatchObject({
      isFullOnly: true,
      points: { full: { thrustN: { figure: { value: expect.closeTo(top.thrustN, 9) } } } },
      leftOut: [{ code: 'doubt.merit' }],
    });
    expect(reasons.map((r) => r.code)).toEqual(expect.arrayContaining(['fullOnly', 'leftOut.doubt.merit']));
  });

  test('sent twice it is kept once', async () => {
    const body = { runs: [imported()], blobSha256: null, recipe: null };
    await server.http.post(`/api/campaigns/${campaignId}/imports`).send(body).expect(201);
    await server.http.post(`/api/campaigns/${campaignId}/imports`).send(body).expect(201);
    expect(((await server.http.get(`/api/campaigns/${campaignId}`)).body as CampaignDetailView).runs).toHaveLength(1);
  });

  test('raw text and pictures become blobs by their own digest; other files are refused', async () => {
    const blob = await server.http
      .post('/api/blobs?name=run.csv')
      .set('content-type', 'application/octet-stream')
      .send(Buffer.from('a;b\n1;2\n'))
      .expect(201);
    const { sha256 } = blob.body as { sha256: string };
    expect((await server.http.get(`/api/blobs/${sha256}`).expect(200)).text).toBe('a;b\n1;2\n');
    await server.http
      .post('/api/blobs?name=x.exe')
      .set('content-type', 'application/octet-stream')
      .send(Buffer.from([0x4d, 0x5a, 0, 1, 2]))
      .expect(415);
    await server.http.get(`/api/blobs/${'0'.repeat(64)}`).expect(404);
    await server.http.get('/api/blobs/..%2f..%2fetc').expect(404);
    await server.http
      .post(`/api/campaigns/${campaignId}/imports`)
      .send({ runs: [imported()], blobSha256: sha256, recipe: null })
      .expect(201);
    await server.http
      .post(`/api/campaigns/${campaignId}/imports`)
      .send({ runs: [imported()], blobSha256: 'f'.repeat(64), recipe: null })
      .expect(422);
    const run = await startRun();
    expect(
      (await server.http.post(`/api/runs/${run.id}/pictures`).send({ blobSha256: sha256 }).expect(200)).body,
    ).toMatchObject({ pictures: [{ sha256 }] });
  });
});

describe('results', () => {
  test('figures come with mark, origin, uncertainty and a working that can be opened', async () => {
    await keep(await startRun(), someReadings(20));
    await keep(await startRun(), someReadings(20.2));
    const { props, headline, carryThrustN } = await results('?throttleRatio=0.5');
    const { figure } = props[0]!.points.full.thrustN!;
    expect(figure).toMatchObject({
      value: expect.closeTo(20.1, 9),
      mark: 'measured',
      origin: 'typed',
      uncertainty: expect.any(Number),
    });
    expect(carryThrustN).toBeCloseTo(4.7072, 4);
    expect(headline.code).toBe('onlyOneHovers');
    const working = (
      await server.http
        .get(`/api/campaigns/${campaignId}/working?throttleRatio=0.5&key=${encodeURIComponent(figure.working!)}`)
        .expect(200)
    ).body as Working;
    expect(working.result.value).toBe(figure.value);
    await server.http.get(`/api/campaigns/${campaignId}/working?key=nothing`).expect(404);
    await server.http.get(`/api/campaigns/${campaignId}/results?throttleRatio=7`).expect(400);
  });

  test('the line of the craft follows the runs, also when one is deleted and brought back', async () => {
    expect((await line()).stops.find((s) => s.station === 'stand')!.state).toBe('empty');
    const first = await keep(await startRun());
    expect((await line()).stops.find((s) => s.station === 'stand')).toMatchObject({
      state: 'half',
      code: 'stand.fewRuns',
    });
    const second = await keep(await startRun());
    expect((await line()).stops.find((s) => s.station === 'stand')!.state).toBe('full');
    await server.http.delete(`/api/runs/${second.id}`).expect(204);
    expect((await line()).stops.find((s) => s.station === 'stand')!.state).toBe('half');
    await server.http.post(`/api/runs/${second.id}/restore`).expect(200);
    expect((await line()).stops.find((s) => s.station === 'stand')!.state).toBe('full');
    await keep(await startRun(), someReadings(20, 1200));
    expect((await line()).stops.find((s) => s.station === 'stand')).toMatchObject({
      state: 'notched',
      code: 'stand.breach',
    });
    expect(first.id).not.toBe(second.id);
  });
});

describe('what runs correct', () => {
  const calibration = async (): Promise<CalibrationView> =>
    (await server.http.get(`/api/crafts/${craftId}/calibration`).expect(200)).body as CalibrationView;
  const thrustFactor = async (): Promise<number> =>
    calibrationFactor((await calibration()).calibration!.models[propModelId]!.thrust, 3.9 / 7.2).factor;

  test('nothing without a run; with one, thrust and power of its model and of all; nothing again once it is gone', async () => {
    expect(await calibration()).toEqual({ calibration: null, isSimulated: false });
    const kept = await keep(await startRun());
    const found = (await calibration()).calibration!;
    expect(found).toMatchObject({
      runCount: 1,
      propCount: 1,
      whole: { thrust: { readingCount: 1 }, power: { readingCount: 1 } },
    });
    expect(Object.keys(found.models)).toEqual([propModelId]);
    await server.http.delete(`/api/runs/${kept.id}`).expect(204);
    expect((await calibration()).calibration).toBeNull();
  });

  test('a stronger run moves it up', async () => {
    const first = await keep(await startRun(), someReadings(20));
    const before = await thrustFactor();
    await keep(await startRun({ replacesRunId: first.id }), someReadings(22));
    expect(await thrustFactor()).toBeGreaterThan(1.03 * before);
  });

  test('a run that does not count corrects nothing: its pack was under the gate', async () => {
    await keep(await startRun(), { ...someReadings(), restingCellV: 3.5 });
    expect((await calibration()).calibration).toBeNull();
  });

  test('simulated devices never correct a workshop of one’s own', async () => {
    const kept = await keep(await startRun());
    await server.database.db.update(run).set({ origin: 'simulated' }).where(eq(run.id, kept.id));
    expect(await calibration()).toEqual({ calibration: null, isSimulated: false });
  });

  test('a craft that nobody knows has none', async () => {
    await server.http.get(`/api/crafts/${v7()}/calibration`).expect(404);
  });
});

test('colour and marker of a model are given once, counts follow the ledger', async () => {
  const models = [aPropModel({ label: '9x5' }), aPropModel({ label: '9x6' })];
  for (const m of models) await server.http.post('/api/prop-models').send(m).expect(201);
  await server.http.delete(`/api/prop-models/${models[0]!.id}`).expect(204);
  const third = aPropModel({ label: '9x7' });
  const made = (await server.http.post('/api/prop-models').send(third)).body as PropModelView;
  const second = (await server.http.get(`/api/prop-models/${models[1]!.id}`)).body as PropModelView;
  expect(made.seriesIndex).toBe(second.seriesIndex + 1);
  expect(made.stock).toBeNull();
  await server.http.put(`/api/prop-models/${third.id}/stock`).send({ cwCount: 4, ccwCount: 3 }).expect(200);
  const counted = (
    await server.http.put(`/api/prop-models/${third.id}/stock`).send({ cwCount: 5, ccwCount: 3 }).expect(200)
  ).body as PropModelView;
  expect(counted.stock).toMatchObject({ cwCount: 5, ccwCount: 3 });
});

test('the finder finds crafts, props, evenings and runs by a few letters, and takes no wildcards', async () => {
  await keep(await startRun());
  const found = async (words: string): Promise<string[]> =>
    (
      (await server.http.get(`/api/finder?words=${encodeURIComponent(words)}`).expect(200)).body as { kind: string }[]
    ).map((f) => f.kind);
  expect(new Set(await found('petr'))).toEqual(new Set(['craft', 'campaign']));
  expect(new Set(await found('brind'))).toEqual(new Set(['propModel', 'run']));
  expect(await found('%')).toEqual([]);
  expect(await found('')).toEqual([]);
});

test('replaying every event gives the same projections', async () => {
  const events = server.app.get(EventRepository, { strict: false });
  const projectors = server.app.get(Projectors, { strict: false });
  const before = await projectors.rows(server.database.db);
  expect(before.keptRuns!.length).toBeGreaterThan(3);
  const replayed = await server.database.db.transaction((tx) => events.rebuild(tx));
  expect(replayed).toBeGreaterThan(before.keptRuns!.length);
  expect(await projectors.rows(server.database.db)).toEqual(before);
});
