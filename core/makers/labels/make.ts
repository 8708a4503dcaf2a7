import { cutTo } from '../../values/characters';
import type { DrawnPicture } from '../../pictures/picture';
import type { Box } from '../../geometry/matrix';
import { held, LIGHT_EDGE, line, picture, plain, shape, solid, text } from '../../schema/defaults';
import type { Item } from '../../schema/sheet';
import { isFramed } from '../../schema/sheet';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { outlineFor, saidBy, saysOf, styled, tidied, tidiedBox } from '../kit/measure';
import type { Label } from './editions';
import { bankFor, labelsFor } from './editions';
import type { Plan } from './plan';
import type { Column, LabelPlace } from './place';
import { explainedHigh, listColumns, planned, lineRoles, styleAt, traitHeights, traitSize, traitTexts } from './plan';
import type { LabelsRecipe, Spot } from '../../schema/recipes/labels';
import { DRAWING } from '../../schema/recipes/labels';

/**
 * A picture with labels around it. Parts: base; by spot l- labels, k- leaders, r- regions, t- titles, d- definitions, e- reasons
 * or explanations, n- list entries, u- unseen ties of those; bank. What was drawn by hand is given: drawing.
 */

/** How heavy edges and leaders are, as a share of the size of words. */
const WEIGHT = 0.09;

/** The name of a spot as a line's end has it: that of the picture's part, or its place as shares of the picture. */
export const targetOf = ({ target, x, y }: Spot): string => target ?? `@${tidied(x * 100)},${tidied(y * 100)}`;

export function makeLabels(asked: Asked<LabelsRecipe>, kit: Kit): Made {
  const { recipe, seed, width, height } = asked;
  const drawn = kit.pictures(recipe.picture);
  const spots = recipe.spots.map((spot) => located(spot, recipe, kit));
  const whole = { ...recipe, spots };
  const labels = labelsFor(
    recipe.form === 'traits' ? { ...whole, edition: recipe.edition === 'filled' ? 'filled' : 'blank' } : whole,
    seed,
  );
  const { words: bank, useless } = bankFor(whole, seed);
  const plan = planned({ ...asked, recipe: whole }, labels, ratioOf(recipe, drawn), bank, kit);
  const { size, picture: box, columns } = plan;
  const front: Item[] = [];
  const lines: Item[] = [];
  const lost: string[] = [];

  const numbers = aroundPicture(plan.places, columns);
  plan.sized.forEach(({ label, width: wide, height: high }, i) => {
    const place = plan.places[i];
    const { spot } = label;
    if (!place) return void lost.push(spot.words || `spot ${i + 1}`);
    const column = columns[place.column];
    const at = tidiedBox({
      x: column.side === 'left' ? column.x - wide : column.x,
      y: place.y - high / 2,
      width: wide,
      height: high,
    });
    const anchor = recipe.form === 'traits' ? `c-${spot.id}` : `l-${spot.id}`;
    if (recipe.form === 'traits') front.push(...traitItems(label, at, size, whole, kit));
    else if (recipe.edition === 'numbers') front.push(numberItem(numbers[i], spot, at, size, recipe));
    else front.push(...wordItems(label, at, size, recipe));
    const numbered = recipe.edition === 'numbers' && recipe.form === 'word';
    lines.push(
      line({
        id: `k-${spot.id}`,
        from: {
          ...held(anchor, null, tidied(column.x), tidied(place.y)),
          side: column.side === 'left' ? 'right' : 'left',
        },
        to: held('base', targetOf(spot), tidied(box.x + spot.x * box.width), tidied(box.y + spot.y * box.height)),
        outline: outlineFor(size, WEIGHT, recipe.line),
        edge: LIGHT_EDGE,
        endCap: spot.wide > 0 ? 'none' : 'dot',
      }),
    );
    if (spot.wide > 0 && spot.high > 0) lines.push(regionItem(spot, box, recipe, size));
    if (numbered) front.push(...listEntry(numbers[i], label, labels.length, plan, asked, recipe));
  });
  if (recipe.edition === 'bank' && recipe.form === 'word' && bank.length > 0)
    front.push(
      text({
        id: 'bank',
        role: 'bank',
        x: 0,
        y: tidied(height - plan.bank),
        width: tidied(width),
        height: tidied(plan.bank),
        fit: 'shrink',
        vertical: 'middle',
        padding: tidied(size * 0.5),
        body: styled(bank.join('    '), styleAt(size)),
        ...boxLook(recipe, size),
        corner: tidied(size * 0.5),
      }),
    );
  const at = tidiedBox(box);
  // Around a drawing, what leaders hold on to is its place: an area that is not seen.
  const base = recipe.drawing
    ? shape({ id: 'base', ...at, fill: null, outline: null })
    : picture({ id: 'base', picture: recipe.picture, ...saysOf(drawn), ...at });
  return {
    items: [...front, ...lines, base],
    notes: notesFor(whole, lost, useless),
    given: { [DRAWING]: recipe.drawing && at },
  };
}

/** The order of each label, from 0, as it is read: clockwise round the picture, or down its one side. */
function aroundPicture(places: readonly (LabelPlace | null)[], columns: readonly Column[]): number[] {
  const sides = new Set(places.flatMap((place) => (place ? [columns[place.column].side] : [])));
  const key = (place: LabelPlace | null): number => {
    if (!place) return Infinity;
    const left = columns[place.column].side === 'left';
    return left && sides.size > 1 ? 1e7 - place.y : place.y;
  };
  const order = places.map((_, i) => i).sort((a, b) => key(places[a]) - key(places[b]) || a - b);
  return places.map((_, i) => order.indexOf(i));
}

const ratioOf = ({ drawing }: LabelsRecipe, drawn: DrawnPicture | undefined): number =>
  drawing?.ratio ?? (drawn ? drawn.width / drawn.height : 1);

/** A spot of a named part stands where that part is. */
function located(spot: Spot, recipe: LabelsRecipe, kit: Kit): Spot {
  const drawn = spot.target === null ? undefined : kit.pictures(recipe.picture);
  const part = drawn?.targets.find(({ name }) => name === spot.target);
  return part && drawn ? { ...spot, x: part.x / drawn.width, y: part.y / drawn.height } : spot;
}

function notesFor(recipe: LabelsRecipe, lost: readonly string[], useless: readonly string[]): string[] {
  const notes: string[] = [];
  if (recipe.spots.length === 0)
    notes.push('No spot has a name yet: name the parts below, or press “new spot” and then the place on the picture.');
  if (lost.length > 0)
    notes.push(
      `There is no room for ${lost.map((word) => `“${word}”`).join(', ')}. Make the frame taller, use both sides, or use fewer spots.`,
    );
  if (useless.length > 0 && recipe.edition === 'bank')
    notes.push(
      `${useless.map((word) => `“${word}”`).join(', ')} can’t mislead: it is the right word for a spot. It is left out of the bank.`,
    );
  if (recipe.edition === 'swapped' && recipe.some < 2)
    notes.push('At least two labels have to be swapped for one of them to be wrong.');
  return notes;
}

const boxLook = (recipe: LabelsRecipe, size: number) => ({
  fill: recipe.fill ? solid(recipe.fill) : null,
  outline: outlineFor(size, WEIGHT, recipe.edge),
  corner: tidied(size * 0.3),
});

function wordItems(label: Label, at: Box, size: number, recipe: LabelsRecipe): Item[] {
  const { spot, words, answer, blank, fill } = label;
  const given = blank ? answer : words;
  const explained = recipe.edition === 'explain';
  const high = explained ? tidied(explainedHigh(size)) : at.height;
  const out: Item[] = [
    text({
      id: `l-${spot.id}`,
      role: 'label',
      ...at,
      height: high,
      padding: tidied(size * 0.3),
      vertical: 'middle',
      fit: 'shrink',
      body: styled(given, styleAt(size)),
      touch: fill ? 'fill' : 'fixed',
      blank,
      // If a label shows other words than the right ones, the right ones are kept here. They never leave the server.
      also: fill && answer ? (blank ? spot.also : [answer, ...spot.also]) : [],
      ...boxLook(recipe, size),
    }),
  ];
  if (explained)
    out.push(
      text({
        id: `e-${spot.id}`,
        x: at.x,
        y: tidied(at.y + high + size * 0.2),
        width: at.width,
        height: tidied(at.height - high - size * 0.2),
        padding: tidied(size * 0.3),
        fit: 'shrink',
        touch: 'fill',
        prompt: 'what is it for?',
        body: plain(''),
        outline: { colour: recipe.edge, width: 0.6, dash: 'dotted' },
      }),
    );
  return out;
}

const numberItem = (i: number, spot: Spot, at: Box, size: number, recipe: LabelsRecipe): Item =>
  text({
    id: `l-${spot.id}`,
    role: 'label',
    ...at,
    padding: 0,
    vertical: 'middle',
    fit: 'shrink',
    body: styled(`${i + 1}`, { ...styleAt(size), bold: true }),
    ...boxLook(recipe, size),
    corner: tidied(at.height / 2),
  });

/** A line of the list under the picture, tied to its spot by a line that is not seen. */
function listEntry(
  i: number,
  label: Label,
  count: number,
  plan: Plan,
  { width, height }: Asked<LabelsRecipe>,
  recipe: LabelsRecipe,
): Item[] {
  const { size } = plan;
  const columns = listColumns(count, width, size);
  const rows = Math.ceil(count / columns);
  const wide = width / columns;
  const [column, row] = [Math.floor(i / rows), i % rows];
  const number = size * 2;
  const at = {
    x: tidied(column * wide),
    y: tidied(height - plan.list + size * 0.6 + row * size * 2),
    height: tidied(size * 1.8),
  };
  const { spot, answer } = label;
  return [
    text({
      id: `m-${spot.id}`,
      role: 'label',
      ...at,
      width: tidied(number),
      padding: 0,
      vertical: 'middle',
      fit: 'keep',
      body: styled(`${i + 1}`, { ...styleAt(size), bold: true }),
    }),
    text({
      id: `n-${spot.id}`,
      role: 'label',
      ...at,
      x: tidied(at.x + number),
      width: tidied(wide - number - size),
      padding: tidied(size * 0.2),
      vertical: 'middle',
      fit: 'shrink',
      body: styled(answer, styleAt(size), 'left'),
      touch: 'fill',
      blank: true,
      also: spot.also,
      ...boxLook(recipe, size),
    }),
    line({ id: `u-${spot.id}`, from: held(`n-${spot.id}`), to: held('base', targetOf(spot)), opacity: 0 }),
  ];
}

function traitItems(label: Label, at: Box, size: number, recipe: LabelsRecipe, kit: Kit): Item[] {
  const { spot, fill } = label;
  const heights = traitHeights(label, at.width, size, recipe, kit);
  const roles = lineRoles(recipe);
  const pad = size * 0.6;
  let y = at.y + size * 0.35;
  const texts = traitTexts(label).map((words, i) => {
    const item = text({
      id: `${'tde'[i]}-${spot.id}`,
      role: roles[i],
      x: tidied(at.x + pad),
      y: tidied(y),
      width: tidied(at.width - 2 * pad),
      height: tidied(heights[i]),
      padding: 0,
      fit: 'shrink',
      prompt: i > 0 ? recipe.lines[i - 1].name.toLowerCase() : '',
      touch: fill && i > 0 ? 'fill' : 'fixed',
      blank: fill && i > 0,
      body: styled(words, styleAt(traitSize(size, i)), 'left'),
    });
    y += heights[i];
    return item;
  });
  return [
    ...texts,
    shape({
      id: `c-${spot.id}`,
      ...at,
      adjust: [0.08],
      fill: recipe.fill ? solid(recipe.fill) : null,
      outline: outlineFor(size, WEIGHT, recipe.edge),
    }),
  ];
}

const regionItem = (spot: Spot, box: Box, recipe: LabelsRecipe, size: number): Item =>
  shape({
    id: `r-${spot.id}`,
    shape: 'ellipse',
    ...tidiedBox({
      x: box.x + (spot.x - spot.wide / 2) * box.width,
      y: box.y + (spot.y - spot.high / 2) * box.height,
      width: spot.wide * box.width,
      height: spot.high * box.height,
    }),
    fill: null,
    outline: outlineFor(size, WEIGHT, recipe.line, 'dashed'),
  });

/** A drawing that was dragged wider or taller keeps its new proportions. */
function pulled(drawing: LabelsRecipe['drawing'], item: Item | undefined): LabelsRecipe['drawing'] {
  if (!drawing || !item || !isFramed(item) || item.height <= 0) return drawing;
  const ratio = Math.max(0.02, Math.min(50, item.width / item.height));
  return Math.abs(ratio / drawing.ratio - 1) > 0.005 ? { ratio } : drawing;
}

/** Words typed into labels that show them, another picture, labels that were taken away. */
export function absorbLabels(
  recipe: LabelsRecipe,
  parts: ReadonlyMap<string, Item>,
  made: readonly string[],
): LabelsRecipe {
  const wasMade = new Set(made);
  const said = (part: string) => saidBy(parts, part)?.trim() ?? null;
  const showsAnswer = recipe.form === 'traits' || !['first', 'swapped', 'numbers'].includes(recipe.edition);
  const anchor = recipe.form === 'traits' ? 'c' : 'l';
  const spots = recipe.spots
    .filter(({ id }) => !(wasMade.has(`${anchor}-${id}`) && !parts.has(`${anchor}-${id}`)))
    .map((spot) => {
      const words =
        (recipe.form === 'traits' ? said(`t-${spot.id}`) : showsAnswer ? said(`l-${spot.id}`) : said(`n-${spot.id}`)) ??
        spot.words;
      const [definition, reason] =
        recipe.form === 'traits'
          ? [said(`d-${spot.id}`) ?? spot.definition, said(`e-${spot.id}`) ?? spot.reason]
          : [spot.definition, spot.reason];
      return words === spot.words && definition === spot.definition && reason === spot.reason
        ? spot
        : { ...spot, words: cutTo(words, 200), definition: cutTo(definition, 400), reason: cutTo(reason, 400) };
    });
  const base = parts.get('base');
  const shown = base?.kind === 'picture' ? base.picture : recipe.picture;
  const drawing = pulled(recipe.drawing, parts.get(DRAWING));
  return spots.length === recipe.spots.length &&
    spots.every((spot, i) => spot === recipe.spots[i]) &&
    shown === recipe.picture &&
    drawing === recipe.drawing
    ? recipe
    : { ...recipe, spots, picture: shown, drawing };
}

export const LABELS: Maker<LabelsRecipe> = { kind: 'labels', make: makeLabels, absorb: absorbLabels };
