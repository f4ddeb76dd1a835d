import type { Capture } from '../../format/capture-format';
import type { Recording } from '../recording';
import { analyzeCapture } from './analyze-capture';
import type { AnalysisOptions } from './capture-analysis';
import { toCapture } from './to-capture';

/**
 * What a recording shows, as `tetrad-capture/1`.
 *
 * @throws CaptureError where no channel can be the battery's volts.
 */
export const analyzeRecording = (recording: Recording, options: AnalysisOptions = {}): Capture =>
  toCapture(analyzeCapture(recording, options));
