import { type Quantity, type ReadingCode, unitOf } from '@katharos/core';
import type { QuantityField } from '@katharos/job';
import { sayReading, unitFor } from '@katharos/words';
import { Button, Text } from '@mantine/core';
import { use } from 'react';
import { useReader } from '../../../ui/useReader.ts';
import { PractisedContext, readByHand } from './practice.ts';

/** A look at the simulated system: what somebody would see there. */
export function PractisedLook({
  code,
  onSeen,
}: {
  code: ReadingCode;
  onSeen: (seen: boolean) => void;
}) {
  const reader = useReader();
  const practised = use(PractisedContext);
  const seen = practised && readByHand(practised, code);
  if (typeof seen !== 'boolean') return null;
  return (
    <Button variant="subtle" size="sm" mih={44} px={4} onClick={() => onSeen(seen)}>
      Simulated: {reader.within(sayReading(code, seen, reader))}
    </Button>
  );
}

/** A figure of the simulated system that no meter shows: by jug, strip or watch. */
export function PractisedFigure({
  code,
  field,
  onTaken,
}: {
  code: ReadingCode;
  field: QuantityField;
  onTaken: (quantity: Quantity) => void;
}) {
  const reader = useReader();
  const practised = use(PractisedContext);
  const seen = practised && readByHand(practised, code);
  if (seen === undefined || typeof seen === 'boolean') return null;
  if (seen === null) {
    return (
      <Text size="sm" c="dimmed">
        Simulated: {code === 'fillTimeMin' ? 'it never ends' : 'no water comes'}.
      </Text>
    );
  }
  const unit = unitFor(field, reader.units);
  const quantity = {
    value: Number(unitOf(field.dimension, unit).fromCore(seen).toPrecision(4)),
    unit,
  };
  return (
    <Button variant="subtle" size="sm" mih={44} px={4} onClick={() => onTaken(quantity)}>
      Simulated: {reader.entered(field.dimension, quantity)}
    </Button>
  );
}
