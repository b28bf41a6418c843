import { customerSchema, type JobDocument } from '@katharos/job';
import { checkInput } from '@katharos/words';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
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
  const faultOf = (field: keyof Typed) =>
    checked.ok ? undefined : checked.faults.find(({ path }) => path === field)?.sentence;
  const type = (next: typeof customer) => {
    setCustomer(next);
    const { name, address, phone, email } = next;
    half.keep(JSON.stringify({ name, address, phone, email }));
  };
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
        <TextInput
          size="md"
          label="Customer or place"
          autoFocus
          value={customer.name}
          error={faultOf('name')}
          onChange={(event) => type({ ...customer, name: event.currentTarget.value })}
        />
        <TextInput
          size="md"
          label="Address"
          value={customer.address}
          error={faultOf('address')}
          onChange={(event) => type({ ...customer, address: event.currentTarget.value })}
        />
        <TextInput
          size="md"
          label="Telephone"
          type="tel"
          value={customer.phone}
          error={faultOf('phone')}
          onChange={(event) => type({ ...customer, phone: event.currentTarget.value })}
        />
        <TextInput
          size="md"
          label="E-mail"
          type="email"
          value={customer.email ?? ''}
          error={faultOf('email')}
          onChange={(event) => type({ ...customer, email: event.currentTarget.value })}
        />
      </div>
      <Button type="submit" variant="default" size="md" mt="xs">
        Done
      </Button>
    </form>
  );
}
