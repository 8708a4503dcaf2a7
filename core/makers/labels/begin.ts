import type { DrawnPicture } from '../../pictures/picture';
import { contrastOf } from '../../colour/space';
import type { Change } from '../../changes/change';
import { defaultRoles } from '../../schema/defaults';
import type { Sheet } from '../../schema/sheet';
import { cutTo } from '../../values/characters';
import type { CallOutLine, LabelsRecipe, Spot } from '../../schema/recipes/labels';

/** A line of call-outs by what it holds; lines of one name share a role of the sheet. */
export function calledLine(name: string): CallOutLine {
  const said = name.normalize('NFKD').toLowerCase();
  const id = said.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '');
  return { name, role: `call-out-${cutTo(id, 24) || 'line'}` };
}

/** The roles that call-outs are set in and that a sheet does not have yet: in dark colours of its palette. */
export function rolesForLines(lines: readonly CallOutLine[], sheet: Pick<Sheet, 'roles' | 'palette'>): Change[] {
  const dark = sheet.palette.filter((hex) => contrastOf(hex, '#ffffff') >= 4.5);
  return lines.flatMap(({ name, role }, i): Change[] => {
    if (Object.hasOwn(sheet.roles, role)) return [];
    const { body } = { ...defaultRoles(), ...sheet.roles };
    const run = { ...body.run, bold: i === 0, italic: i === 1, colour: dark[i % dark.length] ?? body.run.colour };
    return [{ kind: 'role-set', id: role, role: { ...body, name, run } }];
  });
}

/** Labels as they begin: those of all named parts, where the picture has them. */

export const spotsOf = (picture: Pick<DrawnPicture, 'targets' | 'width' | 'height'> | undefined): Spot[] =>
  (picture?.targets ?? []).map(({ name, x, y }, i) => ({
    id: `${i + 1}`,
    words: name,
    also: [],
    x: x / picture!.width,
    y: y / picture!.height,
    wide: 0,
    high: 0,
    target: name,
    definition: '',
    reason: '',
  }));

export const beginLabels = (
  palette: readonly string[],
  picture = 'diagram/heron',
  spots: Spot[] = [],
): LabelsRecipe => ({
  picture,
  drawing: null,
  spots,
  form: 'word',
  lines: [calledLine('What it is like'), calledLine('What for')],
  edition: 'filled',
  some: 3,
  decoys: [],
  sides: 'both',
  size: 14,
  fill: palette[9] ?? '#ffffff',
  edge: palette[2] ?? '#7f9d63',
  line: '#5b5646',
});
