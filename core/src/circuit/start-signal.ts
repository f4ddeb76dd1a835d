/** The way of the start signal from the battery to the solenoid’s control terminal: any piece of it that is open keeps the starter silent. */
export const SIGNAL_PIECES = {
  'relay-fuse': 'fuse of the start relay',
  'start-relay': 'start relay',
  'neutral-switch': 'neutral or clutch switch',
  'ignition-switch': 'ignition switch or its feed',
  'switch-wire': 'wire between the switches and the relay’s coil',
  'relay-wire': 'wire from the start relay to the solenoid',
} as const;

export type SignalPiece = keyof typeof SIGNAL_PIECES;

export const SIGNAL_PIECE_NAMES = Object.keys(SIGNAL_PIECES) as readonly SignalPiece[];

/** True where volts come as far as the named place with the key at start. @param open The piece that is open; null where none is. */
export const SIGNAL_ARRIVES = {
  /** At the relay’s output to the solenoid. */
  output: (open) => open === null || open === 'relay-wire',
  /** At the relay’s own feed, which the switches have nothing to do with. */
  feed: (open) => open !== 'relay-fuse',
  /** Across the relay’s coil. */
  coil: (open) => open === null || open === 'relay-wire' || open === 'start-relay' || open === 'relay-fuse',
  /** Into the neutral or clutch switch. */
  switchIn: (open) => open !== 'ignition-switch',
  /** Out of the neutral or clutch switch. */
  switchOut: (open) => open !== 'ignition-switch' && open !== 'neutral-switch',
} as const satisfies Record<string, (open: SignalPiece | null) => boolean>;
