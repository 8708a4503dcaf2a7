import { nanoid } from 'nanoid';
import { around } from '../../core/geometry/box';
import { boxOf } from '../../core/geometry/hit';
import { frameMatrix, parentMatrix } from '../../core/geometry/frame';
import type { Box, Point } from '../../core/geometry/matrix';
import { compose, inverse, linear, transform } from '../../core/geometry/matrix';
import { rescaled } from '../../core/geometry/resize';
import { bodyLength, bodyText } from '../../core/sheet/body';
import type { Patch } from '../../core/sheet/body';
import type { Change } from '../../core/sheet/change';
import { free, group, line, picture, plain, shape, solid, text } from '../../core/sheet/make';
import type { GroupItem, Item, LineItem, PictureItem, RunStyle, TextItem } from '../../core/sheet/schema';
import { isFramed, isWritten } from '../../core/sheet/schema';
import { everyItem, findOn, idsWithin } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/layout';
import { roleOf } from '../../core/text/style';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';

/** What a person can do to the sheet, each as one step that can be undone. */

export const newId = () => nanoid(12);
const all = (changes: Change[]): Change => (changes.length === 1 ? changes[0] : { kind: 'all', changes });
const set = (id: string, values: Record<string, unknown>): Change => ({ kind: 'set', id, values });

/** What is added by a student stays the student's own. */
const touch = (bench: Bench) => (bench.rights.kind === 'all' ? ('fixed' as const) : ('free' as const));

const spotFor = (bench: Bench) => ({ page: bench.page.id, group: bench.entered, behind: null });

/** Adds items in front, the first one foremost, and chooses those that were meant. */
function add(bench: Bench, name: string, items: Item[], choose: string[] = [items[0].id]): boolean {
  const spot = spotFor(bench);
  const made = bench.make(name, all(items.toReversed().map((item) => ({ kind: 'insert', spot, item }))));
  if (made) bench.select(choose);
  return made;
}

/** A place for something new: in the middle of the page, stepped aside while something lies just there. */
export function placeFor(bench: Bench, width: number, height: number, at?: Point): Point {
  const { page } = bench;
  if (at) return { x: at.x - width / 2, y: at.y - height / 2 };
  let x = (page.width - width) / 2;
  let y = (page.height - height) / 2;
  const taken = (px: number, py: number) =>
    page.items.some((item) => isFramed(item) && Math.abs(item.x - px) < 6 && Math.abs(item.y - py) < 6);
  while (taken(x, y) && x < page.width - 20 && y < page.height - 20) {
    x += 16;
    y += 16;
  }
  return { x, y };
}

/** Grows a box with its words: always when they need more, and back when it was just as high as they were. */
export function fitted(bench: Bench, before: TextItem, after: TextItem): Change[] {
  if (after.fit !== 'grow' || !bench.faces) return [];
  const role = roleOf(bench.sheet, after.role);
  const need = grownHeight(after.body, role, after, bench.faces);
  const tight = Math.abs(before.height - grownHeight(before.body, role, before, bench.faces)) < 0.6;
  return need > after.height + 0.01 || (tight && need < after.height - 0.01)
    ? [set(after.id, { height: Math.round(need * 100) / 100 })]
    : [];
}

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
  if (add(bench, 'Add text', [item]))
    bench.edit({ id: item.id, anchor: 0, focus: bodyLength(item.body), typing: null });
}

export function addShape(bench: Bench, kind: Parameters<typeof shape>[0]['shape'] & string, at?: Point): void {
  const [width, height] =
    kind === 'arrow' ? [140, 70] : kind === 'balloon' ? [170, 110] : [110, kind === 'star' ? 106 : 90];
  add(bench, 'Add shape', [
    shape({
      id: newId(),
      shape: kind,
      touch: touch(bench),
      ...placeFor(bench, width, height, at),
      width,
      height,
      adjust: kind === 'rectangle' ? 0 : 0.3,
    }),
  ]);
}

export function addLine(bench: Bench, given: Partial<LineItem>, at?: Point): void {
  const { x, y } = placeFor(bench, 140, 0, at);
  add(bench, 'Add line', [
    line({ id: newId(), touch: touch(bench), from: free(x, y), to: free(x + 140, y), ...given }),
  ]);
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
  addLabelAt(bench, { x, y }, { item: to.id, target }, blank ? target : target, blank);
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
    return own && Object.keys(own).length > 0 ? [set(id, own)] : [];
  });
  if (changes.length > 0) bench.make(name, all(changes));
}

/** Styles the words being marked, or all words of the chosen boxes. */
export function styleWords(bench: Bench, name: string, patch: Patch<RunStyle>): void {
  const { editing } = bench;
  if (editing && editing.anchor === editing.focus) {
    const typing = Object.fromEntries(
      Object.entries({ ...editing.typing, ...patch }).filter(([, value]) => value !== null),
    );
    bench.edit({ ...editing, typing });
    return;
  }
  const changes = (editing ? [editing.id] : bench.selection).flatMap((id): Change[] => {
    const item = findOn(bench.page, id)?.item;
    if (!item || !isWritten(item)) return [];
    const [from, to] = editing
      ? [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)]
      : [0, bodyLength(item.body)];
    const change: Change = { kind: 'style', id, from, to, patch };
    return [change, ...grownBy(bench, item, change)];
  });
  if (changes.length > 0) bench.make(name, all(changes));
}

export function formatWords(bench: Bench, name: string, patch: Extract<Change, { kind: 'paragraph' }>['patch']): void {
  const { editing } = bench;
  const changes = (editing ? [editing.id] : bench.selection).flatMap((id): Change[] => {
    const item = findOn(bench.page, id)?.item;
    if (!item || !isWritten(item)) return [];
    const [from, to] = editing
      ? [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)]
      : [0, bodyLength(item.body)];
    const change: Change = { kind: 'paragraph', id, from, to, patch };
    return [change, ...grownBy(bench, item, change)];
  });
  if (changes.length > 0) bench.make(name, all(changes));
}

function grownBy(bench: Bench, item: Item, change: Change): Change[] {
  if (item.kind !== 'text') return [];
  const after = bench.tried(change);
  const next = after && findOn(after, item.id)?.item;
  return next?.kind === 'text' ? fitted(bench, item, next) : [];
}

/** The change of place of one item by a distance on the page. */
export function moveChange(bench: Bench, item: Item, by: Point): Change {
  const local = transform(inverse(linear(parentMatrix(bench.page, item.id))), by);
  if (item.kind === 'line') {
    const moved = (end: LineItem['from']) =>
      end.item === null ? { ...end, x: end.x + local.x, y: end.y + local.y } : end;
    return set(item.id, { from: moved(item.from), to: moved(item.to) });
  }
  return set(item.id, { x: item.x + local.x, y: item.y + local.y });
}

const movable = (bench: Bench) => bench.selectedItems.filter((item) => !item.locked);

export function nudge(bench: Bench, by: Point): void {
  const items = movable(bench);
  if (items.length > 0) bench.make('Move', all(items.map((item) => moveChange(bench, item, by))));
}

export function remove(bench: Bench): void {
  const items = movable(bench);
  if (items.length === 0) {
    if (bench.selection.length > 0) bench.say('This is locked. Unlock it in the margin to take it away.');
    return;
  }
  bench.make('Remove', all(items.map((item) => ({ kind: 'remove', id: item.id }))));
}

/** Copies of items with new identities; lines between them hold on to the copies. */
export function copied(items: readonly Item[], by: Point, own?: 'free'): Item[] {
  const names = new Map(items.flatMap(idsWithin).map((id) => [id, newId()]));
  const renamed = (item: Item, top: boolean): Item => {
    const id = names.get(item.id)!;
    const touched = own ? { touch: own } : {};
    if (item.kind === 'line') {
      const end = (e: LineItem['from']) => ({
        ...e,
        ...(top && { x: e.x + by.x, y: e.y + by.y }),
        item: e.item === null ? null : (names.get(e.item) ?? e.item),
      });
      return { ...item, ...touched, id, from: end(item.from), to: end(item.to) };
    }
    const moved = top ? { x: item.x + by.x, y: item.y + by.y } : {};
    const plainText = own && item.kind === 'text' ? { blank: false, also: [] } : {};
    if (item.kind === 'group')
      return { ...item, ...touched, ...moved, id, items: item.items.map((part) => renamed(part, false)) };
    return { ...item, ...touched, ...moved, ...plainText, id } as Item;
  };
  return items.map((item) => renamed(item, true));
}

/** Items in the order in which they lie, front to back. */
const inOrder = (bench: Bench, ids: readonly string[]) =>
  [...everyItem(bench.page)].filter((item) => ids.includes(item.id));

const ownTouch = (bench: Bench) => (bench.rights.kind === 'all' ? undefined : ('free' as const));

export function duplicate(bench: Bench): void {
  const items = inOrder(bench, bench.selection);
  if (items.length === 0) return;
  const copies = copied(items, { x: 14, y: 14 }, ownTouch(bench));
  add(
    bench,
    'Duplicate',
    copies,
    copies.map((item) => item.id),
  );
}

const CLIP = 'dappled-margin/items:';
export const clipOf = (bench: Bench) => {
  const items = inOrder(bench, bench.selection);
  return items.length > 0 ? CLIP + JSON.stringify(items) : null;
};
export function pasteClip(bench: Bench, clip: string, parse: (json: unknown) => Item[] | null): boolean {
  if (!clip.startsWith(CLIP)) return false;
  let items: Item[] | null = null;
  try {
    items = parse(JSON.parse(clip.slice(CLIP.length)));
  } catch {
    // said below
  }
  if (!items || items.length === 0) bench.say('What was copied could not be read. Copy it again.');
  else {
    const copies = copied(items, { x: 14, y: 14 }, ownTouch(bench));
    add(
      bench,
      'Paste',
      copies,
      copies.map((item) => item.id),
    );
  }
  return true;
}
export function pasteWords(bench: Bench, words: string): void {
  const body = plain(words.replace(/\r\n?/g, '\n').replace(/\n+$/, '').slice(0, 60_000));
  const { x, y } = placeFor(bench, 260, 60);
  const item = text({ id: newId(), touch: touch(bench), x, y, width: 260, height: 30, body });
  const height = bench.faces ? grownHeight(body, roleOf(bench.sheet, 'body'), item, bench.faces) : item.height;
  add(bench, 'Paste words', [{ ...item, height }]);
}

/** One step (by 1) or all the way (by Infinity) to the front; negative to the back. */
export function reorder(bench: Bench, by: number): void {
  const { page } = bench;
  const [id] = bench.selection;
  const place = id && bench.selection.length === 1 ? findOn(page, id) : undefined;
  if (!place) return;
  const others = place.siblings.filter((item) => item.id !== id);
  const at = Math.max(0, Math.min(others.length, place.index - by));
  if (at === place.index) return;
  bench.make(by > 0 ? 'Bring forward' : 'Send back', {
    kind: 'reorder',
    id,
    spot: { page: page.id, group: place.groups.at(-1)?.id ?? null, behind: at === 0 ? null : others[at - 1].id },
  });
}

export function groupChosen(bench: Bench): void {
  const { page } = bench;
  const items = inOrder(bench, bench.selection);
  if (items.length < 2) return bench.say('Choose two things or more to group them.');
  const parent = findOn(page, items[0].id)?.groups.at(-1)?.id ?? null;
  if (items.some((item) => (findOn(page, item.id)?.groups.at(-1)?.id ?? null) !== parent))
    return bench.say('Things in different groups can not be grouped together.');
  const outer = parentMatrix(page, items[0].id);
  const back = inverse(outer);
  const box = around(
    items.flatMap((item) => {
      const b = boxOf(page, item, pictureNow);
      return [
        { x: b.x, y: b.y },
        { x: b.x + b.width, y: b.y },
        { x: b.x, y: b.y + b.height },
        { x: b.x + b.width, y: b.y + b.height },
      ].map((point) => transform(back, point));
    }),
  );
  const id = newId();
  const place = findOn(page, items[0].id)!;
  const shell: GroupItem = group({
    id,
    ...box,
    items: [],
    touch: items.every((item) => item.touch === 'free') ? 'free' : 'fixed',
  });
  const changes: Change[] = [
    {
      kind: 'insert',
      spot: { page: page.id, group: parent, behind: place.index > 0 ? place.siblings[place.index - 1].id : null },
      item: shell,
    },
  ];
  items.toReversed().forEach((item) => {
    changes.push(
      { kind: 'reorder', id: item.id, spot: { page: page.id, group: id, behind: null } },
      moveBy(item, { x: -box.x, y: -box.y }),
    );
  });
  if (bench.make('Group', all(changes))) bench.select([id]);
}

const moveBy = (item: Item, by: Point): Change =>
  item.kind === 'line'
    ? set(item.id, {
        from: { ...item.from, x: item.from.x + by.x, y: item.from.y + by.y },
        to: { ...item.to, x: item.to.x + by.x, y: item.to.y + by.y },
      })
    : set(item.id, { x: item.x + by.x, y: item.y + by.y });

export function ungroupChosen(bench: Bench): void {
  const item = bench.chosen;
  if (item?.kind !== 'group') return;
  const place = findOn(bench.page, item.id)!;
  const outer = place.groups.at(-1)?.id ?? null;
  const matrix = frameMatrix(item);
  const changes: Change[] = [];
  for (const part of item.items.toReversed()) {
    changes.push({ kind: 'reorder', id: part.id, spot: { page: bench.page.id, group: outer, behind: item.id } });
    if (part.kind === 'line') {
      const end = (e: LineItem['from']) => ({ ...e, ...transform(matrix, e) });
      changes.push(set(part.id, { from: end(part.from), to: end(part.to) }));
    } else {
      const middle = transform(matrix, { x: part.x + part.width / 2, y: part.y + part.height / 2 });
      const turned = item.flipX !== item.flipY ? item.angle - part.angle : item.angle + part.angle;
      changes.push(
        set(part.id, {
          x: middle.x - part.width / 2,
          y: middle.y - part.height / 2,
          angle: turned % 360,
          flipX: part.flipX !== item.flipX,
          flipY: part.flipY !== item.flipY,
        }),
      );
    }
  }
  const ids = item.items.map((part) => part.id);
  if (bench.make('Ungroup', all([...changes, { kind: 'remove', id: item.id }]))) bench.select(ids);
}

/** The items as they are when the box around them goes from `before` to `after`; groups take their parts along. */
export function scaledItem(item: Item, before: Box, after: Box): Item {
  const sx = before.width > 0 ? after.width / before.width : 1;
  const sy = before.height > 0 ? after.height / before.height : 1;
  if (item.kind === 'line') {
    const end = (e: LineItem['from']) => ({
      ...e,
      x: after.x + (e.x - before.x) * sx,
      y: after.y + (e.y - before.y) * sy,
    });
    return { ...item, from: end(item.from), to: end(item.to) };
  }
  const frame = rescaled(item, before, after);
  if (item.kind !== 'group') return { ...item, ...frame };
  return resizedGroup(item, frame);
}

export function resizedGroup(item: GroupItem, frame: Partial<GroupItem>): GroupItem {
  const next = { ...item, ...frame };
  const [inner, outer] = [item, next].map(({ width, height }) => ({ x: 0, y: 0, width, height }));
  return { ...next, items: item.items.map((part) => scaledItem(part, inner, outer)) };
}

/** The changes that lead from items to what they were resized to. */
export function frameChanges(before: Item, after: Item): Change[] {
  if (before.kind === 'line' && after.kind === 'line') return [set(before.id, { from: after.from, to: after.to })];
  if (!isFramed(before) || !isFramed(after)) return [];
  const { x, y, width, height, angle } = after;
  const own = set(before.id, { x, y, width, height, angle });
  if (before.kind !== 'group' || after.kind !== 'group') return [own];
  return [own, ...before.items.flatMap((part, i) => frameChanges(part, after.items[i]))];
}

// Pages

export function addPage(bench: Bench): void {
  const { page } = bench;
  const id = newId();
  if (bench.make('Add page', { kind: 'page-insert', behind: page.id, page: { ...page, id, items: [] } }))
    bench.turnTo(id);
}

export function removePage(bench: Bench): void {
  const { pages } = bench.sheet;
  const at = pages.findIndex((page) => page.id === bench.page.id);
  const next = pages[at + 1] ?? pages[at - 1];
  if (bench.make('Remove page', { kind: 'page-remove', id: bench.page.id }) && next) bench.turnTo(next.id);
}
