import { channelOf } from '@katharos/core';
import {
  type EnteredQuantity,
  type FieldName,
  type Reading,
  readingOfKey,
  type VerifyKey,
  verifyFields,
} from '@katharos/job';
import { Text } from '@mantine/core';
import { memo, useEffect, useState } from 'react';
import { useEdit, useOpenJob } from '../open/useJob.ts';
import { JugWatch } from './JugWatch.tsx';
import { PractisedFigure } from './meters/ByHand.tsx';
import { ReadByMeter } from './meters/ReadByMeter.tsx';
import { useReadWith } from './useReadWith.ts';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';

interface Props {
  name: VerifyKey;
  fault?: string | undefined;
  /** Where it is taken in another way than usual: the words of that. */
  wordsOf?: FieldName | undefined;
}

type TakenFrom = Pick<Reading, 'instrument' | 'simulated'>;

/** One reading of the verification: typed, by jug and watch, or from a meter that is connected. */
export const VerifyReading = memo(function VerifyReading({ name, fault, wordsOf }: Props) {
  const { edit, stamp } = useEdit();
  const reading = useOpenJob(({ document }) => document.verify.readings[name]);
  const { named, isKnown } = useReadWith();
  /** It was entered before the firm's instruments were known here. */
  const [isUnnamed, setUnnamed] = useState(false);
  useEffect(() => {
    if (!isUnnamed || !isKnown) return;
    setUnnamed(false);
    edit(({ verify }) => ({ verify: verify.readings[name] ? named(verify, name) : verify }));
  }, [isUnnamed, isKnown, edit, named, name]);
  const field = wordsOf ? { ...verifyFields[name], name: wordsOf } : verifyFields[name];
  const commit = (quantity: EnteredQuantity | undefined, from: TakenFrom = {}) => {
    if (quantity && !from.simulated && !isKnown) setUnnamed(true);
    edit(({ verify }) => {
      const { [name]: _old, ...rest } = verify.readings;
      const { at, by } = stamp();
      const readings = quantity
        ? { ...rest, [name]: { ...quantity, takenAt: at, by, ...from } }
        : rest;
      return {
        verify: { ...(quantity && !from.simulated ? named(verify, name) : verify), readings },
      };
    });
  };
  const code = readingOfKey[name];
  const byJug = field.dimension === 'flow' || field.dimension === 'tapFlow';
  return (
    <div>
      <QuantityInput
        field={field}
        quantity={reading}
        fault={fault}
        onCommit={(quantity) => commit(quantity)}
      />
      {reading?.simulated && (
        <Text size="sm" c="dimmed">
          Simulated
        </Text>
      )}
      <ReadByMeter
        code={code}
        field={field}
        onTaken={(quantity, meter) =>
          commit(quantity, {
            instrument: meter.name,
            ...(meter.isStandIn ? { simulated: true } : {}),
          })
        }
      />
      {!channelOf(code) && (
        <PractisedFigure
          code={code}
          field={field}
          onTaken={(quantity) => commit(quantity, { simulated: true })}
        />
      )}
      {byJug && <JugWatch name={name} field={field} onTaken={(flow) => commit(flow)} />}
    </div>
  );
});
