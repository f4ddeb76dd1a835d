/**
 * Property tests draw the same examples in every run, so that a run tells of the change and not of the draw. No file pins a
 * seed of its own: others are drawn for all of them with PROPERTY_SEED=<number>, or PROPERTY_SEED=random (npm run
 * test:properties). The seed is printed once a run where it is another, and by each failure.
 */
const fc = require('../../node_modules/fast-check/lib/cjs/fast-check.js');

const DEFAULT_SEED = 20_261;
const { PROPERTY_SEED: asked } = process.env;
const seed = asked === 'random' ? Math.trunc(Math.random() * 0x7fff_ffff) : Number(asked ?? DEFAULT_SEED);
if (!Number.isSafeInteger(seed)) throw new Error(`PROPERTY_SEED: a whole number or random, not ${asked}`);
fc.configureGlobal({ ...fc.readConfigureGlobal(), seed });

module.exports = fc;
