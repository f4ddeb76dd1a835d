/**
 * Tests in Node's own realm instead of a sandbox: globals are looked up as fast as where the code runs for real, and
 * what a package makes is of the classes that the tests know. Each test file leaves the realm as it found it.
 */
const { AsyncLocalStorage } = require('node:async_hooks');
const vm = require('node:vm');
const { TestEnvironment } = require('jest-environment-node');

/** Jest compiles each module for the context of its environment; this one stands for the realm at hand. */
const HERE = vm.createContext({});
const { compileFunction } = vm;
vm.compileFunction = (source, parameters, { parsingContext, ...options }) =>
  compileFunction(source, parameters, parsingContext === HERE ? options : { ...options, parsingContext });

/** A storage that was ever used costs every promise a little until it is disabled. */
const storages = new Set();
const { run } = AsyncLocalStorage.prototype;
AsyncLocalStorage.prototype.run = function (...words) {
  storages.add(this);
  return run.apply(this, words);
};

module.exports = class extends TestEnvironment {
  #keys = new Set(Reflect.ownKeys(globalThis));
  #env = { ...process.env };

  constructor(config, context) {
    super(config, context);
    this.global = globalThis;
    this.moduleMocker = new this.moduleMocker.constructor(globalThis);
    this.fakeTimersModern = new this.fakeTimersModern.constructor({
      config: config.projectConfig,
      global: globalThis,
    });
  }

  getVmContext() {
    return HERE;
  }

  async teardown() {
    await super.teardown();
    for (const storage of storages) storage.disable();
    storages.clear();
    for (const key of Reflect.ownKeys(globalThis)) if (!this.#keys.has(key)) Reflect.deleteProperty(globalThis, key);
    for (const name of Object.keys(process.env)) if (!(name in this.#env)) delete process.env[name];
    Object.assign(process.env, this.#env);
  }
};
