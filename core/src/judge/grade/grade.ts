/** Third stage: a grade for every reading that is not void. */
import { noteOf } from '../../criteria/limit-notes';
import type { Assessment } from '../../evidence/assessment';
import type { CaseContext, GradedCase } from '../../evidence/case-context';
import { compareWithLimits, isTooClose } from '../../evidence/compare-with-limits';
import type { Comparison } from '../../evidence/compare-with-limits';
import { isFromModule } from '../../evidence/scan-tool';
import { asOwnBattery } from '../../evidence/own-battery';
import type { Reading } from '../../format/reading-shape';
import type { Message } from '../../format/message';
import { TESTS } from '../../trade/tables';
import { message } from '../messages';

/** @param context One pass, its void readings left out. */
export function gradeCase(context: CaseContext): GradedCase {
  const grades = new Map<string, Assessment>();
  for (const reading of context.readings) grades.set(reading.id, grade(reading, context));
  return { ...context, grades };
}

function grade(reading: Reading, whole: CaseContext): Assessment {
  const { id, test } = reading;
  const noted = (because: Message): Assessment => ({ id, reading, grade: 'noted', because, resolved: null });
  if (reading.value === null) return noted(message('not-possible', { test, reason: reading.notPossible ?? 'other' }));
  const context = asOwnBattery(whole, reading.battery);
  const row = TESTS[test];
  const found = compareWithLimits(reading, row, context);
  if (!found) return noted(row.noted?.(reading, context) ?? message('no-limit', { reading }));
  return { id, reading, grade: found.grade, because: whyOf(found, reading, context), resolved: found.resolved };
}

function whyOf({ resolved, grade: found }: Comparison, reading: Reading, context: CaseContext): Message {
  const { test, value } = reading;
  const amps = reading.conditions?.amps;
  const atModule = isFromModule(reading) && reading.conditions?.offsetVolts !== undefined && typeof value === 'number';
  const figures = {
    test,
    value,
    bound: resolved.bound,
    amps,
    ...(atModule && { module: value - reading.conditions.offsetVolts }),
  };
  if (found === 'within') return TESTS[test].remark?.(reading, context) ?? message('within-limit', figures);
  if (found === 'near')
    return isTooClose(resolved, reading.uncertainty)
      ? message('too-close', { ...figures, uncertainty: reading.uncertainty })
      : (resolved.near ?? message('borderline', figures));
  const { limit } = resolved;
  const told = limit ? { ...figures, note: noteOf(limit, TESTS[test].scales ? context.scale : 1) } : figures;
  return message(isBelow(resolved, value) ? 'below-limit' : 'above-limit', told);
}

/** The side on which a reading is outside, in its own unit: a loss that is too large is volts that are too low. */
function isBelow({ value, min, drawn }: Comparison['resolved'], read: Reading['value']): boolean {
  return drawn && typeof read === 'number' ? read < drawn.min : value < min;
}
