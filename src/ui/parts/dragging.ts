import {
  type DragEndEvent,
  type DragMoveEvent,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";

/** A mouse drags from its sixth pixel on, so that a click stays one; a finger after a quarter of a second, so that it can scroll. */
export const useDragSensors = () =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );

/** Where the pointer is now, in pixels of the window. */
export function pointerOf({ activatorEvent, delta }: DragMoveEvent | DragEndEvent): { x: number; y: number } {
  const start =
    "touches" in activatorEvent ? (activatorEvent as TouchEvent).touches[0]! : (activatorEvent as MouseEvent);
  return { x: start.clientX + delta.x, y: start.clientY + delta.y };
}
