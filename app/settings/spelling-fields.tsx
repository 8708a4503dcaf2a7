import { useEffect, useState } from 'react';
import { replaceWords } from '../../core/changes/search';
import type { WrittenItem } from '../../core/schema/sheet';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { Row } from '../fields/fields';
import { misspelt, suggestionsFor } from '../commands/spelling';

const checkedOf = (bench: Bench) => bench.checked;
const ownOf = (bench: Bench) => bench.sheet.ownWords;

/** The words of a box that no dictionary has, each with what may have been meant. */
export function SpellingFields({ bench, item }: { bench: Bench; item: WrittenItem }) {
  useBench(bench, checkedOf);
  const own = useBench(bench, ownOf);
  const wrong = misspelt(item, own);
  const [asked, setAsked] = useState<string | null>(null);
  const [found, setFound] = useState<string[] | null>(null);
  const word = wrong.find((one) => one.word === asked) ?? (wrong.length === 1 ? wrong[0] : undefined);
  const wanted = word?.word;
  useEffect(() => {
    if (!wanted) return;
    let current = true;
    setFound(null);
    void suggestionsFor(wanted).then((words) => current && setFound(words));
    return () => {
      current = false;
    };
  }, [wanted]);
  if (wrong.length === 0) return null;
  const names = [...new Set(wrong.map((one) => one.word))].slice(0, 8);
  return (
    <>
      <Row label="spelling">
        {names.map((name) => (
          <button
            key={name}
            type="button"
            className="misspelt"
            aria-pressed={name === wanted}
            onClick={() => setAsked(name)}
          >
            {name}
          </button>
        ))}
      </Row>
      {word && (
        <Row label="">
          {found === null && <span className="quiet">…</span>}
          {found?.length === 0 && <span className="quiet">no suggestions</span>}
          {found?.map((better) => (
            <button
              key={better}
              type="button"
              className="chip"
              onClick={() => {
                const hits = wrong
                  .filter((one) => one.word === word.word)
                  .map(({ from, to }) => ({ page: bench.page.id, item: item.id, from, to }));
                bench.make('Spelling', replaceWords(bench.sheet, hits, better));
              }}
            >
              {better}
            </button>
          ))}
          {bench.rights.kind === 'all' && (
            <button
              type="button"
              className="chip apricot"
              onClick={() =>
                bench.make('Own word', {
                  kind: 'sheet-set',
                  values: { ownWords: [...own, word.word.toLowerCase()].slice(-500) },
                })
              }
            >
              add word
            </button>
          )}
        </Row>
      )}
    </>
  );
}
