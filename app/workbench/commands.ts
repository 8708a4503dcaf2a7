import { frameMatrix, parentMatrix } from '../../core/geometry/frame';
import { boxOf } from '../../core/geometry/hit';
import type { Point } from '../../core/geometry/matrix';
import { compose, transform } from '../../core/geometry/matrix';
import type { ShapeName } from '../../core/geometry/outline';
import { OUTLINES } from '../../core/geometry/outline';
import { bodyLength, bodyText, runsWithin } from '../../core/sheet/body';
import type { Change } from '../../core/sheet/change';
import { lookOf, withLook } from '../../core/sheet/look';
import { free, line, picture, plain, shape, solid, text } from '../../core/sheet/make';
import type { Item, LineItem, Page, PictureItem, Role, TextItem } from '../../core/sheet/schema';
import { isWritten } from '../../core/sheet/schema';
import { everyItem, findOn } from '../../core/sheet/tree';
import { pictureNow } from '../sheet/resources';
import { refitted } from '../../core/text/refit';
import { fullFormat, fullStyle, roleOf } from '../../core/text/style';
import { itemChanges } from './arrange';
import type { Bench } from './bench';
import { copied } from './clipboard';
import { add, all, inLastLook, movable, newId, placeFor, set, touch } from './steps';
import { fitted } from './word-commands';

/** What a person can put on the sheet and set there, each as one step that can be undone. */

const ROLE_SAMPLES: Record<string, { words: string; width: number; height: number }> = {
  title: { words: 'Title', width: 320, height: 46 },
  heading: { words: 'Heading', width: 240, height: 32 },
  bank: { words: 'words · to · use', width: 340, height: 28 },
};

export function addText(bench: Bench, role: string, at?: Point): void {
  const { words, width, height } = ROLE_SAMPLES[role] ?? { words: '', width: 200, height: 28 };
  const item = text({
    id: newId(),
    role,
    touch: touch(bench),
    ...placeFor(bench, width, height, at),
    width,
    height,
    body: plain(words),
    ...(role === 'name' && { body: plain('Name '), width: 220 }),
  });
  if (add(bench, 'Add text', [inLastLook(bench, item, ['role'])]))
    bench.edit({ id: item.id, anchor: 0, focus: bodyLength(item.body), typing: null });
}

export function addShape(bench: Bench, kind: ShapeName, at?: Point): void {
  const { ratio = 1.25 } = OUTLINES[kind];
  const [width, height] = ratio >= 1 ? [120, 120 / ratio] : [110 * ratio, 110];
  const item = shape({
    id: newId(),
    shape: kind,
    touch: touch(bench),
    ...placeFor(bench, width, height, at),
    width,
    height,
  });
  add(bench, 'Add shape', [inLastLook(bench, item)]);
}

export function addLine(bench: Bench, given: Partial<LineItem>, at?: Point): void {
  const { x, y } = placeFor(bench, 140, 0, at);
  const item = line({ id: newId(), touch: touch(bench), from: free(x, y), to: free(x + 140, y), ...given });
  add(bench, 'Add line', [inLastLook(bench, item, ['route', 'startCap', 'endCap'])]);
}

export function addPicture(
  bench: Bench,
  given: { id: string; name: string; credit: string; width: number; height: number },
  at?: Point,
): void {
  const room = Math.min(bench.page.width, bench.page.height);
  const longest = given.id.startsWith('diagram/') ? room * 0.62 : room * 0.2;
  const scale = longest / Math.max(given.width, given.height);
  const [width, height] = [given.width * scale, given.height * scale];
  add(bench, 'Add picture', [
    picture({
      id: newId(),
      picture: given.id,
      touch: touch(bench),
      alt: given.name,
      credit: given.credit,
      ...placeFor(bench, width, height, at),
      width,
      height,
    }),
  ]);
}

const LABEL_LOOK = {
  padding: 5,
  corner: 6,
  vertical: 'middle' as const,
  width: 118,
  height: 28,
  fill: solid('#fffefa'),
  outline: { colour: '#6b6450', width: 1.25, dash: 'solid' as const },
};

/** A label with a line to a named part, set beside the picture on the side where the part is. */
export function addLabel(bench: Bench, to: PictureItem, target: string, blank: boolean): void {
  const drawn = pictureNow(to.picture);
  const part = drawn?.targets.find((t) => t.name === target);
  if (!drawn || !part) return;
  const matrix = compose(parentMatrix(bench.page, to.id), frameMatrix(to));
  const point = transform(matrix, { x: (part.x / drawn.width) * to.width, y: (part.y / drawn.height) * to.height });
  const around = boxOf(bench.page, to, pictureNow);
  const right = point.x > around.x + around.width / 2;
  const x = right
    ? Math.min(bench.page.width - LABEL_LOOK.width - 20, around.x + around.width + 24)
    : Math.max(20, around.x - LABEL_LOOK.width - 24);
  // The next free row on that side.
  let y = Math.max(20, Math.min(bench.page.height - 48, point.y - LABEL_LOOK.height / 2));
  const taken = (at: number) =>
    bench.page.items.some(
      (item) =>
        item.kind === 'text' &&
        Math.abs(item.x - x) < LABEL_LOOK.width &&
        Math.abs(item.y - at) < LABEL_LOOK.height + 6,
    );
  for (let step = 1; taken(y) && step < 40; step++) y += (step % 2 ? 1 : -1) * step * (LABEL_LOOK.height + 8);
  addLabelAt(bench, { x, y }, { item: to.id, target }, target, blank);
}

/** A label by itself, its line free or held to a part. */
export function addLabelAt(
  bench: Bench,
  at: Point,
  end: { item: string; target: string } | null,
  words: string,
  blank: boolean,
): void {
  const label = text({
    id: newId(),
    role: 'label',
    ...LABEL_LOOK,
    ...at,
    touch: blank ? 'fill' : touch(bench),
    blank,
    body: plain(words),
  });
  const leader = line({
    id: newId(),
    touch: touch(bench),
    from: { ...free(at.x, at.y), item: label.id },
    to: { ...free(at.x - 60, at.y + 50), ...(end ?? {}) },
    endCap: 'dot',
    outline: { colour: '#6b6450', width: 1.1, dash: 'solid' },
  });
  add(bench, 'Add label', [label, leader]);
}

/** The answers of the page's blanks, in an order that gives nothing away. */
export function addWordBank(bench: Bench): void {
  const words = [...everyItem(bench.page)]
    .flatMap((item) => (item.kind === 'text' && item.blank ? [bodyText(item.body).trim()] : []))
    .filter(Boolean);
  if (words.length === 0)
    return bench.say('A word bank is filled from the blanks on the page. Make a label blank first.');
  const width = Math.min(bench.page.width - 72, 120 + words.join(' · ').length * 6.6);
  const sorted = [...new Set(words)].sort((a, b) => a.localeCompare(b));
  const item = text({
    id: newId(),
    role: 'bank',
    body: plain(sorted.join('  ·  ')),
    width,
    height: 32,
    padding: 6,
    corner: 10,
    vertical: 'middle',
    x: (bench.page.width - width) / 2,
    y: bench.page.height - 32 - Math.max(24, bench.page.margin),
    fill: solid('#e6edd9'),
  });
  add(bench, 'Add word bank', [item]);
}

export function setValues(bench: Bench, name: string, values: Record<string, unknown>, ids = bench.selection): void {
  const changes = ids.flatMap((id) => {
    const item = findOn(bench.page, id)?.item;
    const own = item && Object.fromEntries(Object.entries(values).filter(([key]) => key in item));
    if (!item || !own || Object.keys(own).length === 0) return [];
    const change = set(id, own);
    if (item.kind !== 'text') return [change];
    const next = { ...item, ...own } as TextItem;
    return [change, ...fitted(bench, item, next)];
  });
  if (changes.length > 0 && bench.make(name, all(changes))) bench.remember(ids);
}

/** A colour that was chosen for something is at hand again afterwards. */
export function noteColour(bench: Bench, hex: string | null): void {
  if (hex) bench.remember([], hex);
}

// Looks

export function copyLook(bench: Bench): void {
  const item = bench.chosen ?? bench.selectedItems[0];
  if (!item) return;
  bench.put({ copiedLook: lookOf(item) });
  bench.say('Its look is copied. Choose other things and press Ctrl+Alt+V to give it to them.');
}

export function giveLook(bench: Bench): void {
  const look = bench.copiedLook;
  if (!look) return bench.say('Copy a look first: choose a thing and press Ctrl+Alt+C.');
  const items = movable(bench);
  const changes = items.flatMap((item) => {
    const next = withLook(item, look);
    return [...itemChanges(item, next), ...(item.kind === 'text' ? fitted(bench, item, next as TextItem) : [])];
  });
  if (changes.length > 0) bench.make('Give look', all(changes));
}

export type Alike = 'kind' | 'colour' | 'role';

/** The colour by which a thing is taken to be alike another: its fill, else its line, else its words. */
function colourOf(bench: Bench, item: Item): string | null {
  if ((item.kind === 'text' || item.kind === 'shape') && item.fill)
    return item.fill.kind === 'solid' ? item.fill.colour : item.fill.stops[0].colour;
  if (item.kind === 'line') return item.outline.colour;
  if (item.kind === 'ink') return item.colour;
  if (!isWritten(item)) return null;
  const run = item.body.find((p) => p.runs.length > 0)?.runs[0];
  return run?.style.colour ?? roleOf(bench.sheet, item.role).run.colour;
}

/** Chooses everything on the page that is like what is chosen. */
export function chooseAlike(bench: Bench, by: Alike): void {
  const model = bench.chosen ?? bench.selectedItems[0];
  if (!model) return;
  const same: Record<Alike, (item: Item) => boolean> = {
    kind: (item) =>
      item.kind === model.kind && (item.kind !== 'shape' || model.kind !== 'shape' || item.shape === model.shape),
    colour: (item) => colourOf(bench, item) !== null && colourOf(bench, item) === colourOf(bench, model),
    role: (item) => item.role !== null && item.role === model.role,
  };
  const ids = (bench.enteredGroup ?? bench.page).items
    .filter(
      (item) =>
        !item.hidden && !item.locked && (bench.rights.kind === 'all' || item.touch === 'free') && same[by](item),
    )
    .map((item) => item.id);
  if (ids.length > 0) bench.select(ids);
}

// Text roles

/** All boxes of a role take over how the first words of this one are set; its own exceptions go. */
export function restyleRole(bench: Bench, item: TextItem): void {
  const id = item.role ?? 'body';
  const role = roleOf(bench.sheet, id);
  const first = item.body.find((p) => p.runs.length > 0) ?? item.body[0];
  const next: Role = {
    name: role.name,
    run: fullStyle(role, first.runs[0]?.style ?? {}),
    paragraph: { ...fullFormat(role, first.format), list: role.paragraph.list, level: role.paragraph.level },
  };
  const length = bodyLength(item.body);
  const cleared = Object.fromEntries(Object.keys(next.run).map((key) => [key, null]));
  const changes: Change[] = [
    { kind: 'role-set', id, role: next },
    { kind: 'style', id: item.id, from: 0, to: length, patch: cleared },
    { kind: 'paragraph', id: item.id, from: 0, to: length, patch: { align: null, lineSpacing: null, before: null } },
  ];
  setRoles(bench, 'Restyle role', changes);
}

/** Makes changes of roles, and lets the boxes that grow with their words grow. */
export function setRoles(bench: Bench, name: string, changes: Change[]): void {
  const after = bench.triedSheet(all(changes));
  if (!after || !bench.faces) return;
  bench.make(name, all([...changes, ...refitted(bench.sheet, after, bench.faces)]));
}

/** A role of one's own from how this box is set. */
export function addRole(bench: Bench, item: TextItem, name: string): void {
  const clean = name.trim().slice(0, 60);
  if (!clean) return bench.say('Give the role a name first.');
  if (Object.values(bench.sheet.roles).some((role) => role.name.toLowerCase() === clean.toLowerCase()))
    return bench.say('There is a role of this name already. Choose another name.');
  const role = roleOf(bench.sheet, item.role);
  const first = item.body.find((p) => p.runs.length > 0) ?? item.body[0];
  const id = newId();
  bench.make(
    'Add role',
    all([
      {
        kind: 'role-set',
        id,
        role: {
          name: clean,
          run: fullStyle(role, first.runs[0]?.style ?? {}),
          paragraph: fullFormat(role, first.format),
        },
      },
      set(item.id, { role: id }),
    ]),
  );
}

/** Takes a role of one's own away; its boxes are body text then, and keep their look. */
export function removeRole(bench: Bench, id: string): void {
  const role = bench.sheet.roles[id];
  if (!role) return;
  const changes = [...everyItem(bench.sheet)].flatMap((item): Change[] => {
    if (item.kind !== 'text' || item.role !== id) return [];
    const length = bodyLength(item.body);
    return [
      set(item.id, { role: 'body' }),
      ...runsWithin(item.body, 0, length).map((run): Change => ({
        kind: 'style',
        id: item.id,
        from: run.from,
        to: run.to,
        patch: fullStyle(role, run.style),
      })),
    ];
  });
  bench.make('Remove role', all([...changes, { kind: 'role-set', id, role: null }]));
}

// Pages

export function addPage(bench: Bench): void {
  const { page } = bench;
  const id = newId();
  const made = { ...page, id, items: [], guides: [] };
  if (bench.make('Add page', { kind: 'page-insert', behind: page.id, page: made })) bench.turnTo(id);
}

export function duplicatePage(bench: Bench, source: Page = bench.page): void {
  const id = newId();
  const page = { ...source, id, items: copied(source.items, { x: 0, y: 0 }) };
  if (bench.make('Duplicate page', { kind: 'page-insert', behind: source.id, page })) bench.turnTo(id);
}

export function movePage(bench: Bench, id: string, to: number): void {
  const others = bench.sheet.pages.filter((page) => page.id !== id);
  const at = Math.max(0, Math.min(others.length, to));
  if (bench.sheet.pages[at]?.id === id) return;
  bench.make('Move page', { kind: 'page-move', id, behind: at > 0 ? others[at - 1].id : null });
}

export function removePage(bench: Bench, id = bench.page.id): void {
  const { pages } = bench.sheet;
  const at = pages.findIndex((page) => page.id === id);
  const next = pages[at + 1] ?? pages[at - 1];
  if (bench.make('Remove page', { kind: 'page-remove', id }) && next && bench.pageId === id) bench.turnTo(next.id);
}

export function turnPage(bench: Bench, by: 1 | -1): void {
  const { pages } = bench.sheet;
  const next = pages[pages.findIndex((page) => page.id === bench.page.id) + by];
  if (next) bench.turnTo(next.id);
}
