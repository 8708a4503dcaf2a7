import { Segments } from '../fields/segments';
import { cutTo } from '../../core/values/characters';
import { Input } from 'antd';
import { bodyText } from '../../core/text/body';
import type { Item, TextItem } from '../../core/schema/sheet';
import { idsWithin } from '../../core/sheet/tree';
import type { Editor } from '../document/editor';
import { setValues } from '../commands/set-values';
import { Toggle } from '../fields/toggle';
import { ACCESS_WORDS } from './access-words';
import { Row, Split } from '../parts/row';

/** What students may do with an item, and whether they get it empty. */

/** The diagram part that a label's line ends on. */
function blankNote(editor: Editor, item: TextItem): string | null {
  for (const line of editor.page.items)
    if (line.kind === 'line')
      for (const [near, far] of [
        [line.from, line.to],
        [line.to, line.from],
      ])
        if (near.item === item.id && far.target) return far.target;
  return null;
}

export const ACCESSES = Object.entries(ACCESS_WORDS).map(([value, label]) => ({ value, label }));

export function AccessFields({ editor, item }: { editor: Editor; item: Item }) {
  const text = item.kind === 'text' ? item : null;
  const part = text && blankNote(editor, text);
  return (
    <>
      <Split />
      <Row label="students">
        <Segments
          label="What students may do with it"
          value={item.touch}
          onChange={(touch) => setValues(editor, 'What students may do', { touch }, idsWithin(item))}
          options={ACCESSES}
        />
      </Row>
      {item.kind === 'group' && (
        <Row label="given">
          <Toggle
            on={item.role === 'key'}
            label="Students never get it: it is the answer key"
            onClick={() => setValues(editor, 'Answer key', { role: item.role === 'key' ? null : 'key' })}
          >
            answer key only
          </Toggle>
        </Row>
      )}
      {text && (
        <Row label="given">
          <Segments
            label="Given out with its words or empty"
            value={text.blank ? 'yes' : 'no'}
            onChange={(value) =>
              setValues(
                editor,
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
            aria-label="Other words that count as right"
            placeholder="Other right words, with commas"
            defaultValue={text.also.join(', ')}
            onBlur={(event) => {
              const also = event.target.value
                .split(',')
                .map((word) => cutTo(word.trim(), 200))
                .filter(Boolean)
                .slice(0, 20);
              if (also.join() !== text.also.join()) setValues(editor, 'Right words', { also });
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
