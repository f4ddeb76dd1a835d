import { message } from '../messages';
import { isFromModule } from '../scan-tool';
import { ofFigure } from './void-rule';
import type { VoidRule } from './void-rule';

/**
 * Volts of a scan tool that nobody compared with the post, and under their limit: wires between lose volts and add none, so
 * only what is too low may be the wires' and not the battery's.
 */
export const notCompared: VoidRule = ofFigure((reading, _context, compared) => {
  if (!isFromModule(reading) || reading.conditions?.offsetVolts !== undefined) return null;
  const comparison = compared();
  return comparison?.grade === 'outside' && reading.value < comparison.resolved.min
    ? message('module-not-compared', {})
    : null;
});
