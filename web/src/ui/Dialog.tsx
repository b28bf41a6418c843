import { late } from './late.tsx';

/** A dialog that is open as long as it is drawn. Whatever opened it has the focus again afterwards. */
export const Dialog = late(async () => (await import('./DialogBox.tsx')).DialogBox);
