import { cutTo } from '../../core/values/characters';
import { Input, Segmented } from 'antd';
import { bodyText } from '../../core/text/body';
import type { Item, TextItem, Touch } from '../../core/schema/sheet';
import { idsWithin } from '../../core/sheet/tree';
import type { Bench } from '../document/bench';
import { setValues } from '../commands/commands';
import { Row, Toggle } from '../fields/fields';

/** What students may do with a part, and whether they get it empty. */

/** Which part a label's line ends on. */
function blankNote(bench: Bench, item: TextItem): string | null {
  for (const line of bench.page.items)
    if (line.kind === 'line')
      for (const [near, far] of [
        [line.from, line.to],
        [line.to, line.from],
      ])
        if (near.item === item.id && far.target) return far.target;
  return null;
}

/** What a student may do, in words. */
export const TOUCH_WORDS: Record<Touch, string> = { fixed: 'look only', fill: 'fill in', free: 'change' };
export const TOUCHES = Object.entries(TOUCH_WORDS).map(([value, label]) => ({ value, label }));

export function TouchFields({ bench, item }: { bench: Bench; item: Item }) {
  const text = item.kind === 'text' ? item : null;
  const part = text && blankNote(bench, text);
  return (
    <>
      <hr className="field-split" />
      <Row label="students">
        <Segmented
          size="small"
          aria-label="What students may do with it"
          value={item.touch}
          onChange={(touch) => setValues(bench, 'What students may do', { touch }, idsWithin(item))}
          options={TOUCHES}
        />
      </Row>
      {item.kind === 'group' && (
        <Row label="given">
          <Toggle
            on={item.role === 'key'}
            label="Students never get it: it is the answer key"
            onClick={() => setValues(bench, 'Answer key', { role: item.role === 'key' ? null : 'key' })}
          >
            answer key only
          </Toggle>
        </Row>
      )}
      {text && (
        <Row label="given">
          <Segmented
            size="small"
            aria-label="Given out with its words or empty"
            value={text.blank ? 'yes' : 'no'}
            onChange={(value) =>
              setValues(
                bench,
                'Blank',
                value === 'yes'
                  ? { blank: true, touch: text.touch === 'fixed' ? 'fill' : text.touch }
                  : { blank: false },
              )
            }
            options={[
              { value: 'no', label: 'with words' },
              { value: 'yes', label: 'empty' },
            ]}
          />
        </Row>
      )}
      {text?.blank && (
        <Row label="also right">
          <Input
            key={text.id}
            size="small"
            style={{ flex: 1 }}
            aria-label="Other words that count as right"
            placeholder="other right words, with commas"
            defaultValue={text.also.join(', ')}
            onBlur={(event) => {
              const also = event.target.value
                .split(',')
                .map((word) => cutTo(word.trim(), 200))
                .filter(Boolean)
                .slice(0, 20);
              if (also.join() !== text.also.join()) setValues(bench, 'Right words', { also });
            }}
          />
        </Row>
      )}
      {text?.blank && (
        <p className="quiet">
          {part ? (
            <>
              Its line ends on <b>{part}</b>.{' '}
            </>
          ) : (
            'No line leads from it to a part of a diagram. '
          )}
          Students get it empty; “{bodyText(text.body).trim() || '…'}” is the answer.
        </p>
      )}
    </>
  );
}
