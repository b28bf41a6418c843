declare module '*.module.css' {
  const classes: Record<string, string>;
  export default classes;
}
declare module '*.css';
declare module '@fontsource-variable/archivo';
declare module '@tabler/icons-react/dist/esm/icons/*' {
  import type { ComponentType } from 'react';
  const Icon: ComponentType<{ size?: number | string; stroke?: number; 'aria-hidden'?: boolean }>;
  export default Icon;
}
interface ImportMeta {
  readonly env: { readonly DEV: boolean };
}
/** Sets the globals of a store that lives as long as the page. */
declare module 'fake-indexeddb/auto';
