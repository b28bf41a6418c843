import swc from '@swc/jest';

const transformer = swc.createTransformer({
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', tsx: true },
    transform: { react: { runtime: 'automatic' } },
    // Node tells by `with { type: 'json' }` what it may read as data.
    experimental: { keepImportAttributes: true },
  },
  module: { type: 'es6' },
  sourceMaps: 'inline',
});

/**
 * Jest runs modules in a sandbox where every look at a global is a call, which makes `Math.exp` in the core's loops fifty times
 * as slow as it is. A constant of the module takes the look once. It goes on the first line, so that line numbers stay.
 */
const quickGlobals = 'const { Math, Number } = globalThis; ';

const withQuickGlobals = ({ code, ...rest }) => ({ ...rest, code: quickGlobals + code });

export default {
  ...transformer,
  process: (...given) => withQuickGlobals(transformer.process(...given)),
  processAsync: async (...given) => withQuickGlobals(await transformer.processAsync(...given)),
  getCacheKey: (...given) => `${transformer.getCacheKey(...given)}-quick-globals`,
};
