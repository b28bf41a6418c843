import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { cruise, type ICruiseResult } from 'dependency-cruiser';
import config from '../../.dependency-cruiser.mjs';

const root = join(import.meta.dirname, '../..');
const scratch: string[] = [];
afterAll(() => scratch.forEach((folder) => rmSync(folder, { recursive: true, force: true })));

/** Names of the rules that a small tree of files breaks, held to the project's own configuration. */
async function broken(files: Record<string, string>): Promise<string[]> {
  const base = mkdtempSync(join(tmpdir(), 'boundaries-'));
  scratch.push(base);
  symlinkSync(join(root, 'node_modules'), join(base, 'node_modules'));
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(join(base, dirname(name)), { recursive: true });
    writeFileSync(join(base, name), text);
  }
  const { tsConfig: _none, ...options } = config.options ?? {};
  const result = await cruise(Object.keys(files), {
    ...options,
    baseDir: base,
    // The installed packages are linked in.
    preserveSymlinks: true,
    validate: true,
    ruleSet: { forbidden: config.forbidden ?? [] },
  });
  const { violations } = (result.output as ICruiseResult).summary;
  return [...new Set(violations.map(({ rule }) => rule.name))].sort();
}

const from = (path: string) => `import { x } from '${path}';\nexport const y = x;\n`;
const plain = 'export const x = 1;\n';

describe('folders', () => {
  test('that need each other are refused, though no two files do', async () => {
    expect(
      await broken({
        'core/src/water/a.ts': from('../tank/b.ts'),
        'core/src/tank/b.ts': plain,
        'core/src/tank/c.ts': from('../water/d.ts'),
        'core/src/water/d.ts': plain,
      }),
    ).toEqual(['no-folder-circle']);
  });

  test('that need each other through a third are refused', async () => {
    expect(
      await broken({
        'web/src/job/a.ts': from('../ui/b.ts'),
        'web/src/ui/b.ts': plain,
        'web/src/ui/c.ts': from('../data/d.ts'),
        'web/src/data/d.ts': plain,
        'web/src/data/e.ts': from('../job/f.ts'),
        'web/src/job/f.ts': plain,
      }),
    ).toContain('no-folder-circle');
  });

  test('are refused for a type alone', async () => {
    expect(
      await broken({
        'core/src/water/a.ts': "import type { X } from '../tank/b.ts';\nexport type Y = X;\n",
        'core/src/tank/b.ts': 'export type X = 1;\n',
        'core/src/tank/c.ts': "import type { Z } from '../water/d.ts';\nexport type W = Z;\n",
        'core/src/water/d.ts': 'export type Z = 1;\n',
      }),
    ).toContain('no-folder-circle');
  });

  test('that point one way are let be', async () => {
    expect(
      await broken({ 'core/src/water/a.ts': from('../tank/b.ts'), 'core/src/tank/b.ts': plain }),
    ).toEqual([]);
  });
});

describe('packages', () => {
  test.each([
    ['core', 'job', 'core-points-inward'],
    ['job', 'words', 'job-points-inward'],
    ['words', 'papers', 'words-points-inward'],
    ['papers', 'contract', 'papers-points-inward'],
    ['contract', 'words', 'contract-points-inward'],
    ['solve', 'contract', 'solve-points-inward'],
    ['server', 'web', 'server-points-inward'],
    ['web', 'server', 'web-points-inward'],
    ['tools', 'web', 'tools-points-inward'],
  ])('%s may not import %s', async (folder, other, rule) => {
    const found = await broken({
      [`${folder}/src/a.ts`]: from(`../../${other}/src/index.ts`),
      [`${other}/src/index.ts`]: plain,
    });
    expect(found).toEqual([rule]);
  });

  test.each([
    ['job', 'core'],
    ['words', 'job'],
    ['papers', 'words'],
    ['server', 'papers'],
    ['web', 'contract'],
  ])('%s may import the entry of %s, and nothing past it', async (folder, other) => {
    const entry = { [`${other}/src/index.ts`]: plain, [`${other}/src/inner/deep.ts`]: plain };
    expect(
      await broken({ [`${folder}/src/a.ts`]: from(`../../${other}/src/index.ts`), ...entry }),
    ).toEqual([]);
    expect(
      await broken({ [`${folder}/src/a.ts`]: from(`../../${other}/src/inner/deep.ts`), ...entry }),
    ).toEqual(['through-the-entry']);
  });

  test.each([
    ['core', 'node:fs', 'shared-has-no-node'],
    ['core', 'zod', 'core-needs-nothing'],
    ['words', 'react', 'shared-runs-anywhere'],
    ['contract', 'node:crypto', 'shared-has-no-node'],
    ['server', 'react-dom', 'server-shows-nothing'],
    ['web', 'sequelize', 'web-keeps-nothing'],
    ['web', 'node:path', 'shared-has-no-node'],
  ])('%s may not import %s', async (folder, name, rule) => {
    expect(await broken({ [`${folder}/src/a.ts`]: from(name) })).toContain(rule);
  });
});
