/** What must be so before a reading is taken, as ticks for the hands. */
export const TICKS = {
  'all-off': 'All off, doors shut',
  'on-posts': 'On the posts, not the clamps',
  'fuel-stopped': 'Fuel stopped',
  neutral: 'Neutral, parking brake on',
  'loads-off': 'Loads off',
  'loads-on': 'High beam, blower, demister, wipers on',
  'speed-held': 'Engine held at 1500 to 2500 rpm',
  'clamp-zeroed': 'Clamp zeroed here, jaws closed',
  'all-conductors': 'Around all conductors of the post',
  'tester-tight': 'Tester clamps tight, no smoke',
  'blocks-dc': 'AC range blocks DC',
  'plates-covered': 'Plates covered, cap off',
  isolated: 'Isolated from the other batteries',
  disconnected: 'Battery disconnected, negative first',
  'insulated-probe': 'Insulated probe at the stud',
  'doors-latched': 'Doors latched, key away',
  'key-on': 'Key on, engine off',
  'key-start': 'Key held at start',
} as const;
export type TickName = keyof typeof TICKS;

/** Before every crank that is measured. */
export const BEFORE_CRANKING: readonly TickName[] = ['fuel-stopped', 'neutral', 'loads-off'];
