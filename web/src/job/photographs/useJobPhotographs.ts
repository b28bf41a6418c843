import type { Photograph } from '@katharos/contract';
import { photographLimits, type PhotographSubject } from '@katharos/job';
import { useMemo } from 'react';
import { v4 as newId } from 'uuid';
import { usePhotographsQuery } from '../../data/jobApi.ts';
import type { KeptDeed } from '../../data/line/deeds.ts';
import { doToJob } from '../../data/openJob.ts';
import { useSession } from '../../data/session.ts';
import { useAppDispatch } from '../../data/store.ts';
import { useJobId } from '../open/useJob.ts';
import { useJobDeeds } from '../open/useJobDeeds.ts';
import { photographAddress, photographKinds } from './photographWords.ts';

/** A photograph to be shown: from the server, or from this browser while it waits to be sent. */
export interface ShownPhotograph extends Photograph {
  address: string;
  waits: boolean;
}

/** The list of the server with what was done to it here. */
function withWaiting(
  list: readonly Photograph[],
  deeds: readonly KeptDeed[],
  jobId: string,
  takenBy: string,
): ShownPhotograph[] {
  const shown = new Map<string, ShownPhotograph>(
    list.map((one) => [
      one.id,
      { ...one, address: photographAddress(jobId, one.id), waits: false },
    ]),
  );
  const away = new Map<string, ShownPhotograph>();
  for (const deed of deeds) {
    if (!('photographId' in deed)) continue;
    const id = deed.photographId;
    const held = shown.get(id);
    switch (deed.kind) {
      case 'photograph': {
        const { about, step, at: takenAt } = deed;
        const address = addressOfFile(id, deed.file);
        const size = { width: 0, height: 0 };
        shown.set(id, {
          id,
          about,
          step,
          caption: '',
          takenAt,
          takenBy,
          ...size,
          address,
          waits: true,
        });
        break;
      }
      case 'photograph-change':
        if (held) shown.set(id, { ...held, ...deed.change });
        break;
      case 'photograph-remove':
        if (held) away.set(id, held);
        shown.delete(id);
        break;
      case 'photograph-restore':
        if (away.has(id)) shown.set(id, away.get(id)!);
        break;
    }
  }
  return [...shown.values()];
}

const fileAddresses = new Map<string, string>();
/** An address of a file that waits; the same one for as long as the page lives. */
function addressOfFile(id: string, file: Blob): string {
  let address = fileAddresses.get(id);
  if (!address) fileAddresses.set(id, (address = URL.createObjectURL(file)));
  return address;
}

/** The open job's photographs, those that wait to be sent among them. */
export function useJobPhotographs() {
  const jobId = useJobId();
  const session = useSession();
  const { data, error, isLoading, refetch } = usePhotographsQuery(jobId);
  const deeds = useJobDeeds();
  const name = session?.user.name ?? '';
  const list = data?.photographs;
  const photographs = useMemo(
    () => withWaiting(list ?? [], deeds, jobId, name),
    [list, deeds, jobId, name],
  );
  return { photographs, error, isLoading, refetch };
}

const kinds = photographKinds.split(',');
const mostMB = photographLimits.fileBytes / 1e6;

/** Why a file is not taken, or nothing. What it is called says little: it is looked into. */
async function troubleOfFile(file: File): Promise<string | null> {
  const { name, size, type } = file;
  if (size > photographLimits.fileBytes) return `${name} is larger than ${mostMB} MB.`;
  if (!kinds.includes(type)) return `${name} is no JPEG, PNG or WebP.`;
  try {
    (await createImageBitmap(file)).close();
    return null;
  } catch {
    return `${name} holds no picture that can be read.`;
  }
}

/** Ways to add to the open job's photographs and change them; all of it is kept here first, and can be taken back. */
export function usePhotographDeeds() {
  const dispatch = useAppDispatch();
  return useMemo(() => {
    const both = (photographId: string) => ({
      remove: { kind: 'photograph-remove', photographId } as const,
      restore: { kind: 'photograph-restore', photographId } as const,
    });
    return {
      /** Keeps files, and says of those that it cannot take why. */
      add: async (
        files: readonly File[],
        { about, step = null }: { about: PhotographSubject; step?: string | null },
      ): Promise<string[]> => {
        const troubles: string[] = [];
        for (const file of files) {
          const trouble = await troubleOfFile(file);
          if (trouble) {
            troubles.push(trouble);
            continue;
          }
          const photographId = newId();
          const { remove, restore } = both(photographId);
          await dispatch(
            doToJob(
              { kind: 'photograph', photographId, about, step, file },
              { undo: remove, redo: restore },
            ),
          );
        }
        return troubles;
      },
      change: (
        { id, about, caption }: Photograph,
        change: { about?: PhotographSubject; caption?: string },
      ) => {
        const kind = 'photograph-change' as const;
        const before = {
          ...(change.about === undefined ? {} : { about }),
          ...(change.caption === undefined ? {} : { caption }),
        };
        const redo = { kind, photographId: id, change };
        return dispatch(doToJob(redo, { undo: { ...redo, change: before }, redo }));
      },
      remove: (id: string) => {
        const { remove, restore } = both(id);
        return dispatch(doToJob(remove, { undo: restore, redo: remove }));
      },
      restore: (id: string) => {
        const { remove, restore } = both(id);
        return dispatch(doToJob(restore, { undo: remove, redo: restore }));
      },
    };
  }, [dispatch]);
}
