import 'reflect-metadata';
import { listenMethods, type ListenMethod } from '@zivvo/core';
import { NAME_MAX_LENGTH, NOTE_MAX_LENGTH } from '../shared/limits.ts';
import { Digest, Id, Inside, ListOf, Nullable, OneOf, Text, WholeWithin, Within } from '../shared/rules.ts';
import { heardOn, listenLimits, listenSurfaces } from './limits.ts';

/** One place, one distance, one way of reading: what makes takes comparable. */
export class ListeningDto {
  @OneOf(heardOn)
  heardOn!: (typeof heardOn)[number];

  @OneOf(listenMethods)
  method!: ListenMethod;

  @Text(NAME_MAX_LENGTH)
  place!: string;

  @OneOf(listenSurfaces)
  surface!: (typeof listenSurfaces)[number];

  @Within(listenLimits.distanceM)
  distanceM!: number;

  @Within(listenLimits.heightM)
  heightM!: number;

  @Nullable()
  @Within(listenLimits.windMPerS)
  windMPerS!: number | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;

  /** What a known level lacked on this chain [dB]; null: relative only. */
  @Nullable()
  @Within(listenLimits.chainOffsetDb)
  chainOffsetDb!: number | null;
}

export class CreateListeningDto extends ListeningDto {
  @Id()
  id!: string;
}

export class ChangeListeningDto extends ListeningDto {
  @WholeWithin({ min: 1, max: 1e9 })
  revision!: number;
}

/** A number in a list, so that each has its rule. */
export class HeardBandDto {
  @Within(listenLimits.frequencyHz)
  centreHz!: number;

  @Within(listenLimits.levelDb)
  levelDb!: number;
}

/** A line of a rotor's comb. */
export class HeardLineDto {
  @Within(listenLimits.frequencyHz)
  frequencyHz!: number;

  @WholeWithin({ min: 1, max: 60 })
  order!: number;

  @Within(listenLimits.levelDb)
  levelDb!: number;

  /** Over the ear's bands beside it [dB]; null where they reach too far. */
  @Nullable()
  @Within(listenLimits.betweenDb)
  prominenceDb!: number | null;
}

/** What was read from a recording; its levels are of full scale, the chain's offset not added. */
export class HeardSoundDto {
  @Within(listenLimits.durationS)
  durationS!: number;

  @Within(listenLimits.levelDb)
  cLevelDb!: number;

  @Nullable()
  @Within(listenLimits.levelDb)
  highestDb!: number | null;

  @Nullable()
  @Within(listenLimits.levelDb)
  ninetiethDb!: number | null;

  /** Third octaves, for the eye and for comparison. */
  @ListOf(() => HeardBandDto, listenLimits.bandCount)
  thirds!: HeardBandDto[];

  /** The spectrum in twenty-fourths of an octave, the highest line of each. */
  @ListOf(() => HeardBandDto, listenLimits.spectrumCount)
  spectrum!: HeardBandDto[];

  @ListOf(() => HeardLineDto, listenLimits.lineCount)
  lines!: HeardLineDto[];

  /** Turns beside the passes [dB]: how rough uneven blades sound. */
  @Nullable()
  @Within(listenLimits.betweenDb)
  betweenDb!: number | null;
}

/** A filled slot of a hub, from 0. */
export class SlotDto {
  @WholeWithin(listenLimits.slot)
  slot!: number;
}

/** Blades in some of the slots of a hub. */
export class PatternDto {
  @WholeWithin(listenLimits.slotCount)
  slotCount!: number;

  @ListOf(() => SlotDto, listenLimits.slotsCount)
  slots!: SlotDto[];
}

export class CreateTakeDto {
  @Id()
  id!: string;

  /** Null: the place alone. */
  @Nullable()
  @Id()
  propModelId!: string | null;

  /** Slots of a hub that are filled, where it has more than blades. */
  @Nullable()
  @Inside(() => PatternDto)
  pattern!: PatternDto | null;

  /** A-weighted [dB]; null where it was walked away from. */
  @Nullable()
  @Within(listenLimits.levelDb)
  levelDb!: number | null;

  @Within(listenLimits.distanceM)
  distanceM!: number;

  @Nullable()
  @Within(listenLimits.thrustN)
  thrustN!: number | null;

  @Nullable()
  @Within(listenLimits.rpm)
  rpm!: number | null;

  /** From full speed to rest after the cut, by ear or by watch. */
  @Nullable()
  @Within(listenLimits.spinDownS)
  spinDownS!: number | null;

  @Within(listenLimits.ratio)
  clippedRatio!: number;

  @Nullable()
  @Inside(() => HeardSoundDto)
  sound!: HeardSoundDto | null;

  /** The recording, stored under its digest. */
  @Nullable()
  @Digest()
  soundSha256!: string | null;

  /** What it was taken beside: a run of the stand or a flight card. */
  @Nullable()
  @Id()
  runId!: string | null;

  @Nullable()
  @Id()
  flightCardId!: string | null;

  @Nullable()
  @Text(NOTE_MAX_LENGTH)
  note!: string | null;
}

/** One vote of a blind comparison: which of two takes was liked better, unseen. */
export class CreateVoteDto {
  @Id()
  id!: string;

  @Id()
  likedTakeId!: string;

  @Id()
  otherTakeId!: string;
}
