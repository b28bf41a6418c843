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
