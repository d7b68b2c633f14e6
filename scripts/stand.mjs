// A stand that is driven: plays one, joins a program that drives one to a running Zivvo, or checks such a program.
import { spawn } from 'node:child_process';
import readline from 'node:readline';
import { core, grams, layoutOf, madeUpStand, readFor, runJob } from './standTools.mjs';

/** How often a played stand reads and says so [a second]. */
const PLAY_HZ = 50;
/** A program that says nothing drivable for this long is no stand [ms]. */
const HEADER_MS = 5000;
/** How near a throttle that is read back has to be. */
const THROTTLE_SLACK = 0.02;

const USAGE =
  'node scripts/stand.mjs play [--layout commas|semicolons]                a made-up stand that obeys orders on ' +
  `standard input
node scripts/stand.mjs drive [--to address] [--name bench] -- program…   joins a program to a ` +
  `running Zivvo
node scripts/stand.mjs check -- program…                                 says what a program ` +
  'does otherwise than it should';

const layouts = {
  commas: {
    header: 'sequence,Throttle (%),Thrust (g),Current (A),Voltage (V),rpm,Temperature (°C)',
    line: (r, sequence) =>
      [
        sequence,
        (r.throttleRatio * 100).toFixed(1),
        grams(r).toFixed(1),
        r.currentA.toFixed(2),
        r.voltageV.toFixed(2),
        r.speedRpm.toFixed(0),
        r.temperatureC.toFixed(1),
      ].join(','),
  },
  /** Other words, other units, decimal commas, and fewer of them. */
  semicolons: {
    header: 'throttle [1];pull [kg];volts [V];amps [A];order',
    line: (r, sequence) =>
      [
        ...[r.throttleRatio.toFixed(3), (grams(r) / 1000).toFixed(4), r.voltageV.toFixed(2), r.currentA.toFixed(2)].map(
          (cell) => cell.replace('.', ','),
        ),
        sequence,
      ].join(';'),
  },
};

/** Reads, says so, and obeys; without an order in time it holds nothing. */
async function play(options) {
  const { LIVE_RATE_HZ, readOrder } = await core();
  const layout = layoutOf(layouts, options);
  const stand = await madeUpStand('driven');
  let obeyed = { sequence: 0, throttleRatio: 0, untilMs: 0 };
  readline.createInterface({ input: process.stdin }).on('line', (line) => {
    const order = readOrder(line, obeyed.sequence);
    if (order)
      obeyed = {
        sequence: order.sequence,
        throttleRatio: order.throttleRatio,
        untilMs: performance.now() + order.validMs,
      };
  });
  process.stdin.on('end', () => process.exit(0));
  process.stdout.on('error', () => process.exit(0));
  console.log(layout.header);
  setInterval(() => {
    const throttle = performance.now() < obeyed.untilMs ? obeyed.throttleRatio : 0;
    const reading = readFor(stand, throttle, PLAY_HZ, LIVE_RATE_HZ);
    if (reading) console.log(layout.line(reading, obeyed.sequence));
  }, 1000 / PLAY_HZ);
}

/** Starts the program behind `--`; its lines go to a listener, what is said goes to its standard input. */
function start(options, onLine) {
  const at = options.indexOf('--');
  const [command, ...args] = at < 0 ? [] : options.slice(at + 1);
  if (!command) {
    console.error(USAGE);
    process.exit(1);
  }
  const child = spawn(command, args, { stdio: ['pipe', 'pipe', 'inherit'] });
  child.on('error', (error) => {
    console.error(`It does not start: ${error.message}`);
    process.exit(1);
  });
  child.stdin.on('error', () => undefined);
  readline.createInterface({ input: child.stdout }).on('line', onLine);
  return { child, say: (line) => child.stdin.write(`${line}\n`) };
}

const optionOf = (options, name, otherwise) => {
  const at = options.slice(0, options.indexOf('--')).indexOf(name);
  return at < 0 ? otherwise : options[at + 1];
};

/**
 * Hands every line on, and every order back. Where Zivvo does not answer, no order comes, and the stand zeroes
 * itself.
 */
async function drive(options) {
  const address = new URL('/api/stand/driven', optionOf(options, '--to', 'http://127.0.0.1:4600'));
  address.searchParams.set('name', optionOf(options, '--name', 'bench'));
  let waiting = [];
  let isPosting = false;
  let isToldSilent = false;
  const post = async () => {
    if (isPosting) return;
    isPosting = true;
    while (waiting.length > 0) {
      const lines = waiting;
      waiting = [];
      try {
        const answer = await fetch(address, {
          method: 'POST',
          headers: { 'content-type': 'text/plain' },
          body: lines.join('\n'),
        });
        const text = await answer.text();
        if (answer.ok) for (const line of text.split('\n')) if (line !== '') say(line);
        if (!answer.ok) console.error(`Zivvo refused: ${text.slice(0, 300)}`);
        isToldSilent = false;
      } catch {
        if (!isToldSilent) console.error(`Nobody answers at ${address.origin}; the stand zeroes itself.`);
        isToldSilent = true;
        // Its header is said again once somebody is there.
        waiting = header === null ? [] : [header];
        await new Promise((resolve) => setTimeout(resolve, 200));
        break;
      }
    }
    isPosting = false;
  };
  let header = null;
  const { child, say } = start(options, (line) => {
    if (/[a-z]/i.test(line) && !line.startsWith('#')) header = line;
    waiting.push(line);
    if (waiting.length > 50) waiting = [header, ...waiting.slice(-20)].filter((l) => l !== null);
    void post();
  });
  child.on('exit', (code) => process.exit(code ?? 0));
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      child.kill();
      process.exit(0);
    });
}

/**
 * Drives the program by itself for some seconds, with small throttles, and says what it does otherwise than it
 * should.
 */
async function check(options) {
  const { DrivenFeed, orderLine, ZERO_THROTTLE } = await core();
  const { readingLimits } = await import('../packages/contract/dist/index.js');
  const feed = new DrivenFeed(readingLimits);
  const wrong = [];
  let last = null;
  let readingCount = 0;
  let sequence = 0;
  let ordered = null;
  const { child, say } = start(options, (line) => {
    const taken = feed.take(line);
    if (taken.kind === 'fault') wrong.push(`${taken.fault}: ${taken.text.slice(0, 60)}`);
    if (taken.kind !== 'reading') return;
    last = taken;
    readingCount++;
    if (ordered !== null) say(orderLine({ sequence: ++sequence, throttleRatio: ordered, validMs: 500 }));
  });
  const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
  const held = () => last?.reading.throttleRatio ?? NaN;
  for (let waited = 0; last === null && waited < HEADER_MS; waited += 50) await pause(50);
  if (last === null) wrong.push('it says no reading that can be driven: sequence, throttle and thrust are needed');
  else {
    if (held() >= ZERO_THROTTLE) wrong.push('it holds a throttle before any order came');
    ordered = 0;
    const before = readingCount;
    await pause(1000);
    const rate = readingCount - before;
    if (rate < 5 || rate > 200) wrong.push(`it reads ${rate} times a second; 5 to 200 are wanted`);
    if (last.sequence < sequence - 20) wrong.push('it does not say which order it obeyed');
    ordered = 0.15;
    await pause(1000);
    if (!(Math.abs(held() - 0.15) <= THROTTLE_SLACK))
      wrong.push(`ordered 15 %, it holds ${(100 * held()).toFixed(0)} %`);
    ordered = null;
    await pause(1200);
    if (held() >= ZERO_THROTTLE) wrong.push('without orders it goes on holding a throttle: it has to zero itself');
    say(orderLine({ sequence: 1, throttleRatio: 0.15, validMs: 2000 }));
    say('order up up up');
    say(`order ${sequence + 1} 7.5 2000`);
    await pause(400);
    if (held() >= ZERO_THROTTLE) wrong.push('it obeys an order that is old, or none');
  }
  child.kill();
  console.log(feed.channels.length === 0 ? 'reads nothing' : `reads ${feed.channels.join(', ')}`);
  for (const text of [...new Set(wrong)].slice(0, 20)) console.log(`  ${text}`);
  console.log(wrong.length === 0 ? 'Zivvo can drive it.' : 'Not to be driven as it is.');
  process.exit(wrong.length === 0 ? 0 : 1);
}

await runJob({ play, drive, check }, USAGE);
