import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { classesIn, doubled, guessColumns, isOneRoster, oneRoster, rosterRows, textOf, toldApart } from './roster-file';
import { sameName } from '../values/roster';

const read = (text: string, otherwise = 'Curlew') => {
  const { rows } = rosterRows(text);
  return classesIn(rows, guessColumns(rows), otherwise);
};

describe('a table', () => {
  test('is read with any columns, delimiters, quotes and headings', () => {
    const wanted = {
      classes: [{ name: 'Curlew', students: [{ name: 'Ayo Bankole' }, { name: 'Zoë Lis' }] }],
      nameless: 0,
      unread: 0,
    };
    for (const text of [
      'Ayo Bankole\nZoë Lis',
      'Name\nAyo Bankole\nZoë Lis\n',
      'No,Student name,E-mail\n1,Ayo Bankole,a@x.example\n2,Zoë Lis,z@x.example',
      'First name;Last name;Class\r\nAyo;Bankole;Curlew\r\nZoë;Lis;Curlew',
      'Last name\tFirst name\nBankole\tAyo\nLis\tZoë',
      'Name,Born\n"Bankole, Ayo",2016\n"Lis, Zoë",2017',
      '17,Ayo Bankole\n18,Zoë Lis',
      '\uFEFFFull Name\n\n"Ayo  Bankole"\n,\nZoe\u0308 Lis',
      'surname,forename\nBankole,Ayo\nLis,Zoë',
    ])
      expect(read(text), text).toEqual(wanted);
  });

  test('falls into classes by its column; rows without a name are counted, and rows without a class go elsewhere', () => {
    const text = 'Class,Name\nCurlew,Ayo\ncurlew ,Bea\nAvocet,Cai\n,Dara\nAvocet,\n';
    expect(read(text, 'Heron')).toEqual({
      classes: [
        { name: 'Curlew', students: [{ name: 'Ayo' }, { name: 'Bea' }] },
        { name: 'Avocet', students: [{ name: 'Cai' }] },
        { name: 'Heron', students: [{ name: 'Dara' }] },
      ],
      nameless: 1,
      unread: 0,
    });
  });

  test('ids and addresses of families come with the names', () => {
    const text =
      'Pupil ID;Name;Class;Parent e-mail\n0017;Ayo;Curlew;"dad@x.example, mum@x.example"\n;Bea;Curlew;not given\n19;Cai;Curlew;cai@x';
    expect(read(text)).toEqual({
      classes: [
        {
          name: 'Curlew',
          students: [
            { name: 'Ayo', id: '0017', family: ['dad@x.example', 'mum@x.example'] },
            { name: 'Bea' },
            { name: 'Cai', id: '19' },
          ],
        },
      ],
      nameless: 0,
      unread: 1,
    });
  });

  test('a name column beside first and last names does not count twice', () => {
    const { rows } = rosterRows('Name,First name,Last name\nAB,Ayo,Bankole');
    expect(guessColumns(rows).columns).toEqual(['none', 'first', 'last']);
  });

  test('of 30,000 rows the first are read, and the others counted', () => {
    const { rows, left } = rosterRows(Array.from({ length: 30_000 }, (_, i) => `Student ${i}`).join('\n'));
    expect([rows.length, left]).toEqual([20_000, 10_000]);
  });

  test('any text and any choice of columns give tidy names', () => {
    const column = fc.constantFrom('none', 'name', 'first', 'last', 'class' as const);
    fc.assert(
      fc.property(
        fc.string({ maxLength: 200 }),
        fc.array(column, { maxLength: 5 }),
        fc.boolean(),
        (text, columns, head) => {
          const { rows } = rosterRows(text);
          const { classes, nameless } = classesIn(rows, { columns: columns as never, head }, 'Other');
          const names = classes.flatMap((one) => one.students.map((student) => student.name));
          expect(names.length + nameless).toBe(Math.max(0, rows.length - (head ? 1 : 0)));
          for (const name of names) expect(name).not.toMatch(/^\s|\s$|\n/);
        },
      ),
    );
  });
});

test('files of other encodings are read', () => {
  const bytes = (...codes: number[]) => new Uint8Array(codes);
  expect(textOf(new TextEncoder().encode('Zoë'))).toBe('Zoë');
  expect(textOf(bytes(0x5a, 0x6f, 0xeb))).toBe('Zoë');
  expect(textOf(bytes(0xff, 0xfe, 0x5a, 0, 0xeb, 0))).toBe('Zë');
  expect(textOf(bytes(0xfe, 0xff, 0, 0x5a, 0, 0xeb))).toBe('Zë');
});

describe('two of one name', () => {
  test('are found, and told apart only where that is wanted', () => {
    const names = ['Ana', 'Ben', 'ana', 'Ana'];
    const students = names.map((name, i) => ({ name, id: `${i}` }));
    expect(doubled(names)).toEqual(['Ana']);
    expect(toldApart(students, new Set())).toEqual(students.slice(0, 2));
    expect(toldApart(students, new Set(['ana']))).toEqual([
      { name: 'Ana', id: '0' },
      { name: 'Ben', id: '1' },
      { name: 'ana 2', id: '2' },
      { name: 'Ana 3', id: '3' },
    ]);
  });

  test('whatever is told apart, nobody is named twice', () => {
    const name = fc.constantFrom('Ana', 'ana', 'Ana 2', 'Ben', 'Zoë');
    fc.assert(
      fc.property(fc.array(name), fc.array(name), (names, apart) => {
        const set = new Set(apart.map(sameName));
        const told = toldApart(
          names.map((one) => ({ name: one })),
          set,
        ).map((one) => sameName(one.name));
        expect(new Set(told).size).toBe(told.length);
        if (names.every((one) => set.has(sameName(one)))) expect(told).toHaveLength(names.length);
      }),
    );
  });
});

describe('OneRoster', () => {
  const files = [
    {
      name: 'export/users.csv',
      text: 'sourcedId,status,enabledUser,givenName,familyName,role,agentSourceIds,email\nu1,,true,Ayo,Bankole,student,"u5,u6",ayo@x.example\nu2,,true,Zoë,Lis,student,u9,\nu3,,true,Maren,Oduya,teacher,,\nu4,tobedeleted,true,Old,Name,student,,\nu5,,true,Ola,Bankole,parent,,ola@x.example\nu6,,true,Ife,Bankole,guardian,,\nu9,tobedeleted,true,Old,Lis,parent,,lis@x.example',
    },
    { name: 'export/classes.csv', text: 'sourcedId,status,title\nc1,,Curlew\nc2,,Avocet\nc3,tobedeleted,Gone' },
    {
      name: 'export/enrollments.csv',
      text: 'sourcedId,status,classSourcedId,userSourcedId,role\ne1,,c1,u1,student\ne2,,c1,u2,student\ne3,,c1,u3,teacher\ne4,,c2,u2,student\ne5,,c1,u4,student\ne6,tobedeleted,c2,u1,student\ne7,,c3,u1,student',
    },
  ];
  test('gives classes with their students, and says what refers to nothing', () => {
    expect(isOneRoster(files)).toBe(true);
    expect(oneRoster(files)).toEqual({
      classes: [
        {
          name: 'Curlew',
          id: 'c1',
          students: [
            { name: 'Ayo Bankole', id: 'u1', family: ['ola@x.example'] },
            { name: 'Zoë Lis', id: 'u2' },
          ],
        },
        { name: 'Avocet', id: 'c2', students: [{ name: 'Zoë Lis', id: 'u2' }] },
      ],
      lost: 2,
    });
  });

  test('1.2 keeps roles elsewhere and has preferred names', () => {
    const newer = [
      { name: 'users.csv', text: 'sourcedId,givenName,familyName,preferredGivenName\nu1,Ayodele,Bankole,Ayo' },
      { name: 'classes.csv', text: 'sourcedId,title\nc1,Curlew' },
      { name: 'enrollments.csv', text: 'sourcedId,classSourcedId,userSourcedId,role\ne,c1,u1,student' },
    ];
    expect(oneRoster(newer).classes).toEqual([
      { name: 'Curlew', id: 'c1', students: [{ name: 'Ayo Bankole', id: 'u1' }] },
    ]);
  });

  test('needs all three tables', () => {
    expect(isOneRoster(files.slice(1))).toBe(false);
    expect(isOneRoster([{ name: 'users.csv', text: '' }])).toBe(false);
  });
});
