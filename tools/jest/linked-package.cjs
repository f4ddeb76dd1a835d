/**
 * A module of a package as the application is built with it: Angular's linker compiles its components once, where each
 * test file would else compile them anew, and the syntax stays as new as Node understands it.
 */
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const { dirname, resolve } = require('node:path');
const { transformSync } = require('@babel/core');
const { transformSync: toCommonJs } = require('esbuild');
const { createEs2015LinkerPlugin } = require('@angular/compiler-cli/linker/babel');

const { version } = require('@angular/compiler-cli/package.json');
const OURS = readFileSync(__filename);
const FILES = { resolve, dirname, exists: () => false, readFile: (path) => readFileSync(path, 'utf8') };
const SILENT = { level: 3, debug() {}, info() {}, warn() {}, error() {} };

const linked = (source, file) =>
  /ɵɵngDeclare/.test(source)
    ? transformSync(source, {
        filename: file,
        plugins: [createEs2015LinkerPlugin({ fileSystem: FILES, logger: SILENT, linkerJitMode: true })],
        babelrc: false,
        configFile: false,
        compact: false,
      }).code
    : source;

module.exports = {
  getCacheKey: (source, file) =>
    createHash('sha256').update(version).update(OURS).update(file).update(source).digest('hex'),
  process: (source, file) => ({
    code: toCommonJs(linked(source, file), {
      loader: 'js',
      format: 'cjs',
      target: 'node20',
      supported: { 'dynamic-import': false },
      sourcefile: file,
      sourcemap: 'inline',
      sourcesContent: false,
    }).code,
  }),
};
