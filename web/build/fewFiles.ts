import { build, type Rolldown, type UserConfig } from 'vite';

/** Pages that should come soonest of all: each has what it shares with others in a file of its own. */
const soonest = ['SignInPage', 'JobsPage', 'BoardPage'];
/** What draws every page. */
const drawing = '/app/draw.tsx';
/** What stands around every page of somebody signed in. */
const frame = '/app/Shell.tsx';
const door = '/session/SignInPage.tsx';
/** What comes behind every page, and what a job's page comes with besides. */
const behind = '/data/line/connect.ts';
/** What is loaded with every stage of a job. */
const jobPage = '/job/page/JobPage.tsx';
/** What a job is worked in. */
const stage = /\/(Survey|Size|Plumb|Flush|Verify|Keep)Stage\.tsx$/;
/** Those that come before any work: what only the others share is no business of theirs. */
const early = /\/(Survey|Size)Stage\.tsx$/;
/** So many stages make what they share a part of the job. */
const most = 3;

/** Every chunk that a page is loaded by, with all that must come before it. */
function pagesOf(
  chunks: readonly Rolldown.OutputChunk[],
): { page: string; modules: Set<string> }[] {
  const byName = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
  return chunks.flatMap((chunk) => {
    if (!chunk.facadeModuleId) return [];
    const modules = new Set<string>();
    const seen = new Set<string>();
    const add = (name: string): void => {
      const each = byName.get(name);
      if (!each || seen.has(name)) return;
      seen.add(name);
      each.moduleIds.forEach((id) => modules.add(id));
      each.imports.forEach(add);
    };
    add(chunk.fileName);
    return [{ page: chunk.facadeModuleId, modules }];
  });
}

/**
 * A browser asks for six files at a time, and each costs a way there and back: what asks the server is one file, what draws is one, the frame is one, what
 * one of the soonest pages shares with others is one, what comes behind every page is one, and what most stages of a job share is one. Which modules those are is known once the application was
 * bundled without this, for what nobody uses is left out then.
 */
export async function fewFiles(config: UserConfig): Promise<Rolldown.CodeSplittingOptions> {
  const { output } = (await build({
    ...config,
    configFile: false,
    logLevel: 'error',
    build: {
      write: false,
      minify: false,
      reportCompressedSize: false,
      // A module that stood in another page's file would count as needing that page.
      rolldownOptions: { experimental: { chunkOptimization: false } },
    },
  })) as Rolldown.RolldownOutput;
  const chunks = output.filter((each) => each.type === 'chunk');
  const first = chunks.find(({ isEntry }) => isEntry)!.facadeModuleId;
  const pages = pagesOf(chunks);
  const nameOf = (id: string): string | null => {
    const among = pages.filter(({ modules }) => modules.has(id)).map(({ page }) => page);
    const isFramed = among.some((page) => page.endsWith(frame));
    if (among.includes(first!)) return 'first';
    // Whoever is not within the frame signs in first.
    const isAtDoor = among.some((page) => page.endsWith(door));
    if (among.some((page) => page.endsWith(drawing)) || (isFramed && isAtDoor)) {
      // Its styles stand in the page's head with the others.
      return id.endsWith('.css') ? 'first' : 'drawing';
    }
    if (isFramed) return 'frame';
    const soon = soonest.filter((name) => among.some((page) => page.endsWith(`/${name}.tsx`)));
    if (among.length > 1 && soon.length > 0) return soon.join('And');
    if (among.some((page) => page.endsWith(behind))) return 'line';
    if (among.some((page) => page.endsWith(jobPage))) return 'job';
    const stages = among.filter((page) => stage.test(page));
    if (stages.length < most) return null;
    return stages.some((page) => early.test(page)) ? 'job' : 'workAndAfter';
  };
  return {
    groups: [{ debugName: 'few files', name: nameOf }],
    includeDependenciesRecursively: false,
  };
}
