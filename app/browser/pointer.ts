/** A pen without pressure, a finger and a mouse draw evenly. From 0 to 1. */
export const pressureOf = ({ pointerType, pressure }: { pointerType: string; pressure: number }): number =>
  pointerType === 'pen' && pressure > 0 ? pressure : 0.5;
