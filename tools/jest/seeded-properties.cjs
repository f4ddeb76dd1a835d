/**
 * Property tests draw the same examples in every run, so that a run tells of the change and not of the draw. No file pins a
 * seed of its own: others are drawn for all of them with PROPERTY_SEED=<number>, or PROPERTY_SEED=random (npm run
 * test:properties). The seed is printed once a run, and by each failure.
 */
const fc = require('../../node_modules/fast-check/lib/cjs/fast-check.js');
const seed = require('./property-seed.cjs');

fc.configureGlobal({ ...fc.readConfigureGlobal(), seed });

module.exports = fc;
