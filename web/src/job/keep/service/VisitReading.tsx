import { type NotedKey, visitFields, type VerifyKey } from '@katharos/job';
import { QuantityInput } from '../../../ui/typed/QuantityInput.tsx';
import { useVisit } from './useVisit.ts';

interface Props {
  id: string;
  of: 'readings' | 'after';
  name: VerifyKey | NotedKey;
}

/** One figure of a visit, as found or after everything was changed. */
export function VisitReading({ id, of, name }: Props) {
  const { visit, change, stamp } = useVisit(id);
  return (
    <QuantityInput
      field={visitFields[name]}
      quantity={visit?.[of]?.[name]}
      onCommit={(quantity) =>
        change((before) => {
          const { [name]: _old, ...rest } = before[of] ?? {};
          const { at, by } = stamp();
          return { [of]: quantity ? { ...rest, [name]: { ...quantity, takenAt: at, by } } : rest };
        })
      }
    />
  );
}
