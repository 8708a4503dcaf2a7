import Papa from 'papaparse';

/**
 * A table as CSV that spreadsheets open with its accents. What begins like a formula stays text: names and answers come from
 * students.
 */
export const csvOf = (rows: readonly (readonly (string | number)[])[]): string =>
  `\uFEFF${Papa.unparse(rows as (string | number)[][], { escapeFormulae: true })}\r\n`;
