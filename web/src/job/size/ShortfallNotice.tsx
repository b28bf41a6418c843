import { failureSentence, shortfallWords } from '@katharos/words';
import type { JudgedDesign } from '@katharos/core';
import { Tone } from '../../ui/Tone.tsx';

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
