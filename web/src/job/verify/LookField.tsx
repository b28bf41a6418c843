import { readingOfLook, type TestLook } from '@katharos/job';
import { lookWords } from '@katharos/words';
import { Text } from '@mantine/core';
import { Segments } from '../../ui/Segments.tsx';
import { useJob } from '../open/useJob.ts';
import { PractisedLook } from './meters/ByHand.tsx';

/** Something that is seen, heard or felt: a yes, a no, or not looked. */
export function LookField({ look }: { look: TestLook }) {
  const { document, edit, stamp } = useJob();
  const { label, how, yes, no } = lookWords[look];
  const seen = document.verify.looks?.[look]?.seen;
  const set = (value: string, from: { simulated?: true } = {}) =>
    edit(({ verify }) => {
      const { [look]: _old, ...rest } = verify.looks ?? {};
      const looks =
        value === 'open'
          ? rest
          : { ...rest, [look]: { seen: value === 'yes', ...stamp(), ...from } };
      return { verify: { ...verify, looks } };
    });
  return (
    <div>
      <Text fw={560}>{label}</Text>
      <Text size="sm" c="dimmed" mb={4}>
        {how}
      </Text>
      <Segments
        wide
        label={label}
        value={seen === undefined ? 'open' : seen ? 'yes' : 'no'}
        onChange={(value) => set(value)}
        options={[
          { value: 'open', label: 'Not looked' },
          { value: 'yes', label: yes },
          { value: 'no', label: no },
        ]}
      />
      {look !== 'no-product' && (
        <PractisedLook
          code={readingOfLook[look]}
          onSeen={(saw) => set(saw ? 'yes' : 'no', { simulated: true })}
        />
      )}
    </div>
  );
}
