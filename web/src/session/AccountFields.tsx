import { TextInput, type TextInputProps } from '@mantine/core';
import { PasswordBox } from '../ui/PasswordBox.tsx';

interface Props {
  /** What the form says of a field. */
  propsOf: (
    field: 'name' | 'email' | 'password',
  ) => Pick<TextInputProps, 'value' | 'defaultValue' | 'onChange' | 'onBlur' | 'onFocus' | 'error'>;
}

/** What everybody gives who gets an account: name, e-mail and a password. */
export function AccountFields({ propsOf }: Props) {
  return (
    <>
      <TextInput label="Your name" size="md" autoComplete="name" {...propsOf('name')} />
      <TextInput
        label="E-mail"
        type="email"
        autoComplete="username"
        size="md"
        {...propsOf('email')}
      />
      <PasswordBox of="new" label="Password" {...propsOf('password')} />
    </>
  );
}
