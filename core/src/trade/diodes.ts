/** What the two halves of the static diode check share. */
import type { Reading } from '../format/case-shape';
import { readingsOf } from '../judge/situation';
import type { Situation } from '../judge/situation';
import { causes, fixed } from '../judge/weigh/finding';
import type { Finding } from '../judge/weigh/finding';

/** The meter shows OL: nothing flows this way. */
export const isBlocking = (value: Reading['value']): boolean => value === 'OL';

/** What one direction of the check says of the diodes. */
export function diodeFinding(
  situation: Situation,
  test: 'diode-forward' | 'diode-reverse',
  isGood: (value: Reading['value']) => boolean,
): readonly Finding[] {
  const reading = readingsOf(situation, test).findLast(({ value }) => value !== null);
  if (!reading) return [];
  const good = isGood(reading.value);
  return [
    fixed(
      good ? 'diode-good' : 'diode-bad',
      causes('alternator-diode'),
      { reading: reading.id },
      {
        code: good ? 'diode-as-it-should' : 'diode-not-as-it-should',
        with: { reading },
      },
    ),
  ];
}
