import { failureSentence, noWaySentence, shortfallWords, waySentence } from '@katharos/words';
import type { JudgedDesign, WayToFit } from '@katharos/core';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { Stack } from '@mantine/core';

/** Where nothing fits: what about the house would have to change. */
export function WaysToFit({ ways }: { ways: readonly WayToFit[] }) {
  const reader = useReader();
  return (
    <Tone kind="warn" head="Nothing in the catalogue fits as the house is">
      <Stack gap={4}>
        {ways.length === 0 && noWaySentence}
        {ways.map((way) => (
          <span key={way.changes.join()}>{waySentence(way, reader)}</span>
        ))}
      </Stack>
    </Tone>
  );
}

/** Where a design does not do what is asked of it, before any number. */
export function ShortfallNotice({ judged }: { judged: JudgedDesign }) {
  if (judged.failure) {
    return (
      <Tone kind="bad" head="This system cannot run in this water" role="alert">
        {failureSentence(judged.failure)}
      </Tone>
    );
  }
  if (judged.shortfalls.length === 0) return null;
  return (
    <Tone kind="warn" head="It falls short">
      <ul style={{ margin: 0, paddingLeft: 20 }}>
        {judged.shortfalls.map((shortfall) => (
          <li key={shortfall}>{shortfallWords[shortfall]}</li>
        ))}
      </ul>
    </Tone>
  );
}
