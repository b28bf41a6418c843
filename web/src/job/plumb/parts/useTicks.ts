import { useJob } from '../../open/useJob.ts';

/** What was ticked off in a list, with who and when. */
export function useTicks() {
  const { document, edit, stamp } = useJob();
  const { ticks } = document.plumb;
  return {
    isTicked: (id: string): boolean => ticks[id] !== undefined,
    tick: (id: string, on: boolean): void =>
      edit(({ plumb }) => {
        const { [id]: _old, ...rest } = plumb.ticks;
        return { plumb: { ...plumb, ticks: on ? { ...rest, [id]: stamp() } : rest } };
      }),
  };
}
