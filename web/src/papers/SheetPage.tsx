import { plumbedJobOf } from '@katharos/job';
import { jobSheetOf } from '@katharos/papers';
import { useVanQuery } from '../data/jobApi.ts';
import { useCatalogueQuery } from '../data/openingApi.ts';
import { useMay } from '../data/useMay.ts';
import { useParams } from 'react-router';
import { useIssue } from './useIssue.ts';
import { PaperPage } from './PaperPage.tsx';
import { JobSheet } from './JobSheet.tsx';
import { Skeleton, Text } from '@mantine/core';

/** The job sheet with its papers, alone on the page. */
export function SheetPage() {
  const { data } = useCatalogueQuery();
  const van = useVanQuery();
  const { id = '' } = useParams();
  const issue = useIssue(id);
  const mayIssue = useMay('issue');
  return (
    // What somebody took along is a record of what they had before them.
    <PaperPage
      name="Job sheet"
      back="plumb"
      pdf="sheet.pdf"
      onOutput={() => {
        if (mayIssue) void issue('sheet');
      }}
    >
      {(job, firm) => {
        if (!data) return <Skeleton height={600} />;
        const { document } = job;
        const plumbed = plumbedJobOf(document, data.parts, firm.settings);
        if (!plumbed) return <Text>There is no sheet yet: choose a system in Size first.</Text>;
        const { system, plumbing } = plumbed;
        return (
          <JobSheet
            jobId={job.id}
            sheet={jobSheetOf({
              number: job.number,
              id: job.id,
              document,
              firm,
              system,
              plumbing,
              van: van.data ?? null,
            })}
          />
        );
      }}
    </PaperPage>
  );
}
