import { Button, Group } from '@mantine/core';
import { Link } from 'react-router';
import { useMay } from '../../data/useMay.ts';
import { useJobId } from '../open/useJob.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';

/** What can be done with a chosen system: choose again, agree on it, propose it, plumb it in. */
export function ChosenActions() {
  const jobId = useJobId();
  const { drop, agree, agreed } = useChosenSystem();
  const mayAgree = useMay('approve');
  const refused = mayAgree
    ? {}
    : { disabled: true, title: 'Your part in the firm does not agree to systems' };
  return (
    <Group>
      {agreed ? (
        <Button variant="default" size="md" {...refused} onClick={() => agree(false)}>
          Open the agreement
        </Button>
      ) : (
        <>
          <Button variant="default" size="md" onClick={drop}>
            Choose again
          </Button>
          <Button variant="default" size="md" {...refused} onClick={() => agree(true)}>
            Customer agreed
          </Button>
        </>
      )}
      <Button variant="default" size="md" component={Link} to={`/jobs/${jobId}/proposal`}>
        Proposal
      </Button>
      <Button size="md" component={Link} to={`/jobs/${jobId}/plumb`}>
        Go on to plumbing
      </Button>
    </Group>
  );
}
