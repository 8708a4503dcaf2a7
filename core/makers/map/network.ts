import type { ElkNode } from 'elkjs/lib/elk-api.js';
import type { Kit } from '../kit/maker';
import type { MapLink } from '../../schema/recipes/map';
import type { Branch, Gaps, Laid } from './tree';
import { everyBranch } from './tree';

async function here(graph: ElkNode): Promise<ElkNode> {
  const { default: Elk } = await import('elkjs/lib/elk.bundled.js');
  return new Elk().layout(graph);
}

/** Whether layers follow each other to the right, or downwards, in a frame of a proportion. */
export const toTheRight = (shape: number): boolean => shape > 1.15;

/**
 * A general network in layers (K. Sugiyama, S. Tagawa, M. Toda 1981, by the Eclipse Layout Kernel): cross-links count as much
 * as those of the outline. Heavy and loaded only when wanted; never on the page's own thread.
 */
export async function network(
  roots: readonly Branch[],
  links: readonly MapLink[],
  gaps: Gaps,
  shape: number,
  layered: Kit['layered'] = here,
): Promise<Laid> {
  const all = everyBranch(roots);
  const labels = (width: number, height: number) => (width > 0 ? [{ text: ' ', width, height }] : []);
  const result = await layered({
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': toTheRight(shape) ? 'RIGHT' : 'DOWN',
      'elk.spacing.nodeNode': `${gaps.near * 1.4}`,
      'elk.layered.spacing.nodeNodeBetweenLayers': `${gaps.level}`,
      'elk.spacing.edgeNode': `${gaps.near}`,
      'elk.aspectRatio': `${shape}`,
      'elk.randomSeed': '7',
    },
    children: all.map(({ node, width, height }) => ({ id: node.id, width, height })),
    edges: [
      ...all.flatMap(({ node, link }) =>
        node.parent === null
          ? []
          : [
              {
                id: `o-${node.id}`,
                sources: [node.parent],
                targets: [node.id],
                labels: labels(link.width, link.height),
              },
            ],
      ),
      ...links.map(({ id, from, to }) => ({ id: `x-${id}`, sources: [from], targets: [to] })),
    ],
  });
  return {
    at: new Map(
      result.children!.map(({ id, x = 0, y = 0, width = 0, height = 0 }) => [
        id,
        { x: x + width / 2, y: y + height / 2 },
      ]),
    ),
  };
}
