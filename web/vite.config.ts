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
const heavy =
  /\/core\/src\/(system\/(point|filling)|household\/(simulate|sampled)|choose\/judge|plumbing\/(order|cabinet))/;

/** Refuses a build in which every page would load what reckons, as by a list of words that stands in one file with it. */
const lightFirstLoad: Plugin = {
  name: 'light-first-load',
  generateBundle(_options, bundle) {
    const first = new Set<string>();
    const add = (name: string): void => {
      const chunk = bundle[name];
      if (first.has(name) || chunk?.type !== 'chunk') return;
      first.add(name);
      const reckons = chunk.moduleIds.filter((id) => heavy.test(id));
      if (reckons.length > 0) this.error(`the first load would hold ${reckons.join(', ')}`);
      chunk.imports.forEach(add);
    };
    for (const output of Object.values(bundle)) {
      if (
        output.type === 'chunk' &&
        output.isEntry &&
        /index\.html$/.test(output.facadeModuleId ?? '')
      )
        add(output.fileName);
    }
  },
};

const whole: UserConfig = {
  root: import.meta.dirname,
  plugins: [react()],
  worker: { format: 'es' },
};

export default defineConfig(async ({ command }) => ({
  ...whole,
  plugins: [whole.plugins, styledComponents, lightFirstLoad],
  build: {
    outDir: 'dist',
    sourcemap: false,
    chunkSizeWarningLimit: 900,
    ...(command === 'build' && {
      rolldownOptions: { output: { codeSplitting: await fewFiles(whole) } },
    }),
  },
}));
