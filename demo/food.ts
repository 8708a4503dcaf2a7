import { remake } from '../core/makers/all';
import type { Kit } from '../core/makers/kit/maker';
import { beginMap } from '../core/makers/map/begin';
import { rowsFromText, withRows } from '../core/makers/map/outline';
import type { MapRecipe } from '../core/schema/recipes/map';
import { DEFAULT_PALETTE, defaultRoles, group, page, plain, sheet, text } from '../core/schema/defaults';
import type { Sheet } from '../core/schema/sheet';

/** Who eats whom, as an outline: each line hangs under what is eaten. */
const FOOD = `sunlight
	green weed
		mud snail
			shore crab
				grey heron
		lugworm
			goby`;
const FOOD_PICTURES: Record<string, string> = {
  sunlight: 'flat/sun',
  'green weed': 'flat/seedling',
  'mud snail': 'flat/snail',
  'shore crab': 'flat/crab',
  'grey heron': 'diagram/heron',
  lugworm: 'flat/worm',
  goby: 'flat/fish',
};

function foodWeb(): MapRecipe {
  const web = withRows(beginMap(DEFAULT_PALETTE), rowsFromText(FOOD));
  const idOf = (words: string) => web.nodes.find(({ text: said }) => said === words)!.id;
  const look = { shape: 'pill' as const, edge: '#5b5646', colour: '#2a2820', bold: false, scale: 1 };
  return {
    ...web,
    nodes: web.nodes.map((node) => ({ ...node, picture: FOOD_PICTURES[node.text] ?? null })),
    links: [
      ['lugworm', 'shore crab'],
      ['goby', 'grey heron'],
    ].map(([from, to], i) => ({ id: `${i}`, from: idOf(from), to: idOf(to), words: '', arrow: 'forward' as const })),
    layout: 'network',
    route: 'straight',
    arrows: 'forward',
    looks: ['#f7e7b4', '#dfe8d0', '#f3d9c6', '#f6cfc0', '#e2e4f0'].map((fill) => ({ ...look, fill })),
    size: 18,
    edge: '#4a6b35',
  };
}

/** Who eats whom: a map that the map maker made. */
export async function foodSheet(resources: Pick<Kit, 'faces' | 'pictures'>): Promise<Sheet> {
  const empty = group({ id: 'web', x: 136, y: 108, width: 520, height: 476, items: [] });
  const state = { kind: 'map' as const, recipe: foodWeb(), seed: 1 };
  const { group: made } = await remake({ group: empty, state }, { ...resources, roles: defaultRoles() });
  return sheet({
    title: 'Who eats whom on the mudflat',
    ownWords: ['lugworm', 'goby'],
    pages: [
      page({
        id: 'page1',
        items: [
          text({
            id: 'title',
            role: 'title',
            x: 36,
            y: 28,
            width: 720,
            height: 46,
            body: plain('Who eats whom on the mudflat'),
          }),
          text({
            id: 'instruction',
            role: 'instruction',
            x: 36,
            y: 76,
            width: 720,
            height: 26,
            body: plain('An arrow means “is eaten by”, or “feeds”. Start with the sun.'),
          }),
          made,
        ],
      }),
    ],
  });
}
