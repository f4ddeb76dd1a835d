/** Packages of the registry are loaded once for a worker, by Node itself, not anew for every test file. */
const { createRequire, isBuiltin } = require('node:module');
const { default: Runtime } = require('jest-runtime');

module.exports = class extends Runtime {
  #mapped;

  constructor(config, ...rest) {
    super(config, ...rest);
    this.#mapped = config.moduleNameMapper.map(([pattern]) => new RegExp(pattern));
  }

  requireModuleOrMock(from, name) {
    const isPackage =
      /^[^./]/.test(name) &&
      !isBuiltin(name) &&
      !name.startsWith('@jest/') &&
      !this.#mapped.some((pattern) => pattern.test(name));
    return isPackage ? createRequire(from)(name) : super.requireModuleOrMock(from, name);
  }
};
