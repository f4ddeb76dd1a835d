/** The instruments of the bay: a meter with its ranges and its recorder, and a clamp, each with its usual vices. */
import type { ObservationName } from '../format/names';
import { MinMaxRecorder, SlowMeter, voltDigit } from '../simulation';
import type { MeterRange, Random } from '../simulation';
import type { InstrumentFaults } from './setting';

/** Ranges of DC volts, V; null for automatic. */
export const VOLT_RANGES = [null, 0.6, 6, 60] as const;
export type VoltRange = (typeof VOLT_RANGES)[number];

/** Over range for either, V or A. */
const MOST = 2000;
/** Steps of the last digit in a range that was chosen. */
const COUNTS = 6000;
/** A clamp for starters shows so much, A. */
const LARGE_CLAMP_AMPS = 1500;
/** A good zero, A. */
const ZEROED_AMPS = 1;
/** How often a broken lead makes no good contact when the meter looks. */
const LOOSE_SHARE = 0.4;

const voltRange = (most: VoltRange): MeterRange => ({
  most: most ?? MOST,
  digitOf: most === null ? voltDigit : () => most / COUNTS,
  noiseOf: (size, digit) => size * 0.0003 + digit / 2,
});
/** A clamp that has a fine range for what flows while a vehicle sleeps. */
const AMPS: MeterRange = {
  most: MOST,
  digitOf: (amps) => (Math.abs(amps) < 2 ? 0.001 : 0.1),
  noiseOf: (size, digit) => size * 0.003 + digit / 2,
};

/** Whether it is the volts or the amps that the recorder keeps. */
export type Recorded = 'volts' | 'amps';

export class BayInstruments {
  readonly #volts: SlowMeter;
  readonly #amps: SlowMeter;
  readonly #recorder = new MinMaxRecorder();
  #recorded: Recorded | null = null;
  #faults: InstrumentFaults;
  #inJaws = 0;

  constructor(
    faults: InstrumentFaults,
    private readonly random: Random,
  ) {
    this.#faults = faults;
    this.#volts = new SlowMeter(voltRange(null), random);
    this.#amps = new SlowMeter(AMPS, random);
  }

  /** What is still wrong with them; set where a visit goes on. */
  get faults(): InstrumentFaults {
    return this.#faults;
  }
  set faults(faults: InstrumentFaults) {
    this.#faults = faults;
  }
  get volts(): SlowMeter {
    return this.#volts;
  }
  get amps(): SlowMeter {
    return this.#amps;
  }
  /** Lowest, highest and mean while the recorder is on; null while it is off. */
  get kept() {
    return this.#recorded === null ? null : this.#recorder.kept;
  }

  /** Leads were moved, or a range was chosen: the meter begins anew. */
  begin(volts: number, amps: number, range: VoltRange): void {
    this.#inJaws = amps;
    this.#volts.begin(this.#throughLeads(volts), voltRange(range));
    this.#amps.begin(this.#asClamped(amps));
  }
  follow(volts: number, amps: number, stepS: number): void {
    this.#inJaws = amps;
    this.#volts.follow(this.#throughLeads(volts), stepS);
    this.#amps.follow(this.#asClamped(amps), stepS);
    if (this.#recorded !== null)
      this.#recorder.keep(this.#recorded === 'volts' ? this.#volts.followed : this.#amps.followed);
  }
  /** What an AC range shows at these DC volts. */
  acOf(ripple: number, dcVolts: number): number {
    return this.#faults.acSeesDc === true ? Math.abs(dcVolts) * 2 + ripple : ripple;
  }

  /** Switches the recorder on, which clears it, or off. */
  record(what: Recorded | null): void {
    this.#recorded = what;
    this.#recorder.clear();
  }
  /** What flows in the jaws becomes its zero: with a current in them that is a new mistake. */
  zeroClamp(): void {
    this.#faults = { ...this.#faults, clampOffAmps: -this.#inJaws };
  }
  changeLeads(): void {
    this.#faults = { ...this.#faults, hasBrokenLead: false };
  }
  /** A clamp for starters, its scale as it is printed on it. */
  takeLargeClamp(): void {
    this.#faults = { ...this.#faults, clampMostAmps: LARGE_CLAMP_AMPS, clampFactor: 1 };
  }
  /** A meter whose AC range blocks DC. */
  takeOtherMeter(): void {
    this.#faults = { ...this.#faults, acSeesDc: false };
  }

  /** What is found when an instrument is looked at; undefined for what is not about one. */
  finding(about: ObservationName): string | undefined {
    const { hasBrokenLead = false, clampOffAmps = 0, acSeesDc = false } = this.#faults;
    if (about === 'meter-leads') return hasBrokenLead ? 'jumping' : 'steady';
    if (about === 'clamp-zero') return Math.abs(clampOffAmps) > ZEROED_AMPS ? 'drifts' : 'zeroed';
    if (about === 'meter-ac') return acSeesDc ? 'passes-dc' : 'blocks-dc';
    return undefined;
  }

  #throughLeads(volts: number): number {
    const isLoose = this.#faults.hasBrokenLead === true && this.random.chance(LOOSE_SHARE);
    return isLoose ? volts * this.random.between(0, 1) : volts;
  }
  #asClamped(amps: number): number {
    const { clampFactor = 1, clampOffAmps = 0, clampMostAmps = LARGE_CLAMP_AMPS } = this.#faults;
    return Math.max(-clampMostAmps, Math.min(clampMostAmps, amps * clampFactor + clampOffAmps));
  }
}
