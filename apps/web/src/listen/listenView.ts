import type { HeardPropView, ListeningView, ListenView, TakeView } from '@zivvo/contract';
import { countingTakes, explainSound, type RankedSound, type Working } from '@zivvo/core';
import { formatNumber, formatShare } from '@zivvo/words';
import type { WorkProblem } from '../shared/worker/workProblem.ts';
import type { HeardFile } from './listenWork.ts';
import { methodNames, surfaceNames } from './listenWords.ts';

/** A level, with the unit that it deserves. */
export const levelText = (levelDb: number, { isAbsolute }: Pick<ListeningView, 'isAbsolute'>): string =>
  `${formatNumber(levelDb, 1)} ${isAbsolute ? 'dB(A)' : 'dB'}`;

/** The answer of the page: which prop is quieter at equal thrust. */
export function listenHeadline({ open, referencePropModelId }: ListenView): string {
  if (!open || open.takes.length === 0) return 'Nothing is listened to yet';
  const sounds = open.ranking?.sounds ?? [];
  const nameOf = (s: RankedSound): string => nameOfKey(open, s.soundKey);
  const quiet = sounds.filter((s) => s.verdict === 'quieter');
  if (quiet[0])
    return `${nameOf(quiet[0])} is ${formatNumber(-quiet[0].differenceDb!, 1)}\u00a0dB quieter at equal thrust`;
  if (sounds.length === 0) return 'No take of a prop counts yet';
  if (sounds.length === 1) return `${nameOf(sounds[0]!)} is listened to; no other prop beside it yet`;
  if (referencePropModelId === null) return 'Say which prop it flies now: nothing is held against it yet';
  if (!sounds.some((s) => s.verdict === 'reference')) return 'The reference is not listened to here';
  return sounds.some((s) => s.verdict === 'louder')
    ? 'No prop is quieter than the reference'
    : 'The ear tells no prop from the reference';
}

/** How the figure of the headline follows from the takes: of the quietest against the reference, else its level. */
export function listenWorking({ open }: ListenView): { working: Working; subject: string } | null {
  const sounds = open?.ranking?.sounds ?? [];
  const reference = sounds.find((s) => s.verdict === 'reference') ?? null;
  const sound = sounds.find((s) => s !== reference) ?? reference;
  if (!open || !sound || open.thrustN === null) return null;
  const heard = open.takes.flatMap(({ id, soundKey, heard: told }) =>
    soundKey === null || told === null ? [] : { id, soundKey, ...told },
  );
  const isAlone = sound === reference || reference === null;
  return {
    working: explainSound(countingTakes(heard), open.thrustN, sound, isAlone ? null : reference),
    subject: `${nameOfKey(open, sound.soundKey)}${isAlone ? '' : ` beside ${nameOfKey(open, reference.soundKey)}`}`,
  };
}

export const nameOfKey = ({ props }: ListeningView, soundKey: string): string =>
  props.find((p) => p.soundKey === soundKey)?.name ?? 'a prop';

/** Where and how it was listened, on a line. */
export function placeText(listening: ListeningView): string {
  const { place, distanceM, heightM, surface, method, windMPerS, backgroundDb, chainOffsetDb } = listening;
  return [
    place,
    `${formatNumber(distanceM, 1)} m away, ${formatNumber(heightM, 1)} m up, ${surfaceNames[surface]}`,
    `${methodNames[method]}${method === 'recording' ? (chainOffsetDb === null ? ', relative only' : ', calibrated') : ''}`,
    ...(windMPerS === null ? [] : [`wind ${formatNumber(windMPerS, 1)} m/s`]),
    ...(backgroundDb === null ? [] : [`the place alone ${levelText(backgroundDb, listening)}`]),
  ].join(' · ');
}

/** How a prop stands against the reference, as short as a cell takes. */
export function againstReference({ verdict, differenceDb, differenceHalfWidthDb }: RankedSound): string {
  if (verdict === 'reference') return 'reference';
  if (verdict === 'noReference') return '–';
  const half = `± ${formatNumber(differenceHalfWidthDb!, 1)} dB`;
  if (verdict === 'same') return `no difference (${half})`;
  return `${differenceDb! > 0 ? '+' : '−'}${formatNumber(Math.abs(differenceDb!), 1)} ${half}`;
}

/** What a take says, or why it does not count. */
export function takeText(take: TakeView, listening: ListeningView): string {
  if (take.shownDb === null) return `not heard beyond ${formatNumber(take.distanceM, 0)} m`;
  if (take.heard === null) return levelText(take.shownDb, listening);
  const level = levelText(take.heard.levelDb, listening);
  switch (take.heard.fault ?? take.heard.status) {
    case 'underBackground':
      return `at most ${level}: less than 3 dB above the place, does not count`;
    case 'clipped':
      return `cut off at full scale in ${formatShare(take.clippedRatio)} of it, does not count`;
    case 'noThrust':
      return `${level}, without a thrust it does not count`;
    case 'corrected':
      return `${level}, the place taken out`;
    case 'unknown':
      return `${level}, the place still in it`;
    default:
      return level;
  }
}

/** Roughness of blades that are not alike or not evenly set, in words. */
export function betweenText({ betweenDb }: Pick<HeardPropView, 'betweenDb'>): string {
  return betweenDb === null ? '–' : `${formatNumber(betweenDb, 0)} dB`;
}

/** How far the model was off here, and what it is good for now; null where no level was held against it. */
export function modelText({ correction: { offsetDb, halfWidthDb, count } }: ListeningView): string | null {
  if (count === 0) return null;
  const props = count === 1 ? 'one prop' : `${count} props`;
  const off =
    Math.abs(offsetDb) < 0.5
      ? `The model is right on average over ${props} of this craft`
      : `The model says ${formatNumber(Math.abs(offsetDb), 1)} dB too ${offsetDb > 0 ? 'little' : 'much'} for ` +
        `${props} of this craft`;
  return `${off}; with that, it is good to ± ${formatNumber(halfWidthDb, 1)} dB for another one.`;
}

/** What the columns mean that no unit explains; only what stands in them. */
export function columnText({ props }: Pick<ListeningView, 'props'>): string | null {
  const said = [
    ...(props.some((p) => p.passing?.prominenceDb != null)
      ? ['“out”: how far the pass stands out of the ear’s bands beside it.']
      : []),
    ...(props.some((p) => p.betweenDb !== null)
      ? ['Uneven: single turns beside passes; −30 dB is an even prop, above −15 dB it sounds rough.']
      : []),
  ];
  return said.length === 0 ? null : said.join(' ');
}

/** Why a file tells nothing, and what to do about it. */
export function soundProblem({ code, what, allowed }: WorkProblem): string {
  switch (code) {
    case 'stopped':
      return 'Stopped; nothing was kept.';
    case 'notWav':
      return (
        {
          mp3:
            'This is an MP3, whatever its name says: what it leaves out is what the ear would miss here. Record ' +
            'as WAV.',
          ogg: 'This is an Ogg file, not a WAV: record as WAV.',
          flac: 'This is a FLAC file, not a WAV: turn it into a WAV, nothing is lost by that.',
          m4a: 'This is an M4A file, not a WAV: record as WAV.',
          broken: 'Its header breaks off or is no WAV’s: copy it from the recorder again.',
        }[what] ?? 'This is no WAV file: record as WAV, 16 or 24 bits.'
      );
    case 'noSamples':
      return 'There is a header and no sound behind it: copy it from the recorder again.';
    case 'soundKind':
      return 'This WAV is coded in a way that is not read: record as PCM of 16 or 24 bits, or 32-bit floats.';
    case 'soundRate':
      return 'Its sampling rate is none that sound is recorded with: 4 to 384 kHz.';
    case 'notSound':
      return 'There are samples in it that are no numbers: export it again.';
    case 'silence':
      return 'Silence: the microphone was off, or the gain at nothing.';
    case 'notEnoughReadings':
      return 'It is shorter than a third of a second: record five seconds or more.';
    case 'outOfRange':
      if (what === 'soundS') return 'It is longer than two minutes: cut it to the run-down.';
      return what === 'fileBytes' ? 'The file is larger than 1 GB: cut it to the take.' : `${what}: ${allowed}.`;
    default:
      return `${what}: cannot be read. ${allowed}`.trim();
  }
}

/** What is to be known of a recording beside its level. */
export function soundSaid(file: HeardFile): string[] {
  const said: string[] = [];
  if (file.clippedRatio > 0)
    said.push(
      `Cut off at full scale in ${file.clippedRatio < 0.0001 ? 'under 0.01 %' : formatShare(file.clippedRatio)} ` +
        'of it: turn the gain down and take it again.',
    );
  if (file.channelCount > 1) said.push(`${file.channelCount} channels: the mean of all is what is heard.`);
  if (file.rateHz < 32_000)
    said.push(
      `${formatNumber(file.rateHz / 1000, 0)} kHz hears nothing above ${formatNumber(file.rateHz / 2000, 0)} ` +
        'kHz: the rush of small props lies there, so compare only takes of this recorder.',
    );
  if (file.isTruncated) said.push('The file breaks off; what is there was read.');
  return said;
}
