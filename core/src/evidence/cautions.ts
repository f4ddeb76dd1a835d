/** Cautions by name: each is acknowledged once a job, by name and time. Which apply stands with each step. */
export const CAUTIONS = {
  cranking:
    'Stop the fuel, not only the spark. Parking brake on, gearbox in neutral. Crank at most 15 s, then let the starter cool for 60 s.',
  acid: 'Goggles and gloves on, rings and watches off. Ventilate: no sparks or flame near the battery.',
  running:
    'Keep leads and sleeves clear of belts, fans and hot exhaust. Never disconnect a battery with the engine running.',
  disconnect: 'Negative clamp off first and on last; some vehicles need a memory saver or registration.',
  stud: 'The alternator stud is live at all times: use an insulated probe.',
  'by-hand': 'Key out, gearbox in neutral, before you turn the engine by hand.',
} as const;
export type CautionName = keyof typeof CAUTIONS;
export const CAUTION_NAMES = Object.keys(CAUTIONS) as readonly CautionName[];
