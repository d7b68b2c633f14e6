import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { FeedLinesView, FeedTakenView } from '@zivvo/contract';
import { FEED_BODY_MAX_BYTES, FEED_LINES_A_SECOND } from '@zivvo/contract';
import { startTestServer, type TestServer } from '../test/testServer.ts';
import type { Clock } from '../common/clock.ts';
import { FeedService } from './feed.service.ts';

let server: TestServer;
const heard: string[] = [];
beforeAll(async () => {
  server = await startTestServer();
  server.app.get(FeedService, { strict: false }).lines.subscribe(({ lines }: FeedLinesView) => heard.push(...lines));
}, 60_000);
afterAll(() => server.close());

const post = (text: string, type = 'text/plain') => server.http.post('/api/feed').set('content-type', type).send(text);

test('lines are passed on whole, however the posts cut them', async () => {
  await post('Thrust (g),rpm\n500,80').expect(200);
  expect(heard).toEqual(['Thrust (g),rpm']);
  const taken = (await post('00\r\n501,8010\n').expect(200)).body as FeedTakenView;
  expect(taken).toEqual({ takenCount: 2, droppedCount: 0, listenerCount: 0 });
  expect(heard).toEqual(['Thrust (g),rpm', '500,8000', '501,8010']);
});

test('whoever listens later hears the header in force first, one that asks for its units too', async () => {
  const feed = server.app.get(FeedService, { strict: false });
  expect(feed.first()).toEqual({ lines: ['Thrust (g),rpm'] });
  await post('thrust,rpm\n').expect(200);
  expect(feed.first()).toEqual({ lines: ['thrust,rpm'] });
  await post('Thrust (g),rpm\n').expect(200);
  // The next device prints no header: the old one must not be read into its figures.
  await post('500 12 4\n'.repeat(6)).expect(200);
  expect(feed.first()).toEqual({ lines: [] });
});

test('a program that runs wild is thinned out, not followed: the newest lines stay', () => {
  let nowMs = 5000;
  const feed = new FeedService({ nowMs: () => nowMs } as Clock);
  const many = (count: number): string => Array.from({ length: count }, (_, i) => `${i},1\n`).join('');
  const passed: string[] = [];
  feed.lines.subscribe(({ lines }) => passed.push(...lines));
  expect(feed.take(many(FEED_LINES_A_SECOND + 50))).toMatchObject({
    takenCount: FEED_LINES_A_SECOND,
    droppedCount: 50,
  });
  expect(passed.at(-1)).toBe(`${FEED_LINES_A_SECOND + 49},1`);
  expect(feed.take(many(5))).toMatchObject({ takenCount: 0, droppedCount: 5 });
  nowMs += 1000;
  expect(feed.take(many(5))).toMatchObject({ takenCount: 5, droppedCount: 0 });
});

test('too much at once is refused; an empty post and one that calls itself something else are taken as they are', async () => {
  await post('1'.repeat(FEED_BODY_MAX_BYTES + 1)).expect(413);
  expect((await server.http.post('/api/feed').expect(200)).body).toMatchObject({ takenCount: 0 });
  expect((await post('Thrust (g),rpm\n', 'application/x-www-form-urlencoded').expect(200)).body).toMatchObject({
    takenCount: 1,
  });
  expect((await post('{"not": "json"\n', 'application/json').expect(200)).body).toMatchObject({ takenCount: 1 });
});
