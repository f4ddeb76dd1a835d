/**
 * One page of jsdom for all test files of a worker, so that packages that are kept (`kept-modules-runtime.cjs`) find the
 * document they were loaded with. Each file leaves it as it found it: empty, silent, and with nothing that waits.
 */
const { TestEnvironment } = require('jest-environment-jsdom');

const BEGINS = {
  setTimeout: 'clearTimeout',
  setInterval: 'clearInterval',
  requestAnimationFrame: 'cancelAnimationFrame',
};

let kept = null;
let heard = null;

module.exports = class extends TestEnvironment {
  #undo = [];
  #own = new Map();

  constructor(config, context) {
    heard = context.console;
    if (kept) return kept;
    super(config, { ...context, console: new Proxy({}, { get: (_, name) => heard[name] }) });
    kept = this;
    this.#rememberListeners();
    this.#rememberTimers();
  }

  /** What packages define while they are loaded stays with them; what tests define does not. */
  handleTestEvent({ name }) {
    if (name !== 'run_start') return;
    this.#own = new Map(Reflect.ownKeys(this.global).map((key) => [key, this.#descriptor(key)]));
  }

  async teardown() {
    this.fakeTimers.dispose();
    this.fakeTimersModern.dispose();
    for (const undo of this.#undo.splice(0)) undo();
    const { document, history, localStorage, sessionStorage } = this.global;
    for (const part of [document.head, document.body]) part.replaceChildren();
    for (const { name } of [...document.documentElement.attributes]) document.documentElement.removeAttribute(name);
    for (const { name } of [...document.body.attributes]) document.body.removeAttribute(name);
    for (const storage of [localStorage, sessionStorage]) storage.clear();
    history.replaceState(null, '', '/');
    this.#restoreGlobals();
  }

  #descriptor(key) {
    return Object.getOwnPropertyDescriptor(this.global, key);
  }

  #restoreGlobals() {
    if (this.#own.size === 0) return; // no test began
    for (const key of Reflect.ownKeys(this.global)) {
      const [was, now] = [this.#own.get(key), this.#descriptor(key)];
      if (!now?.configurable || (was && now.value === was.value && now.get === was.get)) continue;
      if (was) Object.defineProperty(this.global, key, was);
      else Reflect.deleteProperty(this.global, key);
    }
    this.#own.clear();
  }

  #rememberTimers() {
    const page = this.global;
    for (const [begin, end] of Object.entries(BEGINS)) {
      const { [begin]: real, [end]: clear } = page;
      page[begin] = (...words) => {
        const id = real.apply(page, words);
        this.#undo.push(() => clear.call(page, id));
        return id;
      };
    }
  }

  #rememberListeners() {
    const { prototype } = this.global.EventTarget;
    const { addEventListener: real } = prototype;
    const undo = this.#undo;
    const lasting = [this.global, this.global.document];
    prototype.addEventListener = function (...words) {
      if (lasting.includes(this)) undo.push(() => this.removeEventListener(words[0], words[1], words[2]));
      return real.apply(this, words);
    };
  }
};
