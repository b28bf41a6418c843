import { isDisinfectantPossible, isPurposeIon, type PurposeIon } from '@katharos/core';
import {
  type EnteredQuantity,
  ionFields,
  notedFields,
  supplyOf,
  trainOf,
  type VerifyRecord,
} from '@katharos/job';
import { SimpleGrid, Title } from '@mantine/core';
import { QuantityInput } from '../../ui/typed/QuantityInput.tsx';
import { useDocument, useEdit } from '../open/useJob.ts';

/** Total chlorine where the supply may carry any, and what a laboratory found of what the system was bought against. */
export function LaboratoryAndStrips() {
  const { system, survey, verify } = useDocument();
  const { edit, stamp } = useEdit();
  if (!system) return null;
  const ions = (survey.purposes ?? []).filter(isPurposeIon);
  const hasChlorine = isDisinfectantPossible(supplyOf(survey)) && trainOf(system.design).carbon;
  if (ions.length === 0 && !hasChlorine) return null;
  const taken = (quantity: EnteredQuantity) => {
    const { at, by } = stamp();
    return { ...quantity, takenAt: at, by };
  };
  const setChlorine = (quantity: EnteredQuantity | undefined) =>
    edit(({ verify: current }) => {
      const { totalChlorine: _old, ...rest } = current.noted ?? {};
      const noted: VerifyRecord['noted'] = quantity
        ? { ...rest, totalChlorine: taken(quantity) }
        : rest;
      return { verify: { ...current, noted } };
    });
  const setIon = (ion: PurposeIon, quantity: EnteredQuantity | undefined) =>
    edit(({ verify: current }) => {
      const { [ion]: _old, ...rest } = current.ions ?? {};
      return {
        verify: { ...current, ions: quantity ? { ...rest, [ion]: taken(quantity) } : rest },
      };
    });
  return (
    <section className="panel" aria-label="Strips and laboratory">
      <Title order={3} size="h4" mb="sm">
        Strips and laboratory
      </Title>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
        {hasChlorine && (
          <QuantityInput
            field={notedFields.totalChlorine}
            quantity={verify.noted?.totalChlorine}
            onCommit={setChlorine}
          />
        )}
        {ions.map((ion) => (
          <QuantityInput
            key={ion}
            field={ionFields[ion]}
            quantity={verify.ions?.[ion]}
            onCommit={(quantity) => setIon(ion, quantity)}
          />
        ))}
      </SimpleGrid>
    </section>
  );
}
