/** The seed that every property of a run draws by: the default, or PROPERTY_SEED=<number>, or PROPERTY_SEED=random. */
const DEFAULT_SEED = 20_261;
const { PROPERTY_SEED: asked } = process.env;
const seed = asked === 'random' ? Math.trunc(Math.random() * 0x7fff_ffff) : Number(asked ?? DEFAULT_SEED);
if (!Number.isSafeInteger(seed)) throw new Error(`PROPERTY_SEED: a whole number or random, not ${asked}`);
// the workers of the run are given the same one
process.env.PROPERTY_SEED = String(seed);

module.exports = seed;
