import { Button } from '@mantine/core';
import type { ReactNode } from 'react';

/** A drawing as an address that a browser shows and saves. */
const svgAddress = (svg: string): string =>
  `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;

/** A drawing that was made as a file of its own, in its own size. */
export const SvgPicture = ({
  svg,
  label,
  fits,
}: {
  svg: string;
  label: string;
  /** It has no scale to keep, and is made as small as its place. */
  fits?: boolean;
}) => (
  <img
    src={svgAddress(svg)}
    alt={label}
    style={{ display: 'block', background: 'white', maxWidth: fits ? '100%' : 'none' }}
  />
);

/** Saves a drawing as a file. */
export const SvgButton = ({
  svg,
  file,
  children,
}: {
  svg: string;
  file: string;
  children: ReactNode;
}) => (
  <Button
    className="no-print"
    variant="default"
    component="a"
    href={svgAddress(svg)}
    download={file}
  >
    {children}
  </Button>
);
