import { acceptedRegardless } from '@katharos/job';
import { acceptedSentence, certificationSentences, verdictHead } from '@katharos/words';
import type { Certification } from '@katharos/core';
import { Tone, type ToneKind } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useDocument, useEdit } from '../open/useJob.ts';
import { Button, Group, Stack, Text, Textarea } from '@mantine/core';
import { useState } from 'react';

const tones: Record<NonNullable<Certification['grade']> | 'record', ToneKind> = {
  good: 'good',
  marginal: 'warn',
  record: 'warn',
  'not-accepted': 'bad',
};

/** The grade that comes from all that was checked, what is owed first, and why. */
export function AcceptanceNotice({ certified }: { certified: Certification }) {
  const reader = useReader();
  return (
    <Tone kind={tones[certified.grade ?? 'record']} head={verdictHead(certified)} role="status">
      {certificationSentences(certified, reader).map((sentence) => (
        <Text key={sentence} size="sm">
          {sentence}
        </Text>
      ))}
      {certified.grade === 'marginal' && <AllTheSame />}
    </Tone>
  );
}

/** A person may accept what has remarks, with a reason and by name; never what has a fault, or what something is owed for. */
function AllTheSame() {
  const reader = useReader();
  const { verify } = useDocument();
  const { edit, stamp } = useEdit();
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const [fault, setFault] = useState('');
  const accepted = acceptedRegardless(verify);
  const back = () => edit(({ verify: { accepted: _old, ...rest } }) => ({ verify: rest }));
  const accept = () => {
    if (reason.trim() === '') {
      setFault('Say in a few words why, for whoever comes after.');
      return;
    }
    edit((current) => ({
      verify: { ...current.verify, accepted: { reason: reason.trim(), ...stamp() } },
    }));
    setOpen(false);
    setReason('');
  };
  if (accepted) {
    return (
      <Group mt="xs">
        <Text size="sm">{acceptedSentence(accepted, reader)}</Text>
        <Button variant="default" size="sm" mih={44} onClick={back}>
          Take it back
        </Button>
      </Group>
    );
  }
  if (!open) {
    return (
      <Button variant="default" size="sm" mih={44} mt="xs" onClick={() => setOpen(true)}>
        Accept it all the same
      </Button>
    );
  }
  return (
    <Stack gap="xs" mt="xs">
      <Textarea
        label="Why it is accepted"
        description="It stands on the certificate with your name. It holds until something is read anew."
        autosize
        data-autofocus
        maxLength={500}
        value={reason}
        error={fault}
        onChange={({ currentTarget: { value } }) => {
          setReason(value);
          setFault('');
        }}
      />
      <Group>
        <Button size="sm" mih={44} onClick={accept}>
          Accept
        </Button>
        <Button variant="default" size="sm" mih={44} onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </Group>
    </Stack>
  );
}
