import { placeName, tubeEndNames, tubeFunctionNames } from '@katharos/words';
import { useJob } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import type { StretchTubes } from './lineTubes.ts';
import { CloseButton, Group, Text } from '@mantine/core';
import { Link } from 'react-router';
import styles from './Waterline.module.css';

/** The tubes of the stretch that was picked: what is cut, how it ends, whether it is laid. */
export function TubeInspector({
  stretch,
  onClose,
}: {
  stretch: StretchTubes | undefined;
  onClose: () => void;
}) {
  const { jobId, document } = useJob();
  const reader = useReader();
  if (!stretch) return null;
  return (
    <div className={styles.inspector} role="status">
      <Group justify="space-between" wrap="nowrap" align="flex-start">
        <div>
          {stretch.tubes.map((tube) => {
            const record = document.plumb.done?.[`tube:${tube.id}`];
            return (
              <Text key={tube.id} size="sm">
                <strong>
                  {tube.label}: {placeName(tube.from)} – {placeName(tube.to)}
                </strong>
                {`, ${reader.within(tubeFunctionNames[tube.function])}; ${reader.cut(tube.cutM)} of ${tube.size}; `}
                {[...new Set(tube.ends)].map((end) => tubeEndNames[end]).join(', ')}
                {record ? `; laid by ${record.by}` : '; not laid yet'}.
              </Text>
            );
          })}
          <Text size="sm">
            <Link to={`/jobs/${jobId}/plumb?view=tubes`}>All tubes</Link>
          </Text>
        </div>
        <CloseButton aria-label="Close" size="lg" onClick={onClose} />
      </Group>
    </div>
  );
}
