import { proposalOf } from '@katharos/papers';
import { useCatalogueQuery } from '../data/jobApi.ts';
import { PaperPage } from './PaperPage.tsx';
import { ProposalSheet } from './ProposalSheet.tsx';
import { Skeleton, Text } from '@mantine/core';

/** The proposal for the customer, alone on the page. */
export function ProposalPage() {
  const { data } = useCatalogueQuery();
  return (
    <PaperPage name="Proposal" back="size" pdf="proposal.pdf">
      {({ number, document }, firm) => {
        if (!data) return <Skeleton height={600} />;
        const proposal = proposalOf({ number, document, firm, catalogue: data.parts });
        return proposal ? (
          <ProposalSheet proposal={proposal} />
        ) : (
          <Text>There is nothing to propose yet: choose a system in Size first.</Text>
        );
      }}
    </PaperPage>
  );
}
