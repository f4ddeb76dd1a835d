import { daysStanding } from '../../battery/standing';
import { fuseAmps } from '../../circuit/fuse-ohms';
import { FUSE_FORMS } from '../../format/words';
import type { FuseForm } from '../../format/words';
import { figure, oneOf, result } from '../sum';
import type { Sum } from '../sum';

export const drain: Sum = {
  id: 'drain',
  name: 'Drain to days, and a fuse in place',
  formula: 'days = usable Ah / draw / 24; current of a fuse = mV across it / its resistance',
  note: 'Half of what it holds may go. Pull the fuse with the largest current first, and measure the draw again. A fuse lies within about a fifth of its typical resistance.',
  inputs: [
    figure('draw', 'Draw, asleep', 'mA', [1, 20_000], 120),
    figure('capacity', 'Capacity', 'Ah', [5, 400], 60),
    figure('charge', 'State of charge', '%', [1, 100], 100),
    figure('across', 'Across the fuse', 'mV', [0, 1000], 0.9),
    figure('rated', 'Fuse', 'A', [1, 100], 10),
    oneOf('form', 'Its form', FUSE_FORMS, 'standard'),
  ],
  work: ({ draw, capacity, charge, across, rated }, { form }) => [
    result('Days until it no longer starts', daysStanding(capacity!, charge! / 100, draw! / 1000), 'd', 1),
    result('Through the fuse', fuseAmps(across! / 1000, rated!, form as FuseForm) * 1000, 'mA', 0),
  ],
  picture: { along: 'draw', shows: 0 },
};
