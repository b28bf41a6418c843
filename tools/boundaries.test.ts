import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { ESLint } from 'eslint';
import { forbiddenImports } from '../eslint.config.js';

const root = join(import.meta.dirname, '..');
const eslint = new ESLint({ cwd: root });

/** The boundary rule alone, on text that stands for a file of a package. */
async function complaints(folder: string, text: string): Promise<string[]> {
  const config = (await eslint.calculateConfigForFile(join(root, folder, 'src/index.ts'))) as {
    rules: Record<string, unknown>;
  };
  const only = new ESLint({
    cwd: root,
    overrideConfigFile: true,
    overrideConfig: {
      files: ['**/*.ts'],
      rules: { 'no-restricted-imports': config.rules['no-restricted-imports'] as never },
    },
  });
  const [result] = await only.lintText(text, { filePath: join(root, folder, 'src/index.ts') });
  return result!.messages.map((message) => message.message);
}

describe('arrows point inward', () => {
  test.each([
    ['core', '@katharos/contract'],
    ['core', 'node:fs'],
    ['core', 'react'],
    ['core', 'zod'],
    ['contract', '@katharos/server'],
    ['contract', 'react'],
    ['contract', 'node:crypto'],
    ['solve', '@katharos/web'],
    ['server', '@katharos/web'],
    ['server', 'react-dom'],
    ['web', '@katharos/server'],
    ['web', 'sequelize'],
    ['server', '@katharos/core/src/water/waterDensity.ts'],
    ['web', '../../core/src/index.ts'],
  ])('%s may not import %s', async (folder, name) => {
    expect(await complaints(folder, `import x from '${name}';\nexport default x;\n`)).toHaveLength(
      1,
    );
  });

  test.each([
    ['contract', '@katharos/core'],
    ['solve', '@katharos/contract'],
    ['server', '@katharos/core'],
    ['web', '@katharos/contract'],
    ['core', './outcome.ts'],
  ])('%s may import %s', async (folder, name) => {
    expect(await complaints(folder, `import x from '${name}';\nexport default x;\n`)).toEqual([]);
  });

  test('every package with sources has its list', () => {
    expect(Object.keys(forbiddenImports).sort()).toEqual([
      'contract',
      'core',
      'server',
      'solve',
      'web',
    ]);
  });
});
