import type { Outline } from '../schema/sheet';

/** Scaled measures, within the document's limits. */
export const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));
export const tidy = (value: number) => Math.round(value * 1000) / 1000;

export const thicker = <T extends Outline | null>(outline: T, factor: number): T =>
  factor === 1 ? outline : outline && { ...outline, width: tidy(within(outline.width * factor, 0.1, 100)) };
