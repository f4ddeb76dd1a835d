/**
 * Argon2 as the server tests use it: with next to no memory and one pass, since what they look at is who may come in and
 * how often somebody may try, not how long a guess takes. What the application asks for is held by secrets.test.ts.
 */
const argon2 = require('../../node_modules/argon2/argon2.cjs');

const QUICK = { memoryCost: 64, timeCost: 1 };

module.exports = { ...argon2, hash: (secret, options) => argon2.hash(secret, { ...options, ...QUICK }) };
