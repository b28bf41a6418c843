import { type PointerEvent, useState } from 'react';

/** A step to which a dragged draw snaps, min. */
const snapMin = 5;

/** Dragging along a day: the place while the pointer is down, and one change when it is let go. */
export function useDrag(minute: number, onMove: (minute: number) => void) {
  const [moving, setMoving] = useState<number | null>(null);
  const [start, setStart] = useState<{ x: number; width: number } | null>(null);
  const at = (event: PointerEvent<HTMLElement>): number => {
    if (!start) return minute;
    const moved = ((event.clientX - start.x) / start.width) * 1440;
    return Math.min(Math.max(Math.round((minute + moved) / snapMin) * snapMin, 0), 1435);
  };
  return {
    moving,
    handlers: {
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const width = event.currentTarget.parentElement?.clientWidth ?? 1;
        setStart({ x: event.clientX, width });
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        if (start) setMoving(at(event));
      },
      onPointerUp: (event: PointerEvent<HTMLElement>) => {
        if (start && moving !== null && moving !== minute) onMove(at(event));
        setStart(null);
        setMoving(null);
      },
      onPointerCancel: () => {
        setStart(null);
        setMoving(null);
      },
    },
  };
}
