import type { Plumbing } from '@katharos/core';
import { stepParts, workWords } from '@katharos/words';
import { useReader } from '../../../ui/useReader.ts';
import { Text, Title } from '@mantine/core';

/** Where the product line of a system that is there is opened for a lamp: nothing else of the house is touched. */
export function CutPanel({ plumbing: { steps, parts } }: { plumbing: Plumbing }) {
  const reader = useReader();
  const step = steps.find(({ code }) => code === 'cut-product-line');
  if (!step) return null;
  return (
    <section className="panel" aria-label="The cut">
      <Title order={3} size="h4" mb="xs">
        The cut in the product line
      </Title>
      <Text>{workWords(step, reader).instruction}</Text>
      <Text mt="xs">Takes: {stepParts(step, parts).join(', ')}.</Text>
      <Text mt="xs">Cold supply, waste pipe and counter stay as they are.</Text>
    </section>
  );
}
