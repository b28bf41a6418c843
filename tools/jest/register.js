import { register } from 'node:module';

// A worker of the tests reads TypeScript from here on, and tells an error's place in it.
register('./hooks.js', import.meta.url);
process.setSourceMapsEnabled(true);
