import { briefOf, optionsOf, plumbingOf } from '@katharos/contract';
import { Skeleton, Text } from '@mantine/core';
import { useCatalogueQuery, useVanQuery } from '../../app/api.ts';
import { PaperPage } from '../../app/PaperPage.tsx';
import { JobSheet } from './JobSheet.tsx';

/** The job sheet with its papers, alone on the page. */
export function SheetPage() {
  const { data } = useCatalogueQuery();
  const van = useVanQuery();
  return (
    <PaperPage back="plumb" pdf="sheet.pdf">
      {(job, firm) => {
        if (!data) return <Skeleton height={600} />;
        const { document } = job;
        const brief = briefOf(document.survey, data.parts, {
          standards: firm.settings.standards,
          overruled: optionsOf(document.size.overruled),
        });
        if (!brief.ok || !document.system) {
          return <Text>There is no sheet yet: choose a system in Size first.</Text>;
        }
        const { design } = document.system;
        return (
          <JobSheet
            job={job}
            firm={firm}
            plumbing={plumbingOf(document, design, brief.value)}
            van={van.data ?? null}
          />
        );
      }}
    </PaperPage>
  );
}
