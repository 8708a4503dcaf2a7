import { expect, test } from 'vitest';
import { Fetched } from './later';

/** What is fetched later, over a network that goes and comes. */

function fetching() {
  const asked: { arrive: () => void; fail: () => void }[] = [];
  const part = new Fetched(
    () =>
      new Promise<string>((resolve, reject) =>
        asked.push({ arrive: () => resolve('the part'), fail: () => reject(new Error('offline')) }),
      ),
  );
  const kind = async () => {
    await new Promise((resolve) => setTimeout(resolve));
    return part.now.kind;
  };
  return { part, asked, kind };
}

test('what failed is asked for again once the network is back, by itself', async () => {
  const { part, asked, kind } = fetching();
  void part.fetch();
  asked[0].fail();
  expect(await kind()).toBe('failed');
  part.back();
  asked[1].arrive();
  expect(await kind()).toBe('here');
});

test('so is what fails only after the network came back, and fails once where it is gone again', async () => {
  const { part, asked, kind } = fetching();
  void part.fetch();
  part.back();
  asked[0].fail();
  expect(await kind()).toBe('on its way');
  asked[1].fail();
  expect(await kind()).toBe('failed');
  expect(asked).toHaveLength(2);
});

test('what is there is not asked for again', async () => {
  const { part, asked, kind } = fetching();
  void part.fetch();
  asked[0].arrive();
  expect(await kind()).toBe('here');
  part.back();
  expect(await kind()).toBe('here');
  expect(asked).toHaveLength(1);
});
