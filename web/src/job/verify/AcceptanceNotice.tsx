import { acceptanceSentences, gradeWords } from '@katharos/words';
import type { Acceptance } from '@katharos/core';
import { Tone, type ToneKind } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { Text } from '@mantine/core';

const tones: Record<Acceptance['grade'], ToneKind> = {
  good: 'good',
  marginal: 'warn',
  'not-accepted': 'bad',
};

/** The grade that comes from all that was checked, why, and what was not checked. */
export function AcceptanceNotice({ accepted }: { accepted: Acceptance }) {
  const reader = useReader();
  const open = accepted.grade === 'good' && accepted.unchecked.length > 0;
  return (
    <Tone
      kind={open ? 'warn' : tones[accepted.grade]}
      head={open ? `${gradeWords.good}, as far as it was checked` : gradeWords[accepted.grade]}
      role="status"
    >
      {acceptanceSentences(accepted, reader).map((sentence) => (
        <Text key={sentence} size="sm">
          {sentence}
        </Text>
      ))}
    </Tone>
  );
}
