import { type PointerEvent, type RefObject, useState } from 'react';

/** What is held, where in it the pointer took hold, and where its corner is now; m on the drawing. */
interface Drag {
  id: string;
  dx: number;
  dy: number;
  x: number;
  y: number;
}

interface Size {
  across: number;
  down: number;
}

/** Dragging things on a drawing to scale. @param onDrop told where its corner was let go, where that is another place */
export function useDragged(
  svg: RefObject<SVGSVGElement | null>,
  { across, down }: Size,
  onDrop: (id: string, x: number, y: number) => void,
) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const at = (event: PointerEvent): [number, number] => {
    const rect = svg.current!.getBoundingClientRect();
    return [
      ((event.clientX - rect.left) / rect.width) * across,
      ((event.clientY - rect.top) / rect.height) * down,
    ];
  };
  /** What a thing listens to, that stands with its corner here. */
  const handlers = (id: string, still: { x: number; y: number }) => ({
    onPointerDown: (event: PointerEvent) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      const [px, py] = at(event);
      setDrag({ id, dx: px - still.x, dy: py - still.y, x: still.x, y: still.y });
    },
    onPointerMove: (event: PointerEvent) => {
      if (drag?.id !== id) return;
      const [px, py] = at(event);
      setDrag({ ...drag, x: px - drag.dx, y: py - drag.dy });
    },
    onPointerUp: () => {
      if (drag?.id === id && (drag.x !== still.x || drag.y !== still.y)) onDrop(id, drag.x, drag.y);
      setDrag(null);
    },
    onPointerCancel: () => setDrag(null),
  });
  return { drag, handlers };
}
