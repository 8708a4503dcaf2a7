import fc from 'fast-check';
import { expect, test } from 'vitest';
import { group, page, plain, sheet, text } from '../schema/defaults';
import { numbered, withoutNames } from './nameless';

const id = fc.stringMatching(/^[a-z0-9]{12}$/);
/** Of letters that stand in nothing else here. */
const name = fc.stringMatching(/^[ÀÁÂÃÄÅÇÈÉÊË]{3,8} [ÀÁÂÃÄÅÇÈÉÊË]{3,8}$/);
const students = fc.uniqueArray(fc.record({ id, studentName: name }), {
  selector: (one) => one.id,
  minLength: 1,
  maxLength: 30,
});

const signed = (own: string) =>
  sheet({
    title: 'S',
    pages: [
      page({
        id: 'p',
        items: [
          text({ id: 'label', role: 'name', touch: 'fixed', body: plain('Name:') }),
          text({ id: 'own', role: 'name', touch: 'fill', body: plain(own) }),
          group({ id: 'g', items: [text({ id: 'in', role: 'name', touch: 'free', body: plain(own) })] }),
          text({ id: 'words', body: plain('It wades.') }),
        ],
        brought: { file: 'f', name: `${own}.pdf`, number: 1, of: 2 } as never,
      }),
    ],
  });

function read(all: readonly { id: string; studentName: string }[]) {
  const [copy] = all;
  return {
    copy: { ...copy, studentId: `of ${copy.studentName}` as string | null },
    band: all,
    alike: all.slice(1, 3).map((one) => ({ id: one.id, name: one.studentName, theirs: [one.studentName] })),
    shares: [{ name: copy.studentName, changes: 3 }],
    sheet: signed(copy.studentName),
    goBefore: { number: 1, sheet: signed(copy.studentName) },
    lookFors: [{ kind: 'name' }, { kind: 'words' }],
    results: [{ evidence: [{ words: copy.studentName }] }, { evidence: [{ words: 'It wades.' }] }],
  };
}

test('no name is left anywhere, and everything else is', () => {
  fc.assert(
    fc.property(students, (all) => {
      const shown = withoutNames(read(all));
      const said = JSON.stringify(shown);
      for (const { studentName } of all) for (const part of studentName.split(' ')) expect(said).not.toContain(part);
      expect(said.match(/It wades\./g)).toHaveLength(3);
      expect(said.match(/Name:/g)).toHaveLength(2);
      expect(shown.copy.studentId).toBeNull();
      expect(shown.results).toHaveLength(2);
      expect(shown.band.map((one) => one.id).toSorted()).toEqual(all.map((one) => one.id).toSorted());
      expect(shown.band.find((one) => one.id === shown.copy.id)?.studentName).toBe(shown.copy.studentName);
    }),
  );
});

test('numbers are the same whoever is asked about first, and whatever the names are', () => {
  fc.assert(
    fc.property(students, (all) => {
      const numbers = numbered(all);
      expect(numbered(all.toReversed())).toEqual(numbers);
      const others = all.map((one, i) => ({ ...one, studentName: `Other ${i}` }));
      expect(numbered(others)).toEqual(numbers);
      expect(new Set(numbers.map(({ studentName }) => studentName)).size).toBe(all.length);
    }),
  );
});
