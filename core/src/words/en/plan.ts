import type { Decision } from '../../format/judgement-shape';
import type { EngineState } from '../../format/words';

const ENGINE_WORDS: Readonly<Record<EngineState, string>> = {
  off: 'engine off',
  cranking: 'cranking',
  running: 'running',
  loaded: 'running with loads on',
  asleep: 'asleep',
};

/** What is left to read, by what the engine does: “Cranking: 4 readings, then running: 3”; empty where nothing is planned. */
export function planWords({ plan = [] }: Decision): string {
  const visits = plan.map(({ engine, steps }, place) => {
    const count = place === 0 ? `${steps} ${steps === 1 ? 'step' : 'steps'}` : String(steps);
    return `${ENGINE_WORDS[engine]}: ${count}`;
  });
  const line = visits.join(', then ');
  return line.charAt(0).toUpperCase() + line.slice(1);
}
