import { briefOf, optionsOf, plumbingOf } from '@katharos/job';
import { useCatalogueQuery, useVanQuery } from '../data/jobApi.ts';
import { PaperPage } from './PaperPage.tsx';
import { JobSheet } from './JobSheet.tsx';
import { Skeleton, Text } from '@mantine/core';

/** The job sheet with its papers, alone on the page. */
export function SheetPage() {
  const { data } = useCatalogueQuery();
  const van = useVanQuery();
  return (
    <PaperPage name="Job sheet" back="plumb" pdf="sheet.pdf">
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
