import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import styles from './SvgPicture.module.css';

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
  /** It has no scale to keep, and is made as small as its place, as long as it can be read. */
  fits?: boolean;
}) => {
  const picture = (
    <img
      src={svgAddress(svg)}
      alt={label}
      className={fits ? `${styles.picture} ${styles.fits}` : styles.picture}
    />
  );
  return fits ? (
    <div
      className={styles.frame}
      tabIndex={0}
      role="group"
      aria-label={`${label}, scrolls sideways`}
    >
      {picture}
    </div>
  ) : (
    picture
  );
};

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
