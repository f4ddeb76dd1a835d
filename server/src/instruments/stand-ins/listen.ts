import type { SimulatedYard } from './simulated-yard';
import { analyzer, clamp, meter, recorder, vehicleData } from './stand-ins';

/**
 * Serves all instruments of a yard on loopback.
 *
 * @param first The first of their ports, where they are free; 0 for any.
 * @returns the address of each, by its name.
 */
export async function listenStandIns(yard: SimulatedYard, first: number): Promise<Readonly<Record<string, string>>> {
  const servers = {
    meter: meter(yard),
    clamp: clamp(yard),
    analyzer: analyzer(yard),
    vehicle: vehicleData(yard),
    recorder: recorder(yard),
  };
  const addresses: Record<string, string> = {};
  for (const [place, [name, server]] of Object.entries(servers).entries()) {
    const wanted = first === 0 ? 0 : first + place;
    const port = await server.listen(wanted).catch(() => server.listen(0));
    addresses[name] = `tcp://127.0.0.1:${port}`;
  }
  return addresses;
}
