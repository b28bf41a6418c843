import type { Diagnosis, Examination, ExpectedReadings } from '@katharos/core';
import { readingLabel, readingPlaceWords, shortCause } from '@katharos/words';
import { useElementSize } from '@mantine/hooks';
import type { ReactNode } from 'react';
import { useReader } from '../../ui/useReader.ts';
import styles from './StoryLine.module.css';
import { type StoryRow, storyRows } from './storyRows.ts';

interface Props {
  examination: Examination;
  expected: ExpectedReadings;
  /** The two leading causes, the likelier first. */
  stories: Diagnosis['stories'];
}

/** How far off, in either direction, is drawn; what lies beyond stands at the edge. */
const farthest = 6;
const ticks = [0.25, 0.5, 1, 2, 4];
const rowHeight = 40;
const head = 24;
/** From this width on the words stand beside the track instead of above it. */
const besideFrom = 560;

/**
 * The way of the water, from the street down to the glass: at each place what was read over what a sound system shows, and over it the two
 * leading stories, so that one sees which goes through the readings and where they part.
 */
export function StoryLine({ examination, expected, stories }: Props) {
  const { ref, width } = useElementSize();
  const reader = useReader();
  const rows = storyRows(examination, expected, stories);
  if (rows.length === 0) return null;
  const beside = width >= besideFrom;
  const left = beside ? 270 : 8;
  const right = width - 14;
  const at = (ratio: number) => {
    const share = Math.log(Math.min(Math.max(ratio, 1 / farthest), farthest)) / Math.log(farthest);
    return (left + right) / 2 + (share * (right - left)) / 2;
  };
  const level = (i: number) => head + i * rowHeight + (beside ? rowHeight / 2 : 28);
  const height = head + rows.length * rowHeight + 8;
  const classes = [styles.first, styles.second];
  const marks = [styles.firstMark, styles.secondMark];
  return (
    <figure className={styles.figure}>
      <figcaption className={styles.key}>
        <Key mark={<circle className={styles.read} cx={12} cy={9} r={5} />}>Read</Key>
        <Key mark={<rect className={styles.band} y={3} width={24} height={12} rx={3} />}>
          Nine in ten sound systems
        </Key>
        {stories.map(({ faults }, i) => (
          <Key
            key={faults.join()}
            mark={
              <>
                <path className={classes[i]} d="M0 9H24" />
                <circle className={marks[i]} cx={12} cy={9} r={4} />
              </>
            }
          >
            If: {shortCause(faults, reader)}
          </Key>
        ))}
      </figcaption>
      <div ref={ref}>
        {width > 0 && (
          <svg width={width} height={height} role="img" aria-label={spoken(rows)}>
            {ticks.map((ratio) => (
              <g key={ratio}>
                <path
                  className={ratio === 1 ? styles.one : styles.grid}
                  d={`M${at(ratio)} ${head - 4}V${height}`}
                />
                <text className={styles.place} x={at(ratio)} y={12} textAnchor="middle">
                  {ratio === 1 ? 'sound' : `${reader.number(ratio, ratio < 1 ? 2 : 0)}×`}
                </text>
              </g>
            ))}
            {rows.map(({ code, low, high }, i) => (
              <rect
                key={code}
                className={styles.band}
                x={at(low)}
                y={level(i) - 7}
                width={Math.max(at(high) - at(low), 2)}
                height={14}
                rx={3}
              />
            ))}
            {stories.map(({ faults }, k) => (
              <g key={faults.join()}>
                <path className={classes[k]} d={pathOf(rows, k, at, level)} />
                {rows.map(({ code, stories: told }, i) => {
                  const ratio = told[k];
                  return (
                    ratio !== null &&
                    ratio !== undefined && (
                      <circle
                        key={code}
                        className={marks[k]}
                        cx={at(ratio)}
                        cy={level(i)}
                        r={4.5}
                      />
                    )
                  );
                })}
              </g>
            ))}
            {rows.map(({ code, place }, i) => (
              <g key={code}>
                <text
                  className={styles.label}
                  x={beside ? 0 : left}
                  y={beside ? level(i) - 2 : level(i) - 12}
                >
                  {readingLabel(code)}
                  {!beside && (
                    <tspan className={styles.place}>{`  ${readingPlaceWords[place]}`}</tspan>
                  )}
                </text>
                {beside && (
                  <text className={styles.place} x={0} y={level(i) + 13}>
                    {readingPlaceWords[place]}
                  </text>
                )}
              </g>
            ))}
            {rows.map(
              ({ code, read }, i) =>
                read !== null && (
                  <circle key={code} className={styles.read} cx={at(read)} cy={level(i)} r={5.5} />
                ),
            )}
          </svg>
        )}
      </div>
    </figure>
  );
}

const Key = ({ mark, children }: { mark: ReactNode; children: ReactNode }) => (
  <span>
    <svg width={24} height={18} aria-hidden style={{ flex: 'none' }}>
      {mark}
    </svg>
    <span>{children}</span>
  </span>
);

/** From place to place; where a story has no water the line breaks. */
function pathOf(
  rows: readonly StoryRow[],
  story: number,
  at: (ratio: number) => number,
  level: (i: number) => number,
): string {
  let pen = 'M';
  return rows
    .map(({ stories }, i) => {
      const ratio = stories[story];
      if (ratio === null || ratio === undefined) {
        pen = 'M';
        return '';
      }
      const move = `${pen}${at(ratio).toFixed(1)} ${level(i)}`;
      pen = 'L';
      return move;
    })
    .join('');
}

const spoken = (rows: readonly StoryRow[]): string =>
  `Readings over those of a sound system, along the way of the water, with what the leading causes would show: ${rows.length} readings. The table below holds the same in figures.`;
