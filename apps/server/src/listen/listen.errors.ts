import { FeatureError } from '../common/featureError.ts';

/** A listening holds so many takes, a craft so many listenings. */
export class ListeningFullError extends FeatureError {
  constructor(what: string, most: number) {
    super(422, 'listen.full', 'No more fit', `${most} ${what} at most. Begin another; nothing was lost.`);
  }
}

/** Blades stand in slots that there are, each in its own. */
export class SlotsError extends FeatureError {
  constructor(slotCount: number) {
    super(
      422,
      'listen.slots',
      'These slots are not on the hub',
      `A hub of ${slotCount} slots has the slots 1 to ${slotCount}, each for one blade. Nothing was changed.`,
    );
  }
}

/** Takes that were read in one way are not those of another. */
export class TakenOtherwiseError extends FeatureError {
  constructor() {
    super(
      422,
      'listen.takenOtherwise',
      'There are takes of it',
      'What turned and how it was read stay as they were once there are takes: begin another listening. ' +
        'Nothing was changed.',
    );
  }
}

/** A vote is between two takes of the same listening. */
export class VoteError extends FeatureError {
  constructor() {
    super(422, 'listen.vote', 'Not a vote', 'A vote is between two different takes of one listening.');
  }
}
