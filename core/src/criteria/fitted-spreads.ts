/** Written by `npm run fit` from the circuit model (tools/cli/fit.ts); docs/judging.md says how. */
export const FITTED_SPREADS = {
  charge: { sound: [0.92, 0.08], faulty: [0.28, 0.24] },
  health: { sound: [0, 0.11], faulty: [-0.61, 0.2] },
  'gravity-spread': { sound: [0.2, 0.13], faulty: [2.32, 0.66] },
  sag: { sound: [0.5, 0.22], faulty: [1.73, 1.32] },
  'draw-high-typical': { sound: [-0.07, 0.26], faulty: [0.73, 0.26] },
  'draw-high-specified': { sound: [-0.02, 0.09], faulty: [0.76, 0.17] },
  speed: { sound: [0.39, 0.21], faulty: [-0.01, 0.42] },
  motor: { sound: [-0.02, 0.15], faulty: [-0.67, 0.28] },
  control: { sound: [0.97, 0.05], faulty: [0.13, 0.16] },
  'charging-over': { sound: [-0.67, 0.38], faulty: [1.18, 0.64] },
  ripple: { sound: [-1.2, 0.75], faulty: [1.18, 0.4] },
  excitation: { sound: [0.98, 0.05], faulty: [0.19, 0.2] },
  drain: { sound: [-0.54, 0.67], faulty: [2.72, 1.09] },
} as const;
