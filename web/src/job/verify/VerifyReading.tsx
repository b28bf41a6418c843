import { type FieldName, type VerifyKey, verifyFields } from '@katharos/job';
import { useJob } from '../open/useJob.ts';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';

interface Props {
  name: VerifyKey;
  fault?: string | undefined;
  /** Where it is taken in another way than usual: the words of that. */
  wordsOf?: FieldName | undefined;
}

/** One reading of the verification. */
export function VerifyReading({ name, fault, wordsOf }: Props) {
  const { document, edit, stamp } = useJob();
  return (
    <QuantityInput
      field={wordsOf ? { ...verifyFields[name], name: wordsOf } : verifyFields[name]}
      quantity={document.verify.readings[name]}
      fault={fault}
      onCommit={(quantity) =>
        edit(({ verify }) => {
          const { [name]: _old, ...rest } = verify.readings;
          const { at, by } = stamp();
          const readings = quantity ? { ...rest, [name]: { ...quantity, takenAt: at, by } } : rest;
          return { verify: { ...verify, readings } };
        })
      }
    />
  );
}
