import { customerSchema, type JobDocument } from '@katharos/job';
import { checkInput } from '@katharos/words';
import { Button, TextInput } from '@mantine/core';
import { type ChangeEvent, useState } from 'react';
import { useHalfTyped } from '../../ui/typed/halfTyped.ts';
import { useJob } from '../open/useJob.ts';
import styles from './JobBand.module.css';

/** What of a customer is typed here. */
type Typed = Pick<JobDocument['customer'], 'name' | 'address' | 'phone' | 'email'>;

/** Whose job it is, and where: typed in the place of what says it. */
export function CustomerForm({ onDone }: { onDone: () => void }) {
  const { document, edit } = useJob();
  const half = useHalfTyped('customer');
  const [customer, setCustomer] = useState(() => ({
    ...document.customer,
    ...(half.restored ? (JSON.parse(half.restored) as Partial<Typed>) : {}),
  }));
  const checked = checkInput(customerSchema, customer);
  const type = (next: typeof customer) => {
    setCustomer(next);
    const { name, address, phone, email } = next;
    half.keep(JSON.stringify({ name, address, phone, email }));
  };
  const inputOf = (field: keyof Typed) => ({
    size: 'md' as const,
    value: customer[field] ?? '',
    error: checked.ok ? undefined : checked.faults.find(({ path }) => path === field)?.sentence,
    onChange: (event: ChangeEvent<HTMLInputElement>) =>
      type({ ...customer, [field]: event.currentTarget.value }),
  });
  const commit = () => {
    if (!checked.ok) return;
    const { name, address, phone, email } = checked.value;
    edit(({ customer: { email: _old, ...current } }) => ({
      customer: { ...current, name, address, phone, ...(email ? { email } : {}) },
    }));
    half.forget();
    onDone();
  };
  return (
    <form
      className={styles.form}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        half.forget();
        onDone();
      }}
      onSubmit={(event) => {
        event.preventDefault();
        commit();
      }}
      onBlur={({ currentTarget, relatedTarget }) => {
        // Whoever goes on to the next box is not done yet.
        if (!currentTarget.contains(relatedTarget)) commit();
      }}
    >
      <div className={styles.fields}>
        <TextInput label="Customer or place" autoFocus {...inputOf('name')} />
        <TextInput label="Address" {...inputOf('address')} />
        <TextInput label="Telephone" type="tel" {...inputOf('phone')} />
        <TextInput label="E-mail" type="email" {...inputOf('email')} />
      </div>
      <Button type="submit" variant="default" size="md" mt="xs">
        Done
      </Button>
    </form>
  );
}
