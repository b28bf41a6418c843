import { type EnteredQuantity, type FieldName, type VerifyKey, verifyFields } from '@katharos/job';
import { useJob } from '../open/useJob.ts';
import { JugWatch } from './JugWatch.tsx';
import { useReadWith } from './useReadWith.ts';
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
  const { named } = useReadWith();
  const field = wordsOf ? { ...verifyFields[name], name: wordsOf } : verifyFields[name];
  const commit = (quantity: EnteredQuantity | undefined) =>
    edit(({ verify }) => {
      const { [name]: _old, ...rest } = verify.readings;
      const { at, by } = stamp();
      const readings = quantity ? { ...rest, [name]: { ...quantity, takenAt: at, by } } : rest;
      return { verify: { ...(quantity ? named(verify, name) : verify), readings } };
    });
  const byJug = field.dimension === 'flow' || field.dimension === 'tapFlow';
  return (
    <div>
      <QuantityInput
        field={field}
        quantity={document.verify.readings[name]}
        fault={fault}
        onCommit={commit}
      />
      {byJug && <JugWatch name={name} field={field} onTaken={commit} />}
    </div>
  );
}
