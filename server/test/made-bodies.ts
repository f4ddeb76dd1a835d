/** Bodies of writes that many tests make. */
import { randomUUID } from 'node:crypto';

let plates = 0;
/** A body that opens a job, of a vehicle with a plate of its own. */
export const jobBody = (id: string = randomUUID()) => ({
  id,
  vehicle: { id: randomUUID(), name: 'Test van 1.8 petrol', plate: `TV ${++plates}` },
  system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  complaint: { symptoms: ['slow-crank'] },
});

/** A body that adds a reading. */
export const readingBody = (test: string, value: number | null, more: object = {}) => ({
  reading: { id: randomUUID(), test, value, ...more },
});
