import { strFromU8, unzipSync } from 'fflate';
import type { NamedText, ReadClass } from '../../core/formats/roster-file';
import { isOneRoster, oneRoster, rosterRows, textOf } from '../../core/formats/roster-file';

/** What was found in files: a table whose columns are to be told, or classes that need nothing more. */
export type Found =
  | { kind: 'table'; file: string; rows: string[][]; left: number }
  | { kind: 'classes'; file: string; classes: ReadClass[]; lost: number }
  | { kind: 'nothing'; problem: string };

/** The largest file, and the largest in a ZIP, in bytes. */
const MOST = 8e6;

const isZip = (bytes: Uint8Array) => strFromU8(bytes.subarray(0, 2), true) === 'PK';

function unzipped(bytes: Uint8Array): NamedText[] {
  const files = unzipSync(bytes, {
    filter: ({ name, originalSize }) => /\.(csv|tsv|txt)$/i.test(name) && originalSize <= MOST,
  });
  return Object.entries(files).map(([name, inside]) => ({ name, text: textOf(inside) }));
}

/** Reads class lists: a CSV file, or the files of a OneRoster export, in a ZIP or side by side. */
export async function readFiles(files: readonly File[]): Promise<Found> {
  const nothing = (problem: string): Found => ({ kind: 'nothing', problem });
  const large = files.find(({ size }) => size > MOST);
  if (large) return nothing(`${large.name} is too large: at most 8 MB. Save only the list of names.`);
  const texts: NamedText[] = [];
  for (const file of files) {
    const bytes = new Uint8Array(await file.arrayBuffer());
    if (!isZip(bytes)) texts.push({ name: file.name, text: textOf(bytes) });
    else if (/\.xlsx?$|\.ods$|\.numbers$/i.test(file.name))
      return nothing(`${file.name} is a spreadsheet. Save it as CSV first, then choose that file.`);
    else
      try {
        texts.push(...unzipped(bytes));
      } catch {
        return nothing(`${file.name} is damaged: the ZIP can’t be opened. Ask for it once more.`);
      }
  }
  const file = files.map(({ name }) => name).join(', ');
  if (isOneRoster(texts)) return { kind: 'classes', file, ...oneRoster(texts) };
  const [one] = texts;
  if (!one || texts.length > 1)
    return nothing(
      'These files belong to no class list that can be read: choose one CSV file, or users.csv, classes.csv and enrollments.csv of a OneRoster export.',
    );
  if (/[\u0000-\u0008]/.test(one.text.slice(0, 2000)))
    return nothing(`${file} is no list of names. Save the list as CSV first, then choose that file.`);
  const { rows, left } = rosterRows(one.text);
  return rows.length === 0 ? nothing(`${file} is empty.`) : { kind: 'table', file, rows, left };
}
