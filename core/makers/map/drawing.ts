import { around, centre, union } from '../../geometry/box';
import type { Box, Point } from '../../geometry/matrix';
import { held, LIGHT_EDGE, line, picture, shape, solid, text } from '../../schema/defaults';
import type { Cap, Item, Side } from '../../schema/sheet';
import type { Asked } from '../kit/maker';
import type { Size } from '../kit/measure';
import { inProportion, outlineFor, styled, tidied, tidiedBox } from '../kit/measure';
import type { Fitted } from './fit';
import { disturbs, wordsOn } from './links';
import { offsetsOf } from './moved';
import type { Offset } from './moved';
import type { MapRecipe } from '../../schema/recipes/map';
import { ADJUST, lookAt, SHAPE } from './sizes';
import { stretchedInto } from './stretch';
import type { Branch, LaidLink } from './tree';
import { everyBranch } from './tree';
import { formOf } from '../../placement/line';
import type { Placed } from './ways';
import { notKept } from './not-kept';
import { partsOf } from './node-parts';
import { Obstacles } from './obstacles';
import type { GapOf } from './gaps';
import { gapsOf } from './gaps';
import { wayOf } from './ways';

/** A map's nodes, pictures, links and words in its frame, and what could not be kept. */

const capsOf = (arrows: MapRecipe['arrows']): { startCap: Cap; endCap: Cap } => ({
  startCap: arrows === 'back' || arrows === 'both' ? 'arrow' : 'none',
  endCap: arrows === 'forward' || arrows === 'both' ? 'arrow' : 'none',
});

const NOBODY: ReadonlyMap<string, Offset> = new Map();

/** Room that nodes leave at the edges of the frame, for links and words beyond them. */
export type Inset = { left: number; top: number; right: number; bottom: number };

/** A map that is being drawn in its frame. */
export class Drawing {
  readonly moved = new Map<string, Offset>();
  private nodes: Item[] = [];
  private pictures: Item[] = [];
  private lines: Item[] = [];
  private words: Item[] = [];
  private wordBoxes: Box[] = [];
  /** Where nodes stand once moves by hand are applied; links follow these. */
  private placed = new Map<string, Placed>();
  private beside = new Map<string, Box>();
  /** Outermost boxes, of things that nobody moved by hand. */
  private reach: Box[] = [];
  private through = 0;
  private lost = { words: 0, pictures: 0, links: 0 };
  private gapOf: GapOf;
  private branches: ReadonlyMap<string, Branch>;
  private obstacles: Obstacles;
  /** What words on links had better not cover. */
  private standing: Box[];

  constructor(
    private asked: Asked<MapRecipe>,
    private fit: Fitted,
    inset: Inset,
  ) {
    const { recipe } = asked;
    const { laid, boxes } = fit;
    const room = {
      width: asked.width - inset.left - inset.right,
      height: asked.height - inset.top - inset.bottom,
    };
    const place = stretchedInto(room, laid, boxes);
    const places = new Map(
      [...boxes.keys()].map((id) => {
        const box = place(id);
        return [id, { ...box, x: box.x + inset.left, y: box.y + inset.top }];
      }),
    );
    const laidLinks: LaidLink[] =
      laid.links ??
      recipe.nodes.flatMap(({ id, parent }) => (parent === null ? [] : [{ of: id, from: parent, to: id }]));
    this.branches = new Map(everyBranch(fit.draft.roots).map((branch) => [branch.node.id, branch]));
    this.putNodes(places, laidLinks);
    this.gapOf = gapsOf(laid, places);
    const { placed, beside } = this;
    this.obstacles = new Obstacles(fit, this.branches, { placed, beside, shown: (id) => this.shown(id) });
    this.standing = this.obstacles.covered;
    const byId = new Map(recipe.nodes.map((node) => [node.id, node]));
    for (const of of laidLinks) this.link(`l-${of.of}`, `w-${of.of}`, of, byId.get(of.of)!.link, recipe.arrows);
    if (laid.boxes) for (const { id, parent, link } of recipe.nodes) if (parent !== null && link) this.over(id, link);
    const drawnAs = (id: string) => laid.drawnAs?.get(id) ?? id;
    for (const { id, from, to, words, arrow } of recipe.links)
      this.link(`x-${id}`, `y-${id}`, { of: id, from: drawnAs(from), to: drawnAs(to) }, words, arrow);
    this.count();
  }

  private get em(): number {
    return this.fit.draft.em;
  }
  private holds(id: string): boolean {
    return this.fit.laid.boxes?.has(id) ?? false;
  }
  private get frame(): Box {
    return { x: 0, y: 0, width: this.asked.width, height: this.asked.height };
  }

  private putNodes(places: ReadonlyMap<string, Box>, laidLinks: readonly LaidLink[]): void {
    const { recipe } = this.asked;
    const frames = new Map<string, { frame: Box; picture: Box | null; branch: Branch }>();
    const middleOf = (id: string) => centre(places.get(id)!);
    for (const [id, branch] of this.branches) {
      const box = places.get(id);
      if (box) frames.set(id, { branch, ...partsOf(this.fit, branch, box, laidLinks, middleOf) });
    }
    const offsets =
      this.asked.hand.size > 0
        ? offsetsOf(this.asked, new Map([...frames].map(([id, { frame }]) => [id, tidiedBox(frame)])), this.em)
        : NOBODY;
    for (const [id, { frame, picture: own, branch }] of frames) {
      const look = lookAt(recipe, branch.depth);
      const holds = this.holds(id);
      const filled = look.shape === 'plain' ? null : look.fill;
      const at = tidiedBox(frame);
      const drawnAs = holds ? 'rectangle' : SHAPE[look.shape];
      const adjust = holds ? [0.06] : (ADJUST[look.shape] ?? []);
      this.nodes.push(
        shape({
          id: `n-${id}`,
          ...at,
          shape: drawnAs,
          adjust,
          fill: filled ? solid(filled) : null,
          outline: look.shape === 'plain' || !look.edge ? null : outlineFor(this.em, 0.1, look.edge),
          vertical: holds ? 'top' : 'middle',
          padding: tidied(holds ? this.em * 0.3 : 0),
          body: styled(branch.node.text, {
            size: tidied(this.em * look.scale),
            bold: look.bold,
            colour: look.colour,
          }),
        }),
      );
      const offset = offsets.get(id) ?? { dx: 0, dy: 0 };
      if (offsets.has(id)) this.moved.set(`n-${id}`, offset);
      if (own) {
        const drawn = this.fit.draft.words.kit.pictures(branch.node.picture!);
        const shown = tidiedBox(inProportion(drawn, { ...own, x: own.x + offset.dx, y: own.y + offset.dy }));
        this.beside.set(id, shown);
        this.pictures.push(picture({ id: `p-${id}`, picture: branch.node.picture!, ...shown }));
      }
      this.placed.set(id, {
        ...at,
        x: at.x + offset.dx,
        y: at.y + offset.dy,
        form: formOf(drawnAs, at.width, at.height, adjust),
      });
    }
  }

  private shown(id: string): boolean {
    const done = this.asked.hand.get(`n-${id}`);
    return this.placed.has(id) && !done?.hidden && !done?.gone;
  }
  private isMoved(id: string): boolean {
    const { dx, dy } = this.moved.get(`n-${id}`) ?? { dx: 0, dy: 0 };
    return dx !== 0 || dy !== 0;
  }

  private link(part: string, wordsPart: string, of: LaidLink, said: string, arrows: MapRecipe['arrows']): void {
    if (!this.shown(of.from) || !this.shown(of.to)) return;
    const { recipe } = this.asked;
    const [from, to] = [this.placed.get(of.from)!, this.placed.get(of.to)!];
    // A node that was moved by hand may be on another side now.
    const moved = this.isMoved(of.from) || this.isMoved(of.to);
    const sides = moved ? undefined : (of.sides ?? this.outOf(of));
    const kind = of.bracket ? 'stepped' : recipe.route;
    const gap = moved || !of.sides ? null : this.gapOf(of.from, of.to);
    const way = wayOf({ from, to, sides, route: kind, gap, frame: this.frame }, this.obstacles.othersFor(of));
    if (way.through) this.through++;
    if (!moved) this.reach.push(around(way.points));
    const end = (id: string, box: Box, side: Side | null) => {
      const { x, y } = centre(box);
      return { ...held(`n-${id}`, null, tidied(x), tidied(y)), side };
    };
    this.lines.push(
      line({
        id: part,
        from: end(of.from, from, way.sides[0]),
        to: end(of.to, to, way.sides[1]),
        via: way.via.map(({ x, y }) => ({ x: tidied(x), y: tidied(y) })),
        route: kind,
        bend: way.bend,
        outline: outlineFor(this.em, 0.1, recipe.edge),
        // Across boxes that hold others it may run over any colour.
        edge: this.fit.laid.boxes ? LIGHT_EDGE : null,
        ...capsOf(of.forward && (arrows === 'none' || arrows === 'back') ? 'forward' : arrows),
      }),
    );
    if (!said) return;
    const size = this.fit.draft.link(said);
    const plate = tidied(this.em * 0.16);
    const { box, plate: behind } =
      of.bracket && !moved && !way.through
        ? { box: beforeEnd(way.points, size), plate }
        : wordsOn(way.points, size, plate, this.standing, this.wordBoxes, this.frame);
    if (!moved) this.reach.push(box);
    this.say(wordsPart, said, box, behind);
  }

  /** The sides of a link between a node and one that holds it: out to the edge that is nearest. */
  private outOf({ from, to }: LaidLink): [Side | null, Side | null] | undefined {
    if (from === to || !this.fit.laid.boxes) return undefined;
    const [inner, outer] = this.obstacles.withAbove(from).has(to)
      ? [from, to]
      : this.obstacles.withAbove(to).has(from)
        ? [to, from]
        : [];
    if (!inner || !outer) return undefined;
    const [box, around] = [this.placed.get(inner)!, this.placed.get(outer)!];
    const left = box.x - around.x < around.x + around.width - box.x - box.width;
    const side: Side = left ? 'left' : 'right';
    return [side, side];
  }

  /** Words of a link that is shown by one node holding the other: over the inner one. */
  private over(id: string, said: string): void {
    if (!this.shown(id)) return;
    const size = this.fit.draft.link(said);
    const { x, y, width } = this.placed.get(id)!;
    const colour = lookAt(this.asked.recipe, this.branches.get(id)!.depth - 1).colour;
    this.say(`w-${id}`, said, { x: x + (width - size.width) / 2, y: y - size.height, ...size }, null, colour);
  }

  private say(part: string, said: string, box: Box, plate: number | null, colour?: string): void {
    this.wordBoxes.push(box);
    this.words.push(
      text({
        id: part,
        role: 'label',
        ...tidiedBox(box),
        padding: 0,
        vertical: 'middle',
        fit: 'keep',
        plate:
          plate === null ? null : { colour: '#ffffff', opacity: 0.85, spread: plate, corner: tidied(this.em * 0.25) },
        body: styled(said, { size: tidied(this.fit.draft.linkSize), italic: true, ...(colour && { colour }) }),
      }),
    );
  }

  /** What of the recipe is not drawn, though nobody took it away. */
  private count(): void {
    const { recipe, hand } = this.asked;
    const drawn = new Set([...this.pictures, ...this.words, ...this.lines].map(({ id }) => id));
    const kept = (id: string) => !hand.get(`n-${id}`)?.hidden && !hand.get(`n-${id}`)?.gone;
    for (const { id, parent, link, picture: own } of recipe.nodes) {
      if (!kept(id)) continue;
      if (own && !drawn.has(`p-${id}`)) this.lost.pictures++;
      if (link && parent !== null && kept(parent) && !drawn.has(`w-${id}`)) this.lost.words++;
    }
    for (const { id, from, to } of recipe.links) if (kept(from) && kept(to) && !drawn.has(`x-${id}`)) this.lost.links++;
  }

  /** How far links, words and nodes that nobody moved reach over the frame. */
  get beyond(): Inset {
    const still = [...this.placed, ...this.beside].flatMap(([id, box]) => (this.isMoved(id) ? [] : [box]));
    const { x, y, width, height } = union([...this.reach, ...still]);
    const farther = (by: number) => (by > 0.3 ? by : 0);
    return {
      left: farther(-x),
      top: farther(-y),
      right: farther(x + width - this.asked.width),
      bottom: farther(y + height - this.asked.height),
    };
  }

  /** Front to back: words and pictures before all, links behind nodes, but before those that hold others. */
  get items(): Item[] {
    const back = this.nodes.toReversed();
    const holding = back.filter(({ id }) => this.holds(id.slice(2)));
    const others = holding.length > 0 ? back.filter(({ id }) => !this.holds(id.slice(2))) : back;
    return [...this.words, ...this.pictures, ...others, ...this.lines, ...holding];
  }

  get notes(): string[] {
    const standing = [...this.placed].flatMap(([id, box]) => (this.holds(id) ? [] : [box]));
    const covered = this.wordBoxes.filter((box) => standing.some((node) => disturbs(box, node))).length;
    return [...(this.fit.laid.notes ?? []), ...notKept({ ...this.lost, covered, through: this.through })];
  }
}

/** On the last stretch of a bracket, which the list leaves long enough for them. */
function beforeEnd(points: readonly Point[], size: Size): Box {
  const [start, end] = points.slice(-2);
  return { x: (start.x + end.x - size.width) / 2, y: end.y - size.height / 2, ...size };
}
