import type { CaptureFault } from '../../format/capture-fault';
import { captureFaultWords } from '../../words/en/capture-faults';

/** Thrown by the readers: a file that cannot be read is an outcome for its sender, told whole. */
export class CaptureError extends Error {
  constructor(readonly fault: CaptureFault) {
    super(captureFaultWords(fault));
    this.name = 'CaptureError';
  }
}
