/** Packs: the bad battery named, the flat one charged first, a sound pack left alone. */
import { judge, simulatePack } from '@tetrad/core';
import type { PackOptions } from '@tetrad/core';
import { Counts, PER_FAULT, isThawedFirst, percent } from './setting';
import type { Row, Setting } from './setting';

const TROUBLES: readonly PackOptions['trouble'][] = ['worn', 'dead-cell', 'flat', 'none'];

export function packs({ spread, seed }: Setting): { rows: readonly Row[]; misses: Counts } {
  const misses = new Counts();
  const right = { worn: 0, 'dead-cell': 0, flat: 0, none: 0 };
  TROUBLES.forEach((trouble, t) => {
    for (let i = 0; i < PER_FAULT; i++) {
      const pack = simulatePack({ seed: seed + 700_000 + t * 1000 + i, spread, trouble });
      const said = judge(pack.case);
      const { decision } = said;
      const isNamed =
        (decision.action === 'replace' || decision.action === 'charge-first') &&
        decision.because.toLowerCase().includes(`battery ${pack.bad}`) &&
        decision.batteries?.includes(pack.bad!) === true;
      const isRight =
        trouble === 'none'
          ? decision.action !== 'replace' && decision.action !== 'charge-first'
          : isThawedFirst(said) || (isNamed && (decision.action === 'charge-first') === (trouble === 'flat'));
      if (isRight) right[trouble] += 1;
      else misses.add(`${trouble} → ${decision.action} ${decision.fault ?? ''}`);
    }
  });
  return {
    misses,
    rows: [
      [`packs (${PER_FAULT} each): worn battery named`, percent(right.worn, PER_FAULT), '98 %', '–'],
      ['packs: battery with a dead cell named', percent(right['dead-cell'], PER_FAULT), '98 %', '–'],
      ['packs: flat battery charged first, and named', percent(right.flat, PER_FAULT), '98 %', '–'],
      ['packs: sound pack left alone', percent(right.none, PER_FAULT), '–', '–'],
    ],
  };
}
