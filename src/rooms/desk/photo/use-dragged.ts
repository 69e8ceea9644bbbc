import { useRef, useState, type PointerEvent } from "react";

/** A way on the surface, CSS px. */
interface Way {
  readonly x: number;
  readonly y: number;
}

/** Dragging a mark over the photo: how far it is from its place now, what to listen to, and where it was let go. */
export function useDragged(onDrop: (moved: Way) => void) {
  const start = useRef<Way | null>(null);
  const [shift, setShift] = useState<Way>({ x: 0, y: 0 });
  const wayTo = ({ clientX, clientY }: PointerEvent, from: Way): Way => ({ x: clientX - from.x, y: clientY - from.y });
  const end = (): void => {
    start.current = null;
    setShift({ x: 0, y: 0 });
  };
  const listeners = {
    onPointerDown: (event: PointerEvent<HTMLElement>): void => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      start.current = { x: event.clientX, y: event.clientY };
    },
    onPointerMove: (event: PointerEvent): void => {
      if (start.current) setShift(wayTo(event, start.current));
    },
    onPointerUp: (event: PointerEvent): void => {
      if (!start.current) return;
      const moved = wayTo(event, start.current);
      end();
      onDrop(moved);
    },
    onPointerCancel: end,
  };
  return { shift, listeners };
}
