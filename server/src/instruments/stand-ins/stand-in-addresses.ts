/** Addresses of the simulated instruments that ship with the demo, `tcp://host:port` by name; empty where there are none. */
export type StandIns = Readonly<Partial<Record<'meter' | 'clamp' | 'analyzer' | 'vehicle' | 'recorder', string>>>;

/** Whether an instrument is one of them: hands on its vehicle are offered then. */
export const isStandIn = (standIns: StandIns, address: string | null): boolean =>
  address !== null && Object.values(standIns).includes(address);
