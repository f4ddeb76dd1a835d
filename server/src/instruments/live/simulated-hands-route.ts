import type { Handlers } from '../../platform/http/handlers';
import type { SimulatedHands } from '@tetrad/contracts';
import type { SimulatedVehicleView } from '@tetrad/contracts';
import { instrumentAddress } from '@tetrad/core';
import type { InstrumentAddress } from '@tetrad/core';
import type { StandIns } from '../stand-ins/stand-in-addresses';
import { Refusal, notFound, problem } from '../../platform/http/problem';
import { LineSocket } from './line-socket';

const PATIENCE_MS = 2000;

/** Hands on the simulated vehicle that ships with the demo. */
export function simulatedHandsRoute(standIns: StandIns): Handlers<'moveSimulatedVehicle'> {
  const vehicle = instrumentAddress(standIns.vehicle ?? '');

  return {
    moveSimulatedVehicle: async (_request, response, { body }) => {
      if (vehicle === null) throw notFound('simulated vehicle', 'of this server');
      const hands = body;
      response.json(await tell(vehicle, linesOf(hands)));
    },
  };
}

const bit = (value: boolean): string => (value ? '1' : '0');
function linesOf({
  at,
  key,
  hasFuel,
  throttle,
  loads,
  isLoadTested,
  isCharged,
  fault,
  severity,
  seed,
}: SimulatedHands): readonly string[] {
  return [
    ...(fault === undefined ? [] : [`SIM:FAUL ${fault}`]),
    ...(severity === undefined ? [] : [`SIM:SEV ${severity}`]),
    ...(seed === undefined ? [] : [`SIM:SEED ${seed}`]),
    ...(at === undefined ? [] : [`SIM:AT ${at}`]),
    ...(hasFuel === undefined ? [] : [`SIM:FUEL ${bit(hasFuel)}`]),
    ...(throttle === undefined ? [] : [`SIM:THR ${throttle}`]),
    ...(loads === undefined ? [] : [`SIM:LOAD ${loads}`]),
    ...(isLoadTested === undefined ? [] : [`SIM:TEST ${bit(isLoadTested)}`]),
    ...(isCharged ? ['SIM:CHAR'] : []),
    ...(key === undefined ? [] : [`SIM:KEY ${key}`]),
  ];
}

/** Says it, and asks how the vehicle stands then. */
function tell(vehicle: InstrumentAddress, lines: readonly string[]): Promise<SimulatedVehicleView> {
  return new Promise((resolve, reject) => {
    const fail = (): void => {
      clearTimeout(late);
      socket.close();
      reject(new Refusal(problem(503, 'instrument-away', 'The simulated vehicle does not answer.'), 2));
    };
    const late = setTimeout(fail, PATIENCE_MS);
    const socket = new LineSocket(vehicle, {
      onOpen: () => [...lines, 'SIM:STAT?'].forEach((line) => socket.send(line)),
      onLine: (line) => {
        clearTimeout(late);
        socket.close();
        resolve(JSON.parse(line) as SimulatedVehicleView);
      },
      onGarbage: () => undefined,
      onEnd: fail,
    });
  });
}
