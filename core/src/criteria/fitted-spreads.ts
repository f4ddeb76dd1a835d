/** Written by `npm run fit` from the circuit model (tools/cli/fit.ts); docs/judging.md says how. */
export const FITTED_SPREADS = {
  charge: { sound: [0.92, 0.08], faulty: [0.29, 0.24] },
  health: { sound: [0.01, 0.13], faulty: [-0.6, 0.22] },
  'gravity-spread': { sound: [0.2, 0.12], faulty: [2.18, 0.79] },
  sag: { sound: [0.47, 0.23], faulty: [1.71, 1.29] },
  'draw-high-typical': { sound: [-0.08, 0.26], faulty: [0.71, 0.28] },
  'draw-high-specified': { sound: [-0.02, 0.1], faulty: [0.73, 0.17] },
  speed: { sound: [0.39, 0.23], faulty: [-0.01, 0.42] },
  motor: { sound: [-0.02, 0.23], faulty: [-0.66, 0.37] },
  control: { sound: [0.97, 0.05], faulty: [0.12, 0.16] },
  'charging-over': { sound: [-0.67, 0.42], faulty: [1.17, 0.66] },
  ripple: { sound: [-1.19, 0.78], faulty: [1.22, 0.44] },
  excitation: { sound: [0.98, 0.05], faulty: [0.2, 0.22] },
  drain: { sound: [-0.54, 0.67], faulty: [2.71, 1.11] },
} as const;
