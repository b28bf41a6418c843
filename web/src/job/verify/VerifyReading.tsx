import { type VerifyKey, verifyFields } from '@katharos/job';
import { useJob } from '../open/useJob.ts';
import { QuantityInput } from '../../ui/QuantityInput.tsx';

interface Props {
  name: VerifyKey;
  fault?: string | undefined;
  /** How it is taken, where that is not as usual. */
  how?: string | undefined;
}

/** One reading of the verification. */
export function VerifyReading({ name, fault, how }: Props) {
  const { document, edit, stamp } = useJob();
  return (
    <QuantityInput
      field={how ? { ...verifyFields[name], how } : verifyFields[name]}
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
