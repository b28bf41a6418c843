declare module '*.module.css' {
  const classes: Record<string, string>;
  export default classes;
}
declare module '*.css';
/** Where a worker's script lies; its name changes with what it holds. */
declare module '*?worker&url' {
  const url: string;
  export default url;
}
declare module '@fontsource-variable/archivo';
declare module '@tabler/icons-react/dist/esm/icons/*' {
  import type { ComponentType } from 'react';
  const Icon: ComponentType<{ size?: number | string; stroke?: number; 'aria-hidden'?: boolean }>;
  export default Icon;
}
interface ImportMeta {
  readonly env: {
    readonly DEV: boolean;
    readonly PROD: boolean;
    /** Of the contract that a build was made of. */
    readonly CONTRACT_MARK?: string;
  };
}
/** Sets the globals of a store that lives as long as the page. */
declare module 'fake-indexeddb/auto';
