// The line feed from the other side: sends what a program prints, checks it, or plays a stand that prints.
import readline from 'node:readline';
import { core, grams, layoutOf, madeUpStand, readFor, runJob } from './standTools.mjs';

/** Lines of one post, and how long they are gathered [ms]. */
const POST_MS = 150;
const MOST_LINES = 300;
/** How fast a played stand prints [readings a second], as long as its throttle takes from step to step [s]. */
const PLAY_HZ = 20;
const STEP_S = 4;
const LADDER = [0, 0.2, 0.35, 0.5, 0.65, 0.8, 1, 0];

const USAGE = `node scripts/feed.mjs play [--layout commas|semicolons|bare] [--fast]   a made-up stand that prints
node scripts/feed.mjs check                                             reads standard input and says what is wrong
node scripts/feed.mjs send [address]                                    posts standard input to a running Zivvo`;

const layouts = {
  commas: {
    header: 'time (s),Throttle (%),Thrust (g),Current (A),Voltage (V),rpm',
    line: (r) =>
      [
        r.timeS.toFixed(2),
        percent(r),
        grams(r).toFixed(1),
        r.currentA.toFixed(2),
        r.voltageV.toFixed(2),
        r.speedRpm.toFixed(0),
      ].join(','),
  },
  semicolons: {
    header: '# a stand with decimal commas, without throttle\nPull [kg];amps;volts (V);rpm',
    line: (r) =>
      [(grams(r) / 1000).toFixed(4), r.currentA.toFixed(2), r.voltageV.toFixed(2), r.speedRpm.toFixed(0)]
        .join(';')
        .replaceAll('.', ','),
  },
  /** A device that says nothing of what it prints: a person has to. */
  bare: { header: null, line: (r) => `${grams(r).toFixed(0)} ${r.currentA.toFixed(1)}` },
};
const percent = (r) => (r.throttleRatio * 100).toFixed(0);

/** Prints a made-up stand that climbs a ladder of throttles; at once with `--fast`, else as fast as it would be. */
async function play(options) {
  const { LIVE_RATE_HZ } = await core();
  const layout = layoutOf(layouts, options);
  const stand = await madeUpStand('feed');
  if (layout.header !== null) console.log(layout.header);
  for (const throttle of LADDER)
    for (let i = 0; i < STEP_S * PLAY_HZ; i++) {
      const reading = readFor(stand, throttle, PLAY_HZ, LIVE_RATE_HZ);
      if (reading) console.log(layout.line({ ...reading, timeS: stand.timeS }));
      if (!options.includes('--fast')) await new Promise((resolve) => setTimeout(resolve, 1000 / PLAY_HZ));
    }
}

const WORDS = {
  tooLong: 'longer than any reading',
  noHeader: 'figures before a header names them; a person will be asked what they are',
  noThrust: 'a header without a thrust column; a person will be asked',
  noUnit: 'a column without its unit; a person will be asked',
  cellCount: 'not as many cells as the header names',
  unreadable: 'a cell that is no number, or one that cannot be',
  noReading: 'not one reading was read',
  tooSlow: 'readings a second: too few for a mean over one second, 3 are the least',
  tooFast: 'readings a second: more than 200 are thinned out',
};

/** Says what of standard input Zivvo would not read; fails where there is anything. */
async function check() {
  const { checkFeed } = await core();
  const { readingLimits } = await import('../packages/contract/dist/index.js');
  const lines = [];
  const isLive = process.stdin.isTTY !== true;
  for await (const text of readline.createInterface({ input: process.stdin }))
    lines.push({ text, atS: isLive ? performance.now() / 1000 : null });
  // A file comes at once: its rate says nothing.
  const spanS = lines.length < 2 ? 0 : lines.at(-1).atS - lines[0].atS;
  const report = checkFeed(spanS < 2 ? lines.map((l) => ({ ...l, atS: null })) : lines, readingLimits);
  console.log(`${report.lineCount} lines, ${report.readingCount} readings`);
  for (const { header, quantity, unitSymbol } of report.columns)
    console.log(`  ${header.trim()}: ${quantity === null ? 'not read' : `${quantity} in ${unitSymbol}`}`);
  for (const { fault, count, line, text } of report.faults)
    console.log(`  ${count} × ${WORDS[fault]}; first in line ${line}${text === '' ? '' : `: ${text}`}`);
  console.log(report.faults.length === 0 ? 'Zivvo reads it all.' : 'Not all of it is read.');
  process.exitCode = report.faults.length === 0 ? 0 : 1;
}

/** Posts standard input to a running Zivvo, a few times a second. */
async function send([address = 'http://127.0.0.1:4600']) {
  let waiting = [];
  let isToldSilent = false;
  const post = async () => {
    while (waiting.length > 0) {
      const lines = waiting.splice(0, MOST_LINES);
      try {
        const answer = await fetch(new URL('/api/feed', address), {
          method: 'POST',
          headers: { 'content-type': 'text/plain' },
          body: `${lines.join('\n')}\n`,
        });
        if (!answer.ok) console.error(`Zivvo refused ${lines.length} lines: ${answer.status}`);
        isToldSilent = false;
      } catch {
        if (!isToldSilent) console.error(`Nobody answers at ${address}; lines are dropped until somebody does.`);
        isToldSilent = true;
      }
    }
  };
  let posting = Promise.resolve();
  const timer = setInterval(() => (posting = posting.then(post)), POST_MS);
  for await (const line of readline.createInterface({ input: process.stdin })) {
    waiting.push(line);
    if (waiting.length > 4 * MOST_LINES) waiting = waiting.slice(-MOST_LINES);
  }
  clearInterval(timer);
  await posting.then(post);
}

await runJob({ play, check, send }, USAGE);
