import type { NodeKind } from '@katharos/core';
import type { ReactNode } from 'react';

/** Our own symbols of the components, each in a 28 by 28 box around the origin, in strokes of the current colour. */
const drawings: Record<NodeKind, ReactNode> = {
  street: (
    <>
      <path d="M-12 6h24M-12 -6h24" />
      <path d="M-7 0h4M1 0h4M9 0h2" />
    </>
  ),
  'feed-valve': (
    <>
      <path d="M-11 -7L11 7V-7L-11 7z" />
      <path d="M0 0v-11M-5 -11h10" />
    </>
  ),
  // A unit behind its door, with a drop let out: whatever it is made of, it was there before.
  existing: (
    <>
      <path d="M-12 -11h17v22h-17zM-9 -7v14" />
      <path d="M5 0h6M-2 -5c3 4 4 5 4 7a4 4 0 0 1 -8 0c0 -2 1 -3 4 -7z" />
    </>
  ),
  sediment: (
    <>
      <path d="M-8 -11h16v16a8 7 0 0 1 -16 0z" />
      <path d="M-4 -6h.1M3 -5h.1M-2 0h.1M4 2h.1M-3 6h.1M1 -2h.1" strokeWidth="3" />
    </>
  ),
  carbon: (
    <>
      <path d="M-8 -11h16v16a8 7 0 0 1 -16 0z" />
      <path d="M-8 -4L8 4M-8 3L4 9M-4 -11L8 -4" />
    </>
  ),
  pump: (
    <>
      <circle r="11" />
      <path d="M0 0c-1 -5 3 -8 6 -6M0 0c5 1 6 6 4 8M0 0c-4 3 -9 2 -9 -2" />
    </>
  ),
  solenoid: (
    <>
      <path d="M-11 -2L0 4L-11 10zM11 -2L0 4L11 10z" />
      <path d="M0 4V-3M-6 -11h12v8h-12zM-3 -8h6" />
    </>
  ),
  shutoff: (
    <>
      <rect x="-10" y="-10" width="20" height="20" rx="3" />
      <path d="M-10 -4h20M-10 4h20M0 -4v8" />
    </>
  ),
  membrane: (
    <>
      <rect x="-13" y="-9" width="26" height="18" rx="9" />
      <path d="M-6 0c0 -5 7 -5 7 0s-4 4 -4 1M4 -9l5 18" />
    </>
  ),
  'permeate-pump': (
    <>
      <rect x="-12" y="-8" width="24" height="16" rx="4" />
      <path d="M0 -8v16M-8 4l3 -7l3 7M5 -4v7M2 0l3 3l3 -3" />
    </>
  ),
  restrictor: (
    <path d="M-11 -6C-3 -6 -4 -1.500 0 -1.500S3 -6 11 -6M-11 6C-3 6 -4 1.500 0 1.500S3 6 11 6" />
  ),
  drain: (
    <>
      <path d="M-9 -10v8c0 5 5 4 5 9" />
      <path d="M9 -10v8c0 5 -5 4 -5 9M-12 10h24" />
    </>
  ),
  mineral: (
    <>
      <path d="M-8 -11h16v16a8 7 0 0 1 -16 0z" />
      <path d="M-4 3l4 -8l4 8zM-8 -6h16" />
    </>
  ),
  tank: (
    <>
      <path d="M-10 -6c0 -8 20 -8 20 0v11c0 8 -20 8 -20 0z" />
      <path d="M-10 1c5 -4 15 4 20 0" />
    </>
  ),
  lamp: (
    <>
      <rect x="-5" y="-12" width="10" height="24" rx="5" />
      <path d="M-11 -5l3 1M-11 5l3 -1M11 -5l-3 1M11 5l-3 -1M0 -7v14" />
    </>
  ),
  'post-filter': (
    <>
      <rect x="-12" y="-6" width="24" height="12" rx="3" />
      <path d="M-6 -6L-1 6M0 -6L5 6M6 -6L11 6" />
    </>
  ),
  refrigerator: (
    <>
      <rect x="-8" y="-13" width="16" height="26" rx="3" />
      <path d="M-8 -3h16M-4 -9v3M-4 1v5M3 3v6M1 5l4 2M5 5l-4 2" />
    </>
  ),
  'ice-maker': (
    <>
      <rect x="-9" y="-11" width="18" height="22" rx="3" />
      <path d="M0 -7v14M-6 -3.5l12 7M6 -3.5l-12 7" />
    </>
  ),
  'second-tap': (
    <>
      <path d="M-6 12V-3a7 7 0 0 1 14 0v3" />
      <path d="M-11 12h10M5 6l3 4l3 -4" />
    </>
  ),
  machine: (
    <>
      <path d="M-11 -11h22v6h-14v10h14v6h-22z" />
      <path d="M3 -5v3M-1 5h8" />
    </>
  ),
  tap: (
    <>
      <path d="M-6 12V-3a7 7 0 0 1 14 0v3" />
      <path d="M8 5v1M8 10v1M-11 12h10" />
    </>
  ),
};

/** One component's symbol at a place in the drawing, on a ground of its own so that the pipe passes behind. */
export function NodeSymbol({
  kind,
  x,
  y,
  picked,
}: {
  kind: NodeKind;
  x: number;
  y: number;
  picked: boolean;
}) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <circle
        r="18"
        fill="var(--k-surface)"
        stroke={picked ? 'var(--k-water-clear)' : 'var(--k-line)'}
        strokeWidth={picked ? 4 : 1.5}
      />
      <g
        fill="none"
        stroke="var(--k-ink)"
        strokeWidth="1.8"
        strokeLinecap="round"
        strokeLinejoin="round"
        transform="scale(0.86)"
      >
        {drawings[kind]}
      </g>
    </g>
  );
}
