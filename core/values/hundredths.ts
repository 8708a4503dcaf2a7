/** A number as it is written into path data and markup: rounded to hundredths. */
export const hundredths = (n: number): string => `${Math.round(n * 100) / 100}`;
