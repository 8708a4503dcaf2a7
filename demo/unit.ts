import { remake } from '../core/makers/all';
import { beginCalendar, happening } from '../core/makers/calendar/begin';
import type { CalendarRecipe } from '../core/schema/recipes/calendar';
import { beginChart } from '../core/makers/chart/begin';
import { beginCloud } from '../core/makers/cloud/begin';
import { beginLabels, spotsOf } from '../core/makers/labels/begin';
import type { Kit } from '../core/makers/kit/maker';
import { beginMap } from '../core/makers/map/begin';
import { rowsFromText, withRows } from '../core/makers/map/outline';
import type { MapRecipe } from '../core/schema/recipes/map';
import { beginPractice } from '../core/makers/practice/begin';
import type { PracticeRecipe } from '../core/schema/recipes/practice';
import type { MakerState } from '../core/schema/recipes/recipes';
import { beginTable } from '../core/makers/table/begin';
import { withLook } from '../core/makers/table/edit';
import type { TableRecipe } from '../core/schema/recipes/table';
import { DEFAULT_PALETTE, defaultRoles, group, page, plain, sheet, text } from '../core/schema/defaults';
import type { Page, Sheet } from '../core/schema/sheet';

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

/** Students fill in the column of what each bird eats. */
function billsTable(): TableRecipe {
  const words = [
    ['bird', 'its bill', 'what it can reach', 'what it eats'],
    ['grey heron', 'like a spear', 'fish in open water', 'fish, frogs, eels'],
    ['redshank', 'straight and as long as its head', 'the upper mud', 'snails and small crabs'],
    ['curlew', 'very long, curved down', 'deep burrows', 'lugworms'],
    ['avocet', 'thin, curved up', 'the water above the mud', 'shrimps'],
    ['goose', 'short and broad', 'the grass of the marsh', 'leaves and seeds'],
  ];
  const table = { ...beginTable(DEFAULT_PALETTE, words), banding: 'rows' as const, side: true, size: 15 };
  return withLook(table, 'column', { row: '2', column: '4' }, { write: true });
}

function marshMonth(): CalendarRecipe {
  return {
    ...beginCalendar(DEFAULT_PALETTE, '2027-05-01'),
    happenings: [
      happening('1', '2027-05-04', 'map of the marsh', { time: '09:00' }),
      happening('2', '2027-05-06', 'low water walk: boots!', { time: '10:30', to: '12:30' }),
      happening('3', '2027-05-10', 'week on the salt marsh', { until: '2027-05-14' }),
      happening('4', '2027-05-13', 'herbarium', { until: '2027-05-18', colour: '#a9481a' }),
      happening('5', '2027-05-20', 'spring tide: the path is flooded', { time: '13:10' }),
      happening('6', '2027-05-22', 'World Migratory Bird evening', { kind: 'holiday' }),
      happening('7', '2027-05-27', 'we show our posters', { time: '16:00', to: '18:00' }),
    ],
    notes: true,
    size: 13,
  };
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
    {
      id: 'page5',
      title: '',
      state: {
        kind: 'cloud',
        recipe: {
          ...beginCloud(DEFAULT_PALETTE),
          shape: { kind: 'picture', picture: 'flat/fish' },
          repeat: true,
          size: 8,
        },
        seed: 3,
      },
      head: false,
    },
    {
      id: 'page6',
      title: 'How the water rises and falls',
      state: {
        kind: 'chart',
        recipe: { ...beginChart(DEFAULT_PALETTE, 'area'), title: 'One tide at the sea wall', values: 'axis', size: 14 },
        seed: 1,
      },
      head: true,
    },
    {
      id: 'page7',
      title: 'Who has which bill?',
      state: { kind: 'table', recipe: billsTable(), seed: 1 },
      head: true,
    },
    {
      id: 'page8',
      title: '',
      state: { kind: 'calendar', recipe: marshMonth(), seed: 1 },
      head: false,
    },
  ];
  return sheet({
    title: 'A week on the salt marsh',
    pages: await Promise.all(pages.map((one) => madePage(one, kit))),
  });
}
