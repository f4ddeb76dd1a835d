/** What the two halves of the static diode check share. */
import type { Reading } from '../format/reading-shape';
import { readingsOf } from '../evidence/case-context';
import type { GradedCase } from '../evidence/case-context';
import { causes, fixed } from '../evidence/finding';
import type { Finding } from '../evidence/finding';
import { message } from '../evidence/messages';

/** The meter shows OL: nothing flows this way. */
export const isBlocking = (value: Reading['value']): boolean => value === 'OL';

/** What one direction of the check says of the diodes. */
export function diodeFinding(
  gradedCase: GradedCase,
  test: 'diode-forward' | 'diode-reverse',
  isGood: (value: Reading['value']) => boolean,
): readonly Finding[] {
  const reading = readingsOf(gradedCase, test).findLast(({ value }) => value !== null);
  if (!reading) return [];
  const good = isGood(reading.value);
  return [
    fixed(
      good ? 'diode-good' : 'diode-bad',
      causes('alternator-diode'),
      { reading: reading.id },
      message(good ? 'diode-as-it-should' : 'diode-not-as-it-should', { reading }),
    ),
  ];
}
