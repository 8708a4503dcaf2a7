/** How wide a field is: `width` pixels, or what is left of its row. */
export const widthOf = (width?: number) => (width === undefined ? { flex: 1, minWidth: 0, width: '100%' } : { width });
