import { Injectable, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { InstrumentView } from '@tetrad/contracts';
import { INSTRUMENT_FUNCTIONS, KIND_FUNCTIONS, OBSERVATION_NAMES, TESTS, functionOf } from '@tetrad/core';
import type { InstrumentFunction, Observation, ObservationName, Reading, TestName, TestUnit } from '@tetrad/core';
import type { JobStore } from '../job/job.store';
import { Chosen } from './chosen';
import { selectInstruments } from './instruments.feature';
import { isToday } from './is-today';
import { SerialPorts } from './serial/serial-ports';

/** What a reading is taken with: the shop's instrument that was chosen for its unit on this device. */
@Injectable({ providedIn: 'root' })
export class ReadWith {
  readonly #chosen = inject(Chosen);
  readonly #serial = inject(SerialPorts);
  readonly #instruments = inject(Store).selectSignal(selectInstruments);
  readonly #byId = computed(() => new Map(this.#instruments().map((one) => [one.id, one])));

  /** The instrument chosen for a unit, or null. */
  forUnit(unit: TestUnit): InstrumentView | null {
    return this.#byId().get(this.#chosen.of(unit) ?? '') ?? null;
  }

  /** What is stored with a reading in this unit. */
  of(unit: TestUnit): Pick<Reading, 'instrument' | 'uncertainty'> {
    const instrument = this.forUnit(unit);
    if (!instrument) return {};
    const uncertainty = instrument.uncertainty[unit];
    return { instrument: instrument.name, ...(uncertainty !== undefined && { uncertainty }) };
  }

  /**
   * The instrument that reads a test live, and what it is asked for: the one chosen for its unit, else the first of the
   * shop that can; null where none can.
   */
  live(test: TestName): { readonly instrument: InstrumentView; readonly use: InstrumentFunction } | null {
    const { unit } = TESTS[test];
    const use = functionOf(test, unit);
    if (use === null) return null;
    const instrument = this.reads(use, unit);
    return instrument && { instrument, use };
  }

  /**
   * The instrument that reads a function live: the one chosen for the unit where it can, else the first that can; null
   * where one is chosen that is read by eye.
   */
  reads(use: InstrumentFunction, unit: TestUnit = INSTRUMENT_FUNCTIONS[use].unit): InstrumentView | null {
    const chosen = this.forUnit(unit);
    const isOfUse = chosen !== null && KIND_FUNCTIONS[chosen.kind].includes(use);
    if (isOfUse) return this.#isReachable(chosen) ? chosen : null;
    const can = (one: InstrumentView): boolean => this.#isReachable(one) && KIND_FUNCTIONS[one.kind].includes(use);
    return this.#instruments().find(can) ?? null;
  }

  /** Over the server, or at a serial port of this computer. */
  #isReachable({ id, address }: InstrumentView): boolean {
    return address !== null || this.#serial.of(id) !== null;
  }

  /** Today's check of an instrument goes with the readings it takes: once a job, as what was seen. */
  tell(name: string | undefined, job: JobStore): void {
    const check = this.#instruments().find((one) => one.name === name)?.check;
    if (!check || !isToday(check.at)) return;
    const known = job.view()?.case.observations ?? [];
    for (const [about, finding] of Object.entries(check.findings)) {
      if (!isObservation(about) || known.some((one: Observation) => one.about === about)) continue;
      job.observe(about, finding);
    }
  }
}

const isObservation = (name: string): name is ObservationName => OBSERVATION_NAMES.some((known) => known === name);
