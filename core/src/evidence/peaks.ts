/** Peaks: what a recorder caught of a moment that no display shows. */
import type { Reading } from '../format/reading-shape';
import { message } from './messages';
import type { Message } from '../format/message';

const OF_A_MOMENT: readonly string[] = ['min-max', 'fast-peak', 'scope'];

/** True for a figure that is the extreme of a moment: of amps and of drops it belongs to the inrush. */
export const isPeak = ({ conditions }: Reading): boolean => OF_A_MOMENT.includes(conditions?.method ?? 'watched');

const OF_THE_INRUSH: readonly string[] = ['fast-peak', 'scope'];

/** True for a peak by an instrument that is quick enough for the inrush; a min/max recorder holds a part of it only. */
export const isInrush = ({ conditions }: Reading): boolean => OF_THE_INRUSH.includes(conditions?.method ?? 'watched');

/** Why a peak is kept as what it is and compared with no limit of steady current. */
export const peakNoted = (reading: Reading): Message | null => (isPeak(reading) ? message('peak', { reading }) : null);
