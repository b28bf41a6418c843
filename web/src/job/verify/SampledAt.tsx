import type { SamplePoint, SystemDesign } from '@katharos/core';
import { samplePointWords } from '@katharos/words';
import { SegmentedControl, Text } from '@mantine/core';
import { useJob } from '../open/useJob.ts';

/** Where the product's cup was filled: what is expected of it, and what else may be behind it, hangs on that. */
export function SampledAt({ design }: { design: SystemDesign }) {
  const { document, edit } = useJob();
  const points: SamplePoint[] = [
    'membrane-outlet',
    ...(design.tank ? (['tap-after-tank'] as const) : []),
    ...(design.mineral ? (['tap-after-minerals'] as const) : []),
  ];
  if (points.length === 1) return null;
  return (
    <div style={{ marginTop: 16 }}>
      <Text fw={560} mb={4}>
        The product’s cup was filled
      </Text>
      <SegmentedControl
        size="md"
        aria-label="The product’s cup was filled"
        value={document.verify.samplePoint ?? 'membrane-outlet'}
        onChange={(samplePoint) => edit(({ verify }) => ({ verify: { ...verify, samplePoint } }))}
        data={points.map((value) => ({ value, label: samplePointWords[value] }))}
        style={{ flexWrap: 'wrap' }}
      />
    </div>
  );
}
