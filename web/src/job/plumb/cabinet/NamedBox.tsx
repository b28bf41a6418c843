import { bodyName } from '@katharos/words';
import styles from './Cabinet.module.css';

/** A box on a drawing, m. */
export interface Flat {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** A name inside its box: as large as it may be, as small as it must, in millimetres of the drawing. */
const nameSize = (name: string, widthM: number): number =>
  Math.min(26, (widthM * 1000) / (0.58 * name.length));

interface Props {
  id: string;
  flat: Flat;
  className?: string | undefined;
  /** Of the corners, mm. */
  round?: number;
}

/** A thing in a cabinet as its box with its name, in millimetres. */
export function NamedBox({ id, flat: { x, y, w, h }, className, round = 0 }: Props) {
  const name = bodyName(id);
  return (
    <>
      <rect
        className={className}
        x={x * 1000}
        y={y * 1000}
        width={w * 1000}
        height={h * 1000}
        rx={round}
      />
      <text
        x={(x + w / 2) * 1000}
        y={(y + h / 2) * 1000}
        className={styles.name}
        fontSize={nameSize(name, w)}
      >
        {name}
      </text>
    </>
  );
}
