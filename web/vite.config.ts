import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

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

export default defineConfig({
  plugins: [react(), styledComponents],
  worker: { format: 'es' },
  build: { outDir: 'dist', sourcemap: false, chunkSizeWarningLimit: 900 },
});
