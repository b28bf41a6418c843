import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin, type UserConfig } from 'vite';
import { fewFiles } from './build/fewFiles.ts';

/** Refuses a build in which a component of Mantine is used whose styles `mantine.css` does not hold. */
const styledComponents: Plugin = {
  name: 'styled-components',
  generateBundle(_options, bundle) {
    const held = readFileSync(join(import.meta.dirname, 'src/app/mantine.css'), 'utf8');
    const used = Object.values(bundle)
      .flatMap((output) => (output.type === 'chunk' ? Object.keys(output.modules) : []))
      .flatMap((id) => /@mantine\/core\/.*\/(\w+)\.module\.mjs$/.exec(id)?.[1] ?? []);
    const missing = used.filter((name) => !held.includes(`/${name}.css'`));
    if (missing.length > 0) this.error(`mantine.css lacks the styles of ${missing.join(', ')}`);
  },
};

/** What reckons a system: no page needs it before its own part of the work is opened. */
const reckons =
  /\/core\/src\/(system\/(point|filling)|household\/(simulate|sampled)|choose\/judge|plumbing\/(order|cabinet))/;
/** What holds a value to a schema: no page waits for it that shows what this build's own server answers. */
const checks = /\/zod\//;

/** What must not be waited for, by who waits. */
const light = [
  { page: /\/web\/index\.html$|\/app\/draw\.tsx$/, without: [reckons, checks] },
  { page: /\/(SignIn|Board|Jobs|Job)Page\.tsx$/, without: [checks] },
  { page: /\/(Survey|Size|Plumb|Flush|Verify|Keep)Stage\.tsx$/, without: [checks] },
];

/** Refuses a build in which a page would wait for what it does not need, as by a list of words that stands in one file with it. */
const lightLoads: Plugin = {
  name: 'light-loads',
  generateBundle(_options, bundle) {
    const loadedWith = (name: string, seen = new Set<string>()): Set<string> => {
      const chunk = bundle[name];
      if (seen.has(name) || chunk?.type !== 'chunk') return seen;
      seen.add(name);
      for (const each of chunk.imports) loadedWith(each, seen);
      return seen;
    };
    for (const output of Object.values(bundle)) {
      const facade = (output.type === 'chunk' && output.facadeModuleId) || '';
      const without = light.filter(({ page }) => page.test(facade)).flatMap((each) => each.without);
      for (const name of without.length > 0 ? loadedWith(output.fileName) : []) {
        const ids = bundle[name]?.type === 'chunk' ? bundle[name].moduleIds : [];
        const heavy = ids.find((id) => without.some((each) => each.test(id)));
        if (heavy) this.error(`${facade} would wait for ${heavy}`);
      }
    }
  },
};

/** Has a browser fetch what draws while it still reads what asks. */
const drawingAhead: Plugin = {
  name: 'drawing-ahead',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle = {} }) =>
      Object.values(bundle)
        .filter(({ name }) => name === 'drawing')
        .map(({ fileName }) => ({
          tag: 'link',
          attrs: { rel: 'modulepreload', crossorigin: true, href: `/${fileName}` },
          injectTo: 'head',
        })),
  },
};

const whole: UserConfig = {
  root: import.meta.dirname,
  plugins: [react()],
  worker: { format: 'es' },
};

export default defineConfig(async ({ command }) => ({
  ...whole,
  plugins: [whole.plugins, styledComponents, lightLoads, drawingAhead],
  build: {
    outDir: 'dist',
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    ...(command === 'build' && {
      rolldownOptions: { output: { codeSplitting: await fewFiles(whole) } },
    }),
  },
}));
