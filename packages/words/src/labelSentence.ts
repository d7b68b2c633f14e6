import type { LabelProblem, LabelReason, MotorLabelReason } from '@zivvo/core';

/** Why a reading of a label says what it says. */
export function labelReasonSentence(reason: LabelReason | MotorLabelReason): string {
  switch (reason.code) {
    case 'writtenInFull':
      return 'written out';
    case 'hiddenPointDiameter':
      return `${reason.digits} hides a point in the diameter`;
    case 'hiddenPointPitch':
      return `${reason.digits} hides a point in the pitch`;
    case 'hundredthsPitch':
      return `${reason.digits} is a pitch in hundredths`;
    case 'bladesLastDigit':
      return `last digit ${reason.digits} taken as blades`;
    case 'bladesWritten':
      return 'blade count written';
    case 'bladesMissing':
      return 'blade count not on the label';
    case 'pitchMissing':
      return 'pitch not on the label';
    case 'millimetres':
      return 'in millimetres';
    case 'fraction':
      return 'written as a fraction';
    case 'handWritten':
      return `${reason.text} written`;
    case 'handFromLetter':
      return `${reason.text} means clockwise seen from the label`;
    case 'handNotWritten':
      return 'no hand letter: counter-clockwise, or both in a mixed bag';
    case 'tipFromLetters':
      return `${reason.text} tells the tip`;
    case 'purposeLetters':
      return `${reason.text} tells the purpose`;
    case 'slimFromLetters':
      return `${reason.text} is for electric planes: slim blades, likely`;
    case 'perModelMark':
      return `${reason.text} is this maker’s own mark: look at the piece`;
    case 'wordsLeftOut':
      return `${reason.text} left out`;
    case 'statorDigits':
      return `${reason.digits} is stator width and height`;
    case 'statorWritten':
      return 'stator written out';
    case 'canSize':
      return `${reason.digits} taken as the can, stator estimated`;
    case 'kvWritten':
      return 'kV written';
    case 'kvByPlace':
      return 'second number taken as kV';
    case 'kvMissing':
      return 'kV not on the label';
    case 'turns':
      return `${reason.digits} turns`;
  }
}

/** Why no reading could be made. */
export function labelProblemSentence(problem: LabelProblem): string {
  const sentences: Record<LabelProblem, string> = {
    empty: 'Type what is moulded on the hub.',
    tooLong: 'A label has at most 60 characters.',
    noDigits: 'There is no number in it: 7.2x3.9x3, 5136 or 40mm-4 would do.',
    noSensibleSize: 'No size between 20 mm and 1.1 m comes out of it. Write it out as diameter x pitch x blades.',
  };
  return sentences[problem];
}
