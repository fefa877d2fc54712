/** What a handle tells the list while it is dragged, by mouse, pen or finger. */
export interface Dragging {
  begin: (event: PointerEvent) => void;
  track: (event: PointerEvent) => void;
  drop: () => void;
}
