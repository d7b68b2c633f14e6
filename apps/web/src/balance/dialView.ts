import { wrapDegrees } from '@zivvo/core';

/** How the prop on the shaft is seen: turned clockwise by so many degrees, from the label's face or from behind. */
export interface DialPose {
  turnDegrees: number;
  isBackSeen: boolean;
}

/** Direction on the prop that points down in a pose: degrees clockwise from the first blade, seen from the label. */
export function downOf({ turnDegrees, isBackSeen }: DialPose): number {
  const onScreen = 180 - turnDegrees;
  return wrapDegrees(isBackSeen ? -onScreen : onScreen);
}

/** Where a direction on the prop lies on the screen, clockwise from straight up. */
export function onScreenDegrees(degrees: number, { turnDegrees, isBackSeen }: DialPose): number {
  return wrapDegrees((isBackSeen ? -degrees : degrees) + turnDegrees);
}

/** Time between two strokes of the watch [s]; null before the second. */
export function watchS(strokes: readonly number[]): number | null {
  return strokes.length < 2 ? null : (strokes.at(-1)! - strokes[0]!) / 1000;
}
