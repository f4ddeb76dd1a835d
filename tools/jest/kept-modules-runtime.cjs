/**
 * Packages, and the core, are loaded once for a worker, in the page that its test files share, not anew for every test
 * file: only the client is.
 */
const { join } = require('node:path');
const { default: Runtime } = require('jest-runtime');

/** Every module that is kept, by its path, as the first test file that loaded it left it. */
const KEPT = new Map();

module.exports = class extends Runtime {
  #client;

  constructor(config, ...rest) {
    super(config, ...rest);
    this.#client = join(config.rootDir, 'client/');
    for (const [path, module] of KEPT) this.registries.moduleRegistry.set(path, module);
  }

  teardown() {
    const { moduleRegistry: loaded, mockRegistry } = this.registries;
    // what a file loads anew, or beside a mock, knows other modules than those that are kept
    const isOfOnePiece = mockRegistry.size === 0 && [...KEPT].every(([path, module]) => loaded.get(path) === module);
    if (isOfOnePiece)
      for (const [path, module] of loaded) if (module.loaded && !path.startsWith(this.#client)) KEPT.set(path, module);
    super.teardown();
  }
};
