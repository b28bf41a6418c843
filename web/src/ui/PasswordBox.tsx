import { PasswordInput, type PasswordInputProps } from '@mantine/core';

interface Props extends Omit<PasswordInputProps, 'autoComplete'> {
  /** One that is chosen, or the one that is known. */
  of: 'new' | 'current';
}

/** A password that is typed: what a new one needs, and a way to see it. */
export function PasswordBox({ of, ...props }: Props) {
  return (
    <PasswordInput
      size="md"
      autoComplete={of === 'new' ? 'new-password' : 'current-password'}
      visibilityToggleButtonProps={{ 'aria-label': 'Show or hide the password' }}
      {...(of === 'new'
        ? { description: 'Twelve characters or more; several words are easy to keep.' }
        : {})}
      {...props}
    />
  );
}
