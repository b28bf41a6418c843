/** Goes to the first box whose text could not be understood; what cannot be taken is not passed over. */
export function focusFaulty(form: HTMLFormElement): boolean {
  const faulty = form.querySelector<HTMLElement>('[aria-invalid="true"]');
  faulty?.focus();
  return faulty !== null;
}
