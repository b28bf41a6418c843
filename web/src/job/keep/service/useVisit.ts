import type { ServiceVisitRecord } from '@katharos/job';
import { useDocument, useEdit } from '../../open/useJob.ts';

/** Changes a visit of the open job. */
export function useVisit(id: string) {
  const document = useDocument();
  const { edit, stamp } = useEdit();
  const change = (
    next: (visit: ServiceVisitRecord) => Partial<ServiceVisitRecord>,
    of: string | null = null,
  ) =>
    edit(({ service = {} }) => {
      const visit = service.visits?.[id];
      if (!visit) return {};
      return {
        service: {
          ...service,
          visits: { ...service.visits, [id]: { ...visit, ...next(visit) } },
        },
      };
    }, of);
  return { document, visit: document.service?.visits?.[id], change, stamp };
}
