// A minute of sound as a microphone records it: everything that is read from it beside the least that could be, and ten
// minutes piece by piece.
import * as core from '../packages/core/dist/index.js';

const RATE_HZ = 48_000;
const MINUTE_S = 60;
const LONG_S = 600;
const RUNS = 7;

export async function listenFigures(seed) {
  const take = core.simulateMicrophone({
    seed: `${seed}/minute`,
    rateHz: RATE_HZ,
    durationS: MINUTE_S / 6,
    rotors: [{ rpm: 7200, bladeCount: 3, toneDb: 70, fallDb: 4, unevenRatio: 0.02 }],
    rushDb: 66,
    backgroundDb: 45,
  });
  const minute = file(take, MINUTE_S);
  const all = [];
  const least = [];
  // In turns, so that a busy moment of the machine meets both alike.
  for (let run = 0; run < RUNS; run++) {
    all.push(await timed(() => everything(minute)));
    least.push(await timed(() => leastOf(minute)));
  }
  const before = process.memoryUsage().rss;
  let most = before;
  const long = file(take, LONG_S);
  const longMs = await timed(() => everything(long, () => (most = Math.max(most, process.memoryUsage().rss))));
  const figure = (id, value, unit, target) => ({ id, value, unit, baseline: null, target });
  return [
    figure('sound.analysis.ratio', core.median(all) / core.median(least), '1', 2.5),
    figure('sound.analysis.ms', core.median(all), 'ms', 700),
    figure('sound.stream.s', longMs / 1000, 's', 7),
    figure('sound.memory.MB', (most - before) / 1e6, 'MB', 150),
  ];
}

/** The path of a person's file: decoded piece by piece, levels, bands, spectrum, and the comb of three blades. */
async function everything(source, onProgress) {
  const { analysis } = await core.analyseWav(source, null, onProgress);
  core.bladeCombs(analysis.spectrum, { bladeCount: 3, rotorCount: 4 });
}

/** Decoding and one spectrum, with the same windows. */
async function leastOf(source) {
  const format = core.readWavHeader(await source.read(0, 4096), source.byteCount);
  const bytes = await source.read(format.dataOffset, format.dataOffset + format.dataByteCount);
  core.welchSpectrum(core.decodeWav(bytes, format), format.rateHz, core.soundWindow(format.rateHz));
}

async function timed(work) {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

/** A take over and over as a 24-bit file that is read and never held as a whole. */
function file(take, durationS) {
  const once = core.writeWav([take], RATE_HZ, 'pcm24');
  const head = once.slice(0, 44);
  const body = once.subarray(44);
  const dataBytes = RATE_HZ * durationS * 3;
  new DataView(head.buffer).setUint32(40, dataBytes, true);
  return {
    byteCount: 44 + dataBytes,
    read: async (from, to) => {
      const bytes = new Uint8Array(to - from);
      for (let at = from; at < to;) {
        const isHead = at < 44;
        const place = isHead ? at : (at - 44) % body.length;
        const piece = (isHead ? head : body).subarray(place, place + to - at);
        bytes.set(piece, at - from);
        at += piece.length;
      }
      return bytes;
    },
  };
}
