import { remake } from '../core/makers/all';
import { beginLabels, spotsOf } from '../core/makers/labels/begin';
import type { Kit } from '../core/makers/maker';
import { beginMap } from '../core/makers/map/begin';
import { rowsFromText, withRows } from '../core/makers/map/outline';
import type { MapRecipe } from '../core/makers/map/recipe';
import { beginPractice } from '../core/makers/practice/begin';
import type { PracticeRecipe } from '../core/makers/practice/recipe';
import type { MakerState } from '../core/makers/recipes';
import { DEFAULT_PALETTE, defaultRoles, group, page, plain, sheet, text } from '../core/sheet/make';
import type { Page, Sheet } from '../core/sheet/schema';

/** The unit on the salt marsh: what makers made of it, a page each. */

const [WIDE, HIGH] = [792, 612];

const OUTLINE = `The salt marsh
	Plants
		glasswort
		sea lavender
		cordgrass
	Animals
		grey heron
		shore crab
		mud snail
	Water
		spring tide
		creeks
	Ground
		salt
		mud without air`;

function marshMap(): MapRecipe {
  const whole = withRows(beginMap(DEFAULT_PALETTE), rowsFromText(OUTLINE));
  const idOf = (words: string) => whole.nodes.find((node) => node.text === words)!.id;
  const links: Record<string, string> = {
    Plants: 'is green with',
    Animals: 'feeds',
    Water: 'is flooded by',
    Ground: 'stands on',
  };
  const pictures: Record<string, string> = {
    'shore crab': 'flat/crab',
    'mud snail': 'flat/snail',
    'sea lavender': 'flat/hyacinth',
  };
  return {
    ...whole,
    nodes: whole.nodes.map((node) => ({ ...node, link: links[node.text] ?? '', picture: pictures[node.text] ?? null })),
    links: [{ id: 'a', from: idOf('grey heron'), to: idOf('shore crab'), words: 'eats', arrow: 'forward' }],
    size: 15,
  };
}

type Made = {
  id: string;
  title: string;
  state: Pick<MakerState, 'kind' | 'recipe' | 'seed'>;
  head: boolean;
  upright?: boolean;
};

async function madePage({ id, title, state, head, upright }: Made, kit: Kit): Promise<Page> {
  const [width, height] = upright ? [HIGH, WIDE] : [WIDE, HIGH];
  const top = head ? 88 : 36;
  const empty = group({ id: `${id}-made`, x: 40, y: top, width: width - 80, height: height - top - 40, items: [] });
  const { group: made } = await remake({ group: empty, state }, kit);
  const words = text({
    id: `${id}-title`,
    role: 'title',
    x: 40,
    y: 30,
    width: width - 80,
    height: 46,
    body: plain(title),
  });
  return page({ id, width, height, margin: 24, items: head ? [words, made] : [made] });
}

const practice = (recipe: PracticeRecipe, seed: number): Made['state'] => ({ kind: 'practice', recipe, seed });

export async function marshUnit({ faces, pictures }: Pick<Kit, 'faces' | 'pictures'>): Promise<Sheet> {
  const kit: Kit = { faces, pictures, roles: defaultRoles() };
  const crab = {
    ...beginLabels(DEFAULT_PALETTE, 'diagram/shore-crab', spotsOf(pictures('diagram/shore-crab'))),
    size: 16,
  };
  const matching = beginPractice('matching');
  const pages: Made[] = [
    {
      id: 'page1',
      title: 'How it all hangs together',
      state: { kind: 'map', recipe: marshMap(), seed: 1 },
      head: true,
    },
    {
      id: 'page2',
      title: 'Parts of the shore crab',
      state: { kind: 'labels', recipe: { ...crab, edition: 'bank', decoys: ['feather', 'fin'] }, seed: 4 },
      head: true,
    },
    {
      id: 'page3',
      title: '',
      state: practice(
        {
          ...matching,
          title: 'Who lives how?',
          instruction: 'Draw a line from each creature to what is true of it.',
          right: 'other',
          size: 17,
        },
        5,
      ),
      head: false,
      upright: true,
    },
    {
      id: 'page4',
      title: '',
      state: practice({ ...beginPractice('wordsearch'), title: 'Hidden in the marsh', size: 17 }, 2),
      head: false,
      upright: true,
    },
  ];
  return sheet({
    title: 'A week on the salt marsh',
    pages: await Promise.all(pages.map((one) => madePage(one, kit))),
  });
}
