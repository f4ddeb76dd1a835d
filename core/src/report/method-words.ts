import type { Reading } from '../case/case-shape';
import { CONDITIONS } from '../case/vocabulary';
import type { ConditionName } from '../case/vocabulary';

/** How a reading was taken, in few words: its conditions, battery, instrument and who took it. */
export function methodWords({ conditions = {}, battery, instrument, by }: Reading): string {
  const held = Object.entries(conditions).map(([name, value]) => {
    const row = CONDITIONS[name as ConditionName];
    if (row === undefined) return '';
    if (row.type === 'flag') return value === true ? row.name.toLowerCase() : `not ${row.name.toLowerCase()}`;
    const unit = row.type === 'number' && row.unit !== '' ? ` ${row.unit}` : '';
    return `${row.name.toLowerCase()} ${String(value)}${unit}`;
  });
  return [...(battery === undefined ? [] : [`battery ${battery}`]), ...held, instrument ?? '', by ? `by ${by}` : '']
    .filter(Boolean)
    .join(', ');
}
