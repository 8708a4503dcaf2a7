import { beforeEach, expect, test, vi } from 'vitest';
import { group, shape } from '../../core/schema/defaults';
import type { GroupItem, Item } from '../../core/schema/sheet';
import type { MadeAnswer } from '../../core/makers/remaker';

/** What the page sends to the worker of makers, and what it makes of the answers. */

type Task = { asked: { group: GroupItem }; base?: number };
const worker = vi.hoisted(() => ({ answers: [] as unknown[], tasks: [] as unknown[] }));
vi.mock('./helpers', () => ({
  makers: {
    ask: (work: (remote: unknown, run: unknown) => unknown) => {
      const make = (task: unknown) => {
        worker.tasks.push(structuredClone(task));
        return Promise.resolve(worker.answers.shift());
      };
      return work({ make }, { run: 1, tell: () => {} });
    },
  },
}));
const { askMade } = await import('./making-parts');

const tasks = () => worker.tasks as Task[];
const answer = (id: number, told: MadeAnswer) => worker.answers.push({ answer: id, ...told });
const [a, b] = [shape({ id: 'a' }), shape({ id: 'b' })];
const told = (parts: (number | Item)[]): MadeAnswer => ({
  lost: false,
  group: group({ id: 'g', items: [] }),
  parts,
  notes: [],
});
const ask = (of: GroupItem) => askMade({ asked: { group: of }, roles: {}, fonts: [], pictures: [] });
beforeEach(() => {
  worker.tasks = [];
  worker.answers = [];
});

test('parts that the worker has are not sent again, and those that stay are the very same', async () => {
  answer(1, told([a, b]));
  const first = await ask(group({ id: 'g', items: [shape({ id: 'old' })] }));
  expect(tasks()[0].asked.group.items).toHaveLength(1);
  answer(2, told([1, shape({ id: 'c' })]));
  const second = await ask(first.group);
  expect([tasks()[1].base, tasks()[1].asked.group.items]).toEqual([1, []]);
  expect(second.group.items[0]).toBe(first.group.items[1]);
  expect(second.group.items.map(({ id }) => id)).toEqual(['b', 'c']);
});

test('a part that was moved by hand makes it send all', async () => {
  answer(3, told([a, b]));
  const { group: made } = await ask(group({ id: 'moved', items: [] }));
  answer(4, told([0, 1]));
  const moved = {
    ...made,
    id: 'moved',
    items: made.items.map((item, i) => (i === 0 ? ({ ...item, x: 40 } as Item) : item)),
  };
  await ask(moved);
  expect([tasks()[1].base, tasks()[1].asked.group.items.length]).toEqual([undefined, 2]);
});

test('a worker that lost what it had is asked once more, with all', async () => {
  answer(5, told([a]));
  const { group: made } = await ask(group({ id: 'lost', items: [] }));
  answer(6, { lost: true });
  answer(7, told([0, b]));
  const { group: again } = await ask({ ...made, id: 'lost' });
  expect(tasks().map(({ base, asked }) => [base, asked.group.items.length])).toEqual([
    [undefined, 0],
    [5, 0],
    [undefined, 1],
  ]);
  expect(again.items.map(({ id }) => id)).toEqual(['a', 'b']);
  answer(8, { lost: true });
  answer(9, { lost: true });
  await expect(ask({ ...again, id: 'lost' })).rejects.toThrow('could not be asked');
});
