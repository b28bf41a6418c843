import { type Proposal, proposalOf } from '@katharos/papers';
import { useParams } from 'react-router';
import { useCatalogueQuery } from '../data/openingApi.ts';
import { PaperPage } from './PaperPage.tsx';
import { ProposalSheet } from './ProposalSheet.tsx';
import { useVersion } from './useVersion.ts';
import { Skeleton, Text } from '@mantine/core';

/** The proposal for the customer, alone on the page: as it was agreed, or a draft. */
export function ProposalPage() {
  const { id = '' } = useParams();
  const { data } = useCatalogueQuery();
  const { record, paper, isLoading } = useVersion(id, 'proposal');
  const pdf = record ? `papers/${record.id}/pdf` : 'proposal.pdf';
  return (
    <PaperPage name="Proposal" back="size" pdf={pdf}>
      {({ number, document }, firm) => {
        if (!data || isLoading || (record && !paper)) return <Skeleton height={600} />;
        const proposal = paper
          ? (paper.content as unknown as Proposal)
          : proposalOf({ number, document, firm, catalogue: data.parts });
        return proposal ? (
          <ProposalSheet proposal={proposal} record={record} />
        ) : (
          <Text>There is nothing to propose yet: choose a system in Size first.</Text>
        );
      }}
    </PaperPage>
  );
}
