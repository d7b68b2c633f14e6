import type { StandCalibration } from '@zivvo/core';

/** What the runs of a craft correct of the propeller model. */
export interface CalibrationView {
  /** Null while no counted run says anything. */
  calibration: StandCalibration | null;
  /** Whether a simulated device stood behind the runs; such runs correct a demo workshop only. */
  isSimulated: boolean;
}
