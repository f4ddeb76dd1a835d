/** What is special about a visit beside its faults: what comes in, and what is wrong with the instruments. */
import type { VehicleKind } from '../simulation';

/** The usual vices of instruments: each can be found before the vehicle is measured. */
export interface InstrumentFaults {
  /** A clamp that was not zeroed, A. */
  readonly clampOffAmps?: number;
  /** A small clamp shows no more than this, A. */
  readonly clampMostAmps?: number;
  /** Its scale is set wrongly: it shows so many times what flows. */
  readonly clampFactor?: number;
  /** A lead is broken inside, and makes contact now and then. */
  readonly hasBrokenLead?: boolean;
  /** The AC range does not block DC. */
  readonly acSeesDc?: boolean;
}

export interface Setting {
  readonly kind?: VehicleKind;
  /** It was driven in, or comes from the charger: a charge is still on the plates. */
  readonly isJustCharged?: boolean;
  /** The label was copied wrongly. */
  readonly isLabelMisread?: boolean;
  readonly instruments?: InstrumentFaults;
}
