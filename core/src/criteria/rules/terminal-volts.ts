import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { scaledZone } from './rule';
import type { Rule } from './rule';

/** Volts of a terminal of the alternator with the key on, by what the terminal is. */
export interface TerminalVolts {
  /** A supply or a sense terminal has the battery's volts, less this at most (12 V). */
  readonly underBattery: number;
  /** A lamp terminal while its lamp is lit (12 V). */
  readonly lampMin: number;
  readonly lampMax: number;
  /** An enable line has at least this share of what its maker says. */
  readonly enableShare: number;
}

const phrases = {
  'terminal-supply': ({ min, resting }: { min: number; resting: number }, voice: Voice) =>
    `at least ${voice.volts(min)} at a supply or sense terminal (the battery has ${voice.volts(resting)})`,
  'terminal-lamp': ({ min, max }: { min: number; max: number }, voice: Voice) =>
    `${voice.volts(min)} to ${voice.volts(max)} at a lamp terminal while the lamp is lit`,
  'terminal-enable': ({ min }: { min: number }, voice: Voice) => `at least ${voice.volts(min)} on an enable line`,
};
const say = sayer(phrases);

/** An enable line whose volts nobody told may be one of 5 V. */
const LEAST_ENABLE_VOLTS = 5;

/** A figure whose terminal nobody told fits one that has the battery's volts, or it says nothing: it is only noted. */
export const terminalVolts: Rule<TerminalVolts> = {
  tests: ['excitation-voltage'],
  fields: {
    underBattery: { name: 'Supply or sense, under the battery at most', unit: 'V', min: 0, max: 6 },
    lampMin: { name: 'Lamp terminal, at least', unit: 'V', min: 0, max: 6 },
    lampMax: { name: 'Lamp terminal, at most', unit: 'V', min: 0, max: 10 },
    enableShare: { name: 'Enable line, at least of its volts', unit: 'share', min: 0, max: 1 },
  },
  zone: (borderline, made, input) => (made.max === undefined ? scaledZone(borderline, made, input) : 0),
  phrases,
  resolve({ underBattery, lampMin, lampMax, enableShare }, value, { conditions, resting, scale }) {
    const { terminal, enableVolts = LEAST_ENABLE_VOLTS } = conditions;
    if (terminal === 'lamp') {
      const [min, max] = [lampMin * scale, lampMax * scale];
      return { min, max, drawn: { min, max }, bound: say('terminal-lamp', { min, max }) };
    }
    if (terminal === 'enable') {
      const min = enableShare * enableVolts;
      return { min, drawn: { min, max: Infinity }, bound: say('terminal-enable', { min }) };
    }
    if (resting === null) return null;
    const min = resting - underBattery * scale;
    if (terminal === undefined && value < min) return null;
    return { min, drawn: { min, max: Infinity }, bound: say('terminal-supply', { min, resting }) };
  },
};
