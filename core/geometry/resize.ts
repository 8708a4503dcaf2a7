import type { Frame } from './frame';
import { frameMatrix } from './frame';
import type { Box, Point } from './matrix';
import { inverse, linear, rotation, transform } from './matrix';

/** A handle by the side it pulls: -1 left or top, 1 right or bottom, 0 neither. */
export type Handle = { x: -1 | 0 | 1; y: -1 | 0 | 1 };

export const HANDLES: Handle[] = [
  { x: -1, y: -1 },
  { x: 0, y: -1 },
  { x: 1, y: -1 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
  { x: -1, y: 1 },
  { x: -1, y: 0 },
];

export type ResizeOptions = { proportional?: boolean; fromCentre?: boolean; min?: number };

/** Where a handle of a frame stands, in the frame's parent's coordinates. */
export function handlePoint(frame: Frame, handle: Handle): Point {
  const local = { x: ((handle.x + 1) / 2) * frame.width, y: ((handle.y + 1) / 2) * frame.height };
  // Handles are named by where they are seen: a flipped frame keeps its left handle on the left.
  if (frame.flipX) local.x = frame.width - local.x;
  if (frame.flipY) local.y = frame.height - local.y;
  return transform(frameMatrix(frame), local);
}

/**
 * The frame after its handle was dragged by `delta` (in the parent's coordinates). The opposite handle stays where it is, or
 * the centre with `fromCentre`; no side gets shorter than `min` points (default 4).
 */
export function resize(frame: Frame, handle: Handle, delta: Point, options: ResizeOptions = {}): Frame {
  const min = options.min ?? 4;
  const pull = transform(inverse(linear(rotation(frame.angle))), delta);
  const factor = options.fromCentre ? 2 : 1;
  let width = Math.max(min, frame.width + handle.x * pull.x * factor);
  let height = Math.max(min, frame.height + handle.y * pull.y * factor);
  if (options.proportional && frame.width > 0 && frame.height > 0) {
    const across = width / frame.width;
    const down = height / frame.height;
    const scale = handle.x === 0 ? down : handle.y === 0 ? across : Math.max(across, down);
    width = Math.max(min, frame.width * scale);
    height = Math.max(min, frame.height * scale);
  }
  const next: Frame = { ...frame, width, height };
  const fixed: Handle = options.fromCentre ? { x: 0, y: 0 } : ({ x: -handle.x, y: -handle.y } as Handle);
  const was = handlePoint(frame, fixed);
  const is = handlePoint(next, fixed);
  return { ...next, x: frame.x + was.x - is.x, y: frame.y + was.y - is.y };
}

/** A frame inside a box that went from `before` to `after`, keeping its share of it. */
export function rescaled(frame: Frame, before: Box, after: Box): Frame {
  const sx = before.width > 0 ? after.width / before.width : 1;
  const sy = before.height > 0 ? after.height / before.height : 1;
  // A turned frame can not be sheared: it takes the mean of both scales, and its centre goes where it should.
  const upright = frame.angle % 90 === 0;
  const quarter = Math.abs(frame.angle % 180) === 90;
  const mean = Math.sqrt(sx * sy);
  const width = frame.width * (upright ? (quarter ? sy : sx) : mean);
  const height = frame.height * (upright ? (quarter ? sx : sy) : mean);
  const cx = after.x + (frame.x + frame.width / 2 - before.x) * sx;
  const cy = after.y + (frame.y + frame.height / 2 - before.y) * sy;
  return { ...frame, width, height, x: cx - width / 2, y: cy - height / 2 };
}

/** The angle of a frame whose turning handle is dragged to `point`; with `step`, in whole steps of so many degrees. */
export function turned(frame: Frame, point: Point, step?: number): number {
  const angle =
    (Math.atan2(point.y - (frame.y + frame.height / 2), point.x - (frame.x + frame.width / 2)) * 180) / Math.PI + 90;
  const whole = ((angle % 360) + 360) % 360;
  const near = step ? Math.round(whole / step) * step : Math.round(whole * 10) / 10;
  return near % 360;
}
